<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Laboratory\LaboratoryKeeper;
use Footnote\App\Logbook\Reports;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Utf8;
use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Record\Fields;

/** The head of a file: how it seems to be written, or how this laboratory's last file was. Nothing is kept. */
final readonly class ReportGuess
{
    private const LARGEST = 262144;

    public function __construct(private LaboratoryKeeper $keeper, private Reports $reports)
    {
    }

    /** @return array<string, mixed> */
    public function of(string $text, string $laboratory): array
    {
        if ($text === '') {
            throw new Problem(422, 'The file is empty. Nothing was kept.');
        }
        if (\strlen($text) > self::LARGEST) {
            throw new Problem(413, 'Send the first 256 kB of the file at most.');
        }
        if (str_contains($text, "\0")) {
            throw new Problem(422, 'The file is not text. Save the sheet as CSV; nothing was kept.');
        }
        $bare = Utf8::ofFile($text);
        $lines = \array_slice(explode("\n", str_replace(["\r\n", "\r"], "\n", $bare)), 0, 40);
        $codes = $this->keeper->codes();
        $remembered = $this->remembered($lines, $laboratory, $codes);
        $file = $remembered ?? LaboratoryFile::guess($lines, $codes);
        $rows = array_map(
            static fn (string $line): array => array_map(
                static fn (string $cell): string => mb_substr($cell, 0, 60),
                LaboratoryFile::cells($line, $file->delimiter),
            ),
            $lines,
        );

        return [
            'mapping' => $file->describe(),
            'remembered' => $remembered !== null,
            'header' => $file->skip > 0 ? ($rows[$file->skip - 1] ?? []) : [],
            'rows' => array_values(
                array_filter(\array_slice($rows, $file->skip, 10), static fn (array $row): bool => implode('', $row) !== ''),
            ),
            'fields' => array_map(
                static fn (string $field, string $words): array => ['value' => $field, 'words' => $words],
                array_keys(LaboratoryFile::FIELDS),
                array_values(LaboratoryFile::FIELDS),
            ),
        ];
    }

    /**
     * How the last file of that laboratory was read, where this one is written alike.
     *
     * @param list<string>          $lines
     * @param array<string, string> $codes
     */
    private function remembered(array $lines, string $laboratory, array $codes): ?LaboratoryFile
    {
        $mapping = $this->reports->mappingOf($laboratory);
        $file = $mapping === null ? null : LaboratoryFile::told(Fields::of($mapping), $codes);
        $head = $file === null || $file->skip === 0 ? null : $lines[$file->skip - 1] ?? '';

        return $file === null || ($head !== null && $file->against($head) !== null) ? null : $file;
    }
}
