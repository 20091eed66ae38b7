<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Log\ColumnChoice;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\LogFormatReader;

/** The head of a log's file: how it seems to be written; a person confirms. Nothing is kept. */
final readonly class LogGuess
{
    private const LARGEST = 262144;

    public function __construct(private Logbook $logbook, private LogFormatReader $formats, private Formats $families)
    {
    }

    /** @return array<string, mixed> */
    public function of(string $run, string $text): array
    {
        $record = $this->logbook->runRecord($run) ?? throw Problem::missing('Run '.$run);
        $choices = $this->columns(Cells::text($record, 'instrument'));
        if (\strlen($text) > self::LARGEST) {
            throw new Problem(413, 'Send the first 256 kB of the file at most.');
        }
        if ($text === '') {
            throw new Problem(422, 'The file is empty.');
        }
        if (str_contains($text, "\0")) {
            throw new Problem(422, 'The file is not text. Export it as CSV in UTF-8; nothing was kept.');
        }
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        if (!mb_check_encoding($text, 'UTF-8')) {
            $text = (string) iconv('Windows-1252', 'UTF-8//IGNORE', $text);
        }
        $lines = \array_slice(explode("\n", str_replace(["\r\n", "\r"], "\n", $text)), 0, 60);
        array_pop($lines);
        try {
            $format = LogFormatGuess::of($lines, $choices);
        } catch (UnreadableLog $problem) {
            throw new Problem(422, $problem->getMessage().' Nothing was kept.');
        }
        $rows = array_map(
            static fn (string $line): array => array_map(
                static fn (string $cell): string => mb_substr($cell, 0, 60),
                LogFormatGuess::cells($line, $format->layout->delimiter),
            ),
            $lines,
        );

        return [
            'format' => $this->formats->write($format),
            'header' => $format->layout->skip > 0 ? ($rows[$format->layout->skip - 1] ?? []) : [],
            'rows' => \array_slice($rows, $format->layout->skip, 12),
            'kinds' => array_merge(...array_map(self::choice(...), $choices)),
        ];
    }

    /** @return non-empty-list<ColumnChoice> what a column of a unit's log may hold */
    private function columns(string $instrument): array
    {
        $unit = $this->logbook->timeline($instrument)->instrument;
        $format = $this->families->of($unit->family);
        if (!$format instanceof KeepsLogs) {
            throw new Problem(422, 'Instruments of this family keep no log. Nothing was kept.');
        }

        return array_map(
            static fn (ColumnKind $kind): ColumnChoice => new ColumnChoice($kind, $format->logChannels($unit, $kind)),
            $format->logColumns(),
        );
    }

    /**
     * As a person chooses among them.
     *
     * @return list<array{kind: string, channel: string, words: string}>
     */
    private static function choice(ColumnChoice $choice): array
    {
        $kind = $choice->kind;

        return array_map(static fn (string $channel): array => [
            'kind' => $kind->id(),
            'channel' => $channel,
            'words' => $channel === '' ? $kind->words() : $kind->ofChannel($channel),
        ], $kind->hasChannel() ? $choice->channels : ['']);
    }
}
