<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Journal\Journal;
use Footnote\App\Laboratory\FileLines;
use Footnote\App\Laboratory\LaboratoryKeeper;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\KeptBlank;
use Footnote\App\Logbook\Row\LaboratoryReport;
use Footnote\App\Logbook\Row\LaboratoryWord;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Flow\Corrected;
use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Flow\LaboratoryRows;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What goes to laboratories and what comes back: blanks, reports typed or read from files, and what is still awaited. */
#[Route('/api/laboratory')]
final readonly class LaboratoryController
{
    private const LARGEST = 33554432;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private LaboratoryKeeper $keeper,
        private Workings $workings,
        private ClockInterface $clock,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function overview(): JsonResponse
    {
        $reports = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT r.id, r.record, r.file_name, r.recorded_by, r.recorded_at, (SELECT COUNT(*) FROM laboratory_row w WHERE w.report_id = r.id) AS row_count FROM laboratory_report r ORDER BY r.recorded_at DESC, r.id DESC LIMIT 200',
        ) as $row) {
            $record = [...Cells::json($row, 'record'), ...$this->said(Cells::text($row, 'id'))];
            $reports[] = [
                'id' => Cells::text($row, 'id'),
                'number' => Cells::text($record, 'number'),
                'laboratory' => Cells::text($record, 'laboratory'),
                'received' => Cells::text($record, 'received'),
                'blankCorrected' => Cells::text($record, 'blankCorrected'),
                'desorptionCorrected' => Cells::text($record, 'desorptionCorrected'),
                'rows' => (int) Cells::text($row, 'row_count'),
                'file' => Cells::text($row, 'file_name'),
                'by' => Cells::text($row, 'recorded_by'),
                'unmatched' => $this->keeper->unmatched(Cells::text($row, 'id'), 50),
            ];
        }
        $awaited = array_map(
            static fn (array $row): array => [
                'run' => Cells::text($row, 'id'),
                'medium' => Cells::text($row, 'medium'),
                'person' => Cells::text(Cells::json($row, 'record'), 'person'),
                'task' => Cells::text(Cells::json($row, 'record'), 'task'),
                'start' => Cells::moment($row, 'started_at'),
                'campaign' => Cells::text($row, 'campaign_id'),
            ],
            $this->connection->fetchAllAssociative(
                'SELECT r.id, r.medium, r.record, r.started_at, r.campaign_id FROM run r WHERE r.medium IS NOT NULL AND NOT EXISTS (SELECT 1 FROM laboratory_row w WHERE w.medium = r.medium) ORDER BY r.started_at LIMIT 500',
            ),
        );
        $blanks = array_map(
            static fn (array $row): array => [
                'medium' => Cells::text($row, 'medium'),
                'campaign' => Cells::text($row, 'campaign_id'),
                'kind' => Cells::text(Cells::json($row, 'record'), 'kind') === 'media' ? 'media' : 'field',
                'note' => Cells::text(Cells::json($row, 'record'), 'note'),
                'by' => Cells::text($row, 'recorded_by'),
                'reported' => (bool) $row['reported'],
            ],
            $this->connection->fetchAllAssociative(
                'SELECT b.medium, b.campaign_id, b.record, b.recorded_by, EXISTS (SELECT 1 FROM laboratory_row w WHERE w.medium = b.medium) AS reported FROM blank b ORDER BY b.medium',
            ),
        );

        return new JsonResponse(['reports' => $reports, 'awaited' => $awaited, 'blanks' => $blanks]);
    }

    #[Route('/reports/{id}', methods: ['GET'])]
    public function report(string $id): JsonResponse
    {
        $rows = $this->connection->fetchFirstColumn('SELECT record FROM laboratory_row WHERE report_id = ? ORDER BY id LIMIT 2000', [$id]);
        if ($rows === []) {
            throw Problem::missing('Report '.$id);
        }

        return new JsonResponse([
            'rows' => array_map(
                static fn (mixed $json): mixed => json_decode(\is_string($json) ? $json : '{}', true, 16, \JSON_THROW_ON_ERROR),
                $rows,
            ),
        ]);
    }

    /** The file as the laboratory sent it, byte for byte. */
    #[Route('/reports/{id}/file', methods: ['GET'])]
    public function original(string $id): Response
    {
        $row = $this->connection->fetchAssociative('SELECT file_name, original FROM laboratory_report WHERE id = ?', [$id]);
        if ($row === false || $row['original'] === null) {
            throw Problem::missing('A file of report '.$id);
        }

        return new Response(
            Cells::blob($row['original']),
            200,
            [
                'Content-Type' => 'text/plain; charset=utf-8',
                'Content-Disposition' => 'attachment; filename="'.preg_replace(
                    '/[^A-Za-z0-9._-]/',
                    '_',
                    Cells::text($row, 'file_name'),
                ).'"',
            ],
        );
    }

    #[Route('/blanks', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function blank(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $medium = $body->text('medium');
        if (mb_strlen($medium) > 60) {
            throw new InvalidRecord('/medium', 'is longer than 60 characters.');
        }
        $campaign = $this->entities->find(Campaign::class, $body->id('campaign')) ?? throw Problem::field('/campaign', 'is not in this logbook.');
        $kind = $body->text('kind');
        if (!\in_array($kind, ['field', 'media'], true)) {
            throw new InvalidRecord('/kind', 'must be field or media.');
        }
        if ($this->entities->find(KeptBlank::class, $medium) !== null) {
            throw Problem::field('/medium', 'is a blank already.');
        }
        $run = $this->connection->fetchOne('SELECT id FROM run WHERE medium = ?', [$medium]);
        if (\is_string($run)) {
            throw Problem::field('/medium', \sprintf('is the medium of run %s: a blank draws no air.', $run));
        }
        $record = array_filter(
            ['medium' => $medium, 'kind' => $kind, 'note' => $body->optionalText('note') ?? ''],
            static fn (string $value): bool => $value !== '',
        );
        $this->journal->during($user->code, 'blank kept', ['campaign' => $campaign->id, ...$record], function () use ($medium, $campaign, $record, $user): void {
            $this->entities->persist(new KeptBlank($medium, $campaign->id, $record, $user->code, $this->clock->now()));
            $this->workings->forgetCampaign($campaign->id);
        });

        return $this->overview()->setStatusCode(201);
    }

    /** A report typed row by row. */
    #[Route('/reports', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function typed(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $head = LaboratoryKeeper::head($body);
        $rows = [];
        $seen = [];
        foreach ($body->objects('rows') as $row) {
            LaboratoryRows::check($row);
            $key = $row->text('medium')."\0".$row->text('analyte');
            if (isset($seen[$key])) {
                throw new InvalidRecord(
                    $row->at('medium'),
                    \sprintf('%s on %s stands twice.', $row->text('analyte'), $row->text('medium')),
                );
            }
            $seen[$key] = true;
            $rows[] = array_filter(
                array_map(static fn (mixed $value): string => \is_string($value) ? trim($value) : '', $row->data()),
                static fn (string $value): bool => $value !== '',
            );
        }
        if ($rows === []) {
            throw new InvalidRecord('/rows', 'must hold at least one row.');
        }
        $this->keeper->keep(
            $head,
            [$rows],
            null,
            null,
            $body->optionalText('reason', 2000) ?? '',
            $user->code,
            static function (): void {},
        );

        return $this->overview()->setStatusCode(201);
    }

    /** What a laboratory said later of a report: whether its numbers were corrected. */
    #[Route('/reports/{id}/word', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function word(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        if ($this->entities->find(LaboratoryReport::class, $id) === null) {
            throw Problem::missing('Report '.$id);
        }
        $body = Body::of($request);
        $record = [];
        foreach (['blankCorrected', 'desorptionCorrected'] as $name) {
            if ($body->has($name)) {
                $record[$name] = $body->choice($name, Corrected::class)->value;
            }
        }
        if ($record === []) {
            throw new Problem(422, 'Nothing was saved: it says nothing about blanks or desorption.');
        }
        $reason = $body->text('reason');
        $this->journal->during($user->code, 'laboratory said', ['report' => $id, 'reason' => $reason, ...$record], function () use ($id, $record, $reason, $user): void {
            $this->entities->persist(new LaboratoryWord($id, $record, $reason, $user->code, $this->clock->now()));
            $this->workings->forgetMedia(
                array_values(
                    array_filter(
                        $this->connection->fetchFirstColumn('SELECT DISTINCT medium FROM laboratory_row WHERE report_id = ?', [$id]),
                        \is_string(...),
                    ),
                ),
            );
        });

        return $this->overview()->setStatusCode(201);
    }

    /** The head of a file: how it seems to be written, or how this laboratory's last file was. Nothing is kept. */
    #[Route('/preview', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function preview(Request $request): JsonResponse
    {
        $text = $request->getContent();
        if ($text === '') {
            throw new Problem(422, 'The file is empty. Nothing was kept.');
        }
        if (\strlen($text) > 262144) {
            throw new Problem(413, 'Send the first 256 kB of the file at most.');
        }
        if (str_contains($text, "\0")) {
            throw new Problem(422, 'The file is not text. Save the sheet as CSV; nothing was kept.');
        }
        $lines = \array_slice(
            explode("\n", str_replace(["\r\n", "\r"], "\n", FileLines::utf8(str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text))),
            0,
            40,
        );
        $codes = $this->keeper->codes();
        $remembered = $this->remembered(rawurldecode($request->headers->get('X-Laboratory', '')));
        $file = $remembered === null ? LaboratoryFile::guess($lines, $codes) : LaboratoryFile::told(Fields::of($remembered), $codes);
        $rows = array_map(
            static fn (string $line): array => array_map(
                static fn (string $cell): string => mb_substr($cell, 0, 60),
                LaboratoryFile::cells($line, $file->delimiter),
            ),
            $lines,
        );

        return new JsonResponse([
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
        ]);
    }

    /**
     * The whole file as the body; the head of the report and the mapping in a header, since the body is the file byte for
     * byte. What is wrong with it is said before anything is written; then each hundred rows are told as a line of JSON.
     */
    #[Route('/import', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function import(Request $request, #[CurrentUser] User $user): Response
    {
        try {
            $told = json_decode(rawurldecode($request->headers->get('X-Report', '')), true, 16, \JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            throw Problem::field('/report', 'does not say what report this is.');
        }
        $fields = Fields::of(\is_array($told) ? $told : []);
        $head = LaboratoryKeeper::head($fields);
        $file = LaboratoryFile::told($fields->object('mapping'), $this->keeper->codes());
        $name = mb_substr(trim((string) preg_replace('/[^\w .()+-]/u', '_', $fields->optionalText('file') ?? '')), 0, 150);
        $path = tempnam(sys_get_temp_dir(), 'footnote-report-');
        if ($path === false) {
            throw new \RuntimeException('No temporary file could be made.');
        }
        try {
            $size = file_put_contents($path, $request->getContent(true));
            if ($size === 0 || $size === false) {
                throw new Problem(422, 'The file is empty. Nothing was kept.');
            }
            if ($size > self::LARGEST) {
                throw new Problem(413, 'A report is at most 32 MB. Nothing was kept.');
            }
            $rows = $this->keeper->check($file, static fn (): iterable => FileLines::of($path));
        } catch (\Throwable $problem) {
            unlink($path);
            throw $problem;
        }

        return new StreamedResponse(function () use ($path, $name, $head, $file, $fields, $rows, $user): void {
            $say = static function (array $line): void {
                echo json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), "\n";
                flush();
            };
            try {
                $original = [
                    'name' => $name === '' ? 'report.csv' : $name,
                    'sha256' => (string) hash_file('sha256', $path),
                    'packed' => Cells::packed((string) file_get_contents($path)),
                ];
                $kept = $this->keeper->keep(
                    $head,
                    $file->read(FileLines::of($path)),
                    $original,
                    $file->describe(),
                    $fields->optionalText('reason', 2000) ?? '',
                    $user->code,
                    static fn (int $done) => $say(['done' => $done, 'of' => $rows]),
                );
                $say(['report' => $kept['id'], 'rows' => $kept['rows'], 'unmatched' => $kept['unmatched']]);
            } catch (Problem $problem) {
                $say(['problem' => $problem->getMessage(), 'fields' => $problem->fields]);
            } finally {
                unlink($path);
            }
        }, 200, ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no']);
    }

    /** @return array<string, mixed>|null the mapping of the last file of that laboratory */
    private function remembered(string $laboratory): ?array
    {
        $row = $laboratory === ''
            ? false
            : $this->connection->fetchAssociative(
                'SELECT mapping FROM laboratory_report WHERE laboratory = ? AND mapping IS NOT NULL ORDER BY recorded_at DESC, id DESC LIMIT 1',
                [$laboratory],
            );

        return $row === false ? null : Cells::json($row, 'mapping');
    }

    /** @return array<string, mixed> what was said of a report since */
    private function said(string $report): array
    {
        $said = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT record FROM laboratory_word WHERE report_id = ? ORDER BY id',
            [$report],
        ) as $row) {
            $said = [...$said, ...Cells::json($row, 'record')];
        }

        return $said;
    }
}
