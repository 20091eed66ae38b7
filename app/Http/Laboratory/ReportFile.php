<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Access\User;
use Footnote\App\Http\SentFile;
use Footnote\App\Laboratory\FileLines;
use Footnote\App\Laboratory\LaboratoryKeeper;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Record\Fields;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * A whole file as the body; the head of the report and the mapping in a header, since the body is the file byte for byte. What
 * is wrong with it is said before anything is written; then each hundred rows are told as a line of JSON.
 */
final readonly class ReportFile
{
    public function __construct(private LaboratoryKeeper $keeper)
    {
    }

    public function kept(Request $request, User $user): StreamedResponse
    {
        $fields = SentFile::header($request, 'X-Report') ?? throw Problem::field('/report', 'does not say what report this is.');
        $head = LaboratoryKeeper::head($fields);
        $told = LaboratoryFile::told($fields->object('mapping'), $this->keeper->codes());
        $sent = SentFile::of($request, SentFile::REPORT);
        try {
            $checked = $this->keeper->check($told, static fn (): iterable => FileLines::of($sent->path));
        } catch (\Throwable $problem) {
            $sent->forget();
            throw $problem;
        }

        $head = [...$head, ...$checked['told']];

        return new StreamedResponse(function () use ($sent, $head, $told, $fields, $checked, $user): void {
            try {
                $kept = $this->keep($sent, $head, $told, $fields, $user, $checked['rows']);
                self::say(['report' => $kept['id'], 'rows' => $kept['rows'], 'unmatched' => $kept['unmatched']]);
            } catch (Problem $problem) {
                self::say(['problem' => $problem->getMessage(), 'fields' => $problem->fields]);
            } finally {
                $sent->forget();
            }
        }, 200, ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no']);
    }

    /**
     * @param array<string, mixed> $head
     * @param int                  $rows that there are
     *
     * @return array{id: string, rows: int, unmatched: list<string>}
     */
    private function keep(SentFile $sent, array $head, LaboratoryFile $told, Fields $fields, User $user, int $rows): array
    {
        $name = SentFile::name($fields->optionalText('file') ?? '');

        return $this->keeper->keep(
            $head,
            $told->read(FileLines::of($sent->path)),
            [
                'name' => $name === '' ? 'report.csv' : $name,
                'sha256' => (string) hash_file('sha256', $sent->path),
                'packed' => Cells::packed((string) file_get_contents($sent->path)),
            ],
            $told->describe(),
            $fields->optionalText('reason', 2000) ?? '',
            $user->code,
            static fn (int $done) => self::say(['done' => $done, 'of' => $rows]),
        );
    }

    /** @param array<string, mixed> $line */
    private static function say(array $line): void
    {
        echo json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), "\n";
        flush();
    }
}
