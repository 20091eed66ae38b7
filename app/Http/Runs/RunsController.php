<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\Shown\TraitsLine;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RunFact;
use Footnote\App\Logbook\RunFolding;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Runs\LogKeeper;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\LogsByChannel;
use Footnote\Core\Log\ColumnChoice;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\LogFormatReader;
use Footnote\Core\Record\SketchesLogs;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Ulid;

/** Runs: started, stopped, and everything learned about them afterwards. */
#[Route('/api/runs')]
final readonly class RunsController
{
    private const LARGEST_LOG = 67108864;
    private const STARTED = [
        'instrument', 'start', 'stop', 'person', 'task', 'place', 'shift', 'ofPlace', 'plannedMinutes',
        'shiftMinutes',
    ];
    private const LEARNED = [
        'stop', 'timesFrom', 'clockOffsetSeconds', 'timerMinutes', 'plannedMinutes', 'shiftMinutes', 'shift',
        'ofPlace', 'totals', 'remarks', 'pauses', 'exclusions', 'leftIn', 'restOfDay', 'logWord', 'declaration',
    ];
    private const JUDGED = ['exclusions', 'leftIn', 'restOfDay', 'logWord', 'declaration'];

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Logbook $logbook,
        private Workings $workings,
        private LogKeeper $logs,
        private LogFormatReader $formats,
        private Policies $policies,
        private Assessor $assessor,
        private ClockInterface $clock,
        private Numbers $numbers,
        private Formats $families,
    ) {
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function start(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $campaign = $this->entities->find(Campaign::class, $body->id('campaign')) ?? throw Problem::field('/campaign', 'is not in this logbook.');
        $instrument = $this->entities->find(
            RegisteredInstrument::class,
            $body->id('instrument'),
        ) ?? throw Problem::field('/instrument', 'is not in the kit.');
        $asked = [...self::STARTED, ...$this->familyFields($instrument->family)];
        self::refuseOthers($body, ['campaign', ...$asked]);
        $record = array_intersect_key($body->data(), array_flip($asked));
        $id = $this->journal->during($user->code, 'run started', ['campaign' => $campaign->id, ...$record], function () use ($record, $campaign, $instrument, $user): string {
            $record = ['id' => $this->numbers->next('run', 'R-%05d'), 'campaign' => $campaign->id, ...$record];
            $run = $this->logbook->coreRun($record);
            $this->notInTheFuture($run->start, '/start');
            $this->free($run, $instrument->id);
            $this->notABlank($record);
            $recorded = new RecordedRun(
                $run->id,
                $instrument->id,
                $campaign->id,
                self::utc($run->start),
                $record,
                $user->code,
                $this->clock->now(),
                RecordedRun::shiftOf($run->person, $campaign->id),
            );
            if ($run->stop !== null) {
                $this->notInTheFuture($run->stop, '/stop');
                $recorded->stop($run->stop);
            }
            $this->entities->persist($recorded);
            $this->workings->forgetInstrument($instrument->id);

            return $run->id;
        });

        return $this->one($id)->setStatusCode(201);
    }

    #[Route('/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        $record = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $family = Cells::text($this->logbook->instrumentRecord(Cells::text($record, 'instrument')) ?? [], 'family');
        $entries = $this->families->of($family)->run($this->logbook->timeline(Cells::text($record, 'instrument'))->instrument);
        $totals = Totals::asked(
            $this->families->of($family),
            $this->entities->find(Campaign::class, $this->campaignOf($id))?->yardsticks()['criteria'] ?? [],
        );
        $facts = $this->connection->fetchAllAssociative(
            'SELECT record, reason, recorded_by, recorded_at FROM run_fact WHERE run_id = ? ORDER BY id',
            [$id],
        );
        $log = \is_array($record['log'] ?? null)
            ? $this->connection->fetchAssociative(
                'SELECT id, name, sha256, size, format, first_interval, step_seconds, length, remarks FROM log_file WHERE id = ?',
                [$record['log']['stored'] ?? ''],
            )
            : false;
        $campaign = $this->connection->fetchAssociative('SELECT id, title, zone FROM campaign WHERE id = ?', [$this->campaignOf($id)]);

        return new JsonResponse([
            'id' => $id,
            'instrument' => Cells::text($record, 'instrument'),
            'campaign' => $campaign === false
                ? null
                : [
                    'id' => Cells::text($campaign, 'id'),
                    'title' => Cells::text($campaign, 'title'),
                    'zone' => Cells::text($campaign, 'zone'),
                ],
            'start' => Cells::text($record, 'start'),
            'stop' => $record['stop'] ?? null,
            'person' => Cells::text($record, 'person'),
            'task' => Cells::text($record, 'task'),
            'place' => Cells::text($record, 'place'),
            'plannedMinutes' => $record['plannedMinutes'] ?? null,
            'shiftMinutes' => $record['shiftMinutes'] ?? null,
            'shift' => $record['shift'] ?? null,
            'family' => [
                'id' => $family,
                'entries' => Entry::all($entries),
                'values' => (object) array_intersect_key($record, array_flip($this->familyFields($family))),
                'shown' => TraitsLine::shown(EntryReader::read(Fields::of($record), $entries), $entries),
                'totals' => Entry::all($totals),
                'remarks' => array_map(static fn (RemarkKind $kind): string => $kind->id(), $this->families->remarks($family)),
            ],
            'clockOffsetSeconds' => $record['clockOffsetSeconds'] ?? null,
            'timerMinutes' => $record['timerMinutes'] ?? null,
            'totals' => Totals::shown($totals, $record['totals'] ?? []),
            'remarks' => $record['remarks'] ?? [],
            'pauses' => $record['pauses'] ?? [],
            'exclusions' => $record['exclusions'] ?? [],
            'leftIn' => $record['leftIn'] ?? [],
            'restOfDay' => $record['restOfDay'] ?? null,
            'logWord' => $record['logWord'] ?? null,
            'ofPlace' => $record['ofPlace'] ?? false,
            'declaration' => $record['declaration'] ?? null,
            'log' => $log === false ? null : [
                'id' => Cells::text($log, 'id'),
                'name' => Cells::text($log, 'name'),
                'sha256' => Cells::text($log, 'sha256'),
                'size' => (int) Cells::text($log, 'size'),
                'start' => Cells::text($log, 'first_interval'),
                'stepSeconds' => (float) Cells::text($log, 'step_seconds'),
                'length' => (int) Cells::text($log, 'length'),
                'remarks' => Cells::json($log, 'remarks'),
                'columns' => array_map(
                    static fn ($column): string => $column->channel === ''
                        ? $column->kind->id()
                        : $column->kind->ofChannel($column->channel),
                    array_values($this->formats->read(Fields::of(Cells::json($log, 'format')))->columns),
                ),
            ],
            'learned' => array_map(
                static fn (array $fact): array => [
                    'fields' => array_keys(Cells::json($fact, 'record')),
                    'reason' => Cells::text($fact, 'reason'),
                    'by' => Cells::text($fact, 'recorded_by'),
                    'at' => Cells::moment($fact, 'recorded_at'),
                ],
                $facts,
            ),
        ]);
    }

    /** Adds what was learned: stop, clock, totals, remarks, stretches left out. A value that supersedes another says why. */
    #[Route('/{id}/facts', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function learn(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $of = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $family = Cells::text($this->logbook->instrumentRecord(Cells::text($of, 'instrument')) ?? [], 'family');
        $asked = [...self::LEARNED, ...$this->familyFields($family)];
        self::refuseOthers($body, ['reason', ...$asked]);
        $fact = array_intersect_key($body->data(), array_flip($asked));
        $reason = $body->optionalText('reason', 2000) ?? '';
        if ($fact === []) {
            throw new Problem(422, 'Nothing was saved: there is nothing in it about a run.');
        }
        if (array_intersect_key($fact, array_flip(self::JUDGED)) !== [] && $user->role->value !== 'hygienist') {
            throw new Problem(
                403,
                'Only a hygienist leaves stretches out or in, says what the rest of a day was or whose a log is, or '
                    .'declares a segment representative. Nothing was changed.',
            );
        }
        foreach (['exclusions', 'leftIn'] as $list) {
            if ($body->has($list)) {
                $fact[$list] = array_map(
                    static fn (Fields $stretch): array => [...$stretch->data(), 'by' => $user->code],
                    $body->objects($list),
                );
            }
        }
        foreach (['restOfDay', 'logWord', 'declaration'] as $word) {
            if ($body->has($word)) {
                $fact[$word] = [...$body->object($word)->data(), 'by' => $user->code];
            }
        }
        $this->journal->during($user->code, 'run learned', ['run' => $id, 'reason' => $reason, ...$fact], function () use ($id, $fact, $reason, $user): void {
            $before = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
            foreach ($fact as $name => $value) {
                if (!\in_array($name, RunFolding::LISTS, true)
                    && ($before[$name] ?? null) !== null
                    && $before[$name] !== $value
                    && $reason === '') {
                    throw Problem::field('/reason', \sprintf('say why the %s changes; what was written before stays on record.', $name));
                }
            }
            $this->store($id, $before, $fact, $reason, $user);
        });

        return $this->one($id)->setStatusCode(201);
    }

    /**
     * What nobody asked for is refused and not dropped: somebody meant something by it.
     *
     * @param list<string> $asked
     */
    private static function refuseOthers(Fields $body, array $asked): void
    {
        foreach (array_keys($body->data()) as $name) {
            if (!\in_array($name, $asked, true)) {
                throw Problem::field('/'.$name, 'is not asked here. Nothing was saved.');
            }
        }
    }

    /** Looks at the head of a log: how it seems to be written, and its first lines. Nothing is kept. */
    #[Route('/log-preview', methods: ['POST'], priority: 10)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function preview(Request $request): JsonResponse
    {
        $record = $this->logbook->runRecord($request->query->getString('run')) ?? throw Problem::missing(
            'Run '.$request->query->getString('run'),
        );
        $choices = $this->columns(Cells::text($record, 'instrument'));
        $text = $request->getContent();
        if (\strlen($text) > 262144) {
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
                LogFormatGuess::cells($line, $format->delimiter),
            ),
            $lines,
        );

        return new JsonResponse([
            'format' => $this->formats->write($format),
            'header' => $format->skip > 0 ? ($rows[$format->skip - 1] ?? []) : [],
            'rows' => \array_slice($rows, $format->skip, 12),
            'kinds' => array_merge(...array_map(self::choice(...), $choices)),
        ]);
    }

    /** @return non-empty-list<ColumnChoice> what a column of a unit's log may hold */
    private function columns(string $instrument): array
    {
        $unit = $this->logbook->timeline($instrument)->instrument;
        $format = $this->families->of($unit->family);
        if (!$format instanceof KeepsLogs) {
            throw new Problem(422, 'Units of this family keep no log. Nothing was kept.');
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

    /** The whole log of one channel or size, as indicated and with the response of each moment taken out. */
    #[Route('/{id}/readings', methods: ['GET'])]
    public function readings(string $id, Request $request): JsonResponse
    {
        $channel = $request->query->getString('channel');
        $run = $this->logbook->coreRun($this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id));
        $policy = $this->connection->fetchOne('SELECT c.policy_key FROM campaign c WHERE c.id = ?', [$this->campaignOf($id)]);
        $family = $this->assessor->assess(
            $run,
            $this->logbook->timeline($run->instrument),
            $this->policies->get(\is_string($policy) ? $policy : ''),
            $this->workings->yardsticks($this->campaignOf($id)),
        )->family;
        $series = $family instanceof LogsByChannel ? $family->series($channel, $run) : null;
        if (!$family instanceof LogsByChannel || $series === null) {
            throw Problem::missing('A log of channel '.$channel.' of run '.$id);
        }
        $limits = [];
        foreach ($family->resultsOf($channel) as $result) {
            foreach ($result->outcomes as $outcome) {
                if ($outcome->limit->unit === $series->unit->value) {
                    $limits[] = [
                        'title' => $outcome->limit->title.' '.$outcome->limit->value->written,
                        'value' => $outcome->limit->value->value->toFloat(),
                    ];
                }
            }
        }

        return new JsonResponse([
            'channel' => $channel,
            'unit' => $series->unit->value,
            'start' => $series->start->format(\DATE_ATOM),
            'stepSeconds' => $series->step,
            'logged' => $series->indicated,
            'corrected' => $series->corrected,
            'limits' => $limits,
        ]);
    }

    /** The whole log as the body; how it is written in a header, since the body is the file byte for byte. */
    #[Route('/{id}/log', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function log(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        if ((int) $request->headers->get('Content-Length', '0') > self::LARGEST_LOG) {
            throw new Problem(413, 'A log is at most 64 MB. Nothing was kept.');
        }
        try {
            $told = json_decode(rawurldecode($request->headers->get('X-Log-Format', '')), true, 16, \JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            throw Problem::field('/format', 'does not say how the file is written.');
        }
        $format = Fields::of(\is_array($told) ? $told : []);
        $name = mb_substr(
            trim((string) preg_replace('/[^\w .()+-]/u', '_', rawurldecode($request->headers->get('X-Log-Name', '')))),
            0,
            150,
        );
        $path = tempnam(sys_get_temp_dir(), 'footnote-log-');
        if ($path === false) {
            throw new \RuntimeException('No temporary file could be made.');
        }
        try {
            file_put_contents($path, $request->getContent(true));
            if (filesize($path) === 0) {
                throw new Problem(422, 'The file is empty. Nothing was kept.');
            }
            if (filesize($path) > self::LARGEST_LOG) {
                throw new Problem(413, 'A log is at most 64 MB. Nothing was kept.');
            }
            $stored = (string) new Ulid();
            $reason = rawurldecode($request->headers->get('X-Reason', ''));
            $this->journal->during($user->code, 'log read', ['run' => $id, 'name' => $name, 'sha256' => hash_file('sha256', $path), 'format' => $told], function () use ($id, $format, $name, $path, $stored, $reason, $user): void {
                $before = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
                if (isset($before['log']) && $reason === '') {
                    throw Problem::field(
                        '/reason',
                        'this run has a log already: say why another takes its place. The first one stays on record.',
                    );
                }
                $zone = $this->connection->fetchOne(
                    'SELECT c.zone FROM campaign c JOIN run r ON r.campaign_id = c.id WHERE r.id = ?',
                    [$id],
                );
                try {
                    $this->logs->keep(
                        $stored,
                        $id,
                        $name === '' ? 'log.csv' : $name,
                        $path,
                        $format,
                        $format->optionalMoment('start'),
                        new \DateTimeZone(\is_string($zone) ? $zone : 'UTC'),
                        $user->code,
                    );
                } catch (UnreadableLog $problem) {
                    throw new Problem(
                        422,
                        'The log was not kept. '.$problem->getMessage(),
                        array_map(
                            static fn (array $fault): array => [
                                'field' => $fault['line'] === null ? '/log' : '/log/line/'.$fault['line'],
                                'problem' => $fault['problem'],
                            ],
                            $problem->problems,
                        ),
                    );
                }
                // What was said of the log before is not said of this one.
                $forgotten = isset($before['logWord']) ? ['logWord' => null] : [];
                $this->store($id, $before, ['log' => ['stored' => $stored], ...$forgotten], $reason, $user);
            });
        } finally {
            unlink($path);
        }

        return $this->one($id)->setStatusCode(201);
    }

    /** The original file, byte for byte. */
    #[Route('/{id}/log', methods: ['GET'])]
    public function original(string $id): Response
    {
        $record = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $row = \is_array($record['log'] ?? null)
            ? $this->connection->fetchAssociative('SELECT name, original FROM log_file WHERE id = ?', [$record['log']['stored'] ?? ''])
            : false;
        if ($row === false) {
            throw Problem::missing('A log of run '.$id);
        }

        return new Response(
            Cells::blob($row['original']),
            200,
            [
                'Content-Type' => 'text/plain; charset=utf-8',
                'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._-]/', '_', Cells::text($row, 'name')).'"',
            ],
        );
    }

    /** The log for drawing: the lowest, highest and energy-mean level of each of at most 600 stretches. */
    #[Route('/{id}/series', methods: ['GET'])]
    public function series(string $id): JsonResponse
    {
        $run = $this->logbook->coreRun($this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id));
        $format = $this->families->of($this->logbook->timeline($run->instrument)->instrument->family);
        $log = $run->content instanceof Logged ? $run->content->log() : null;
        if (!$format instanceof SketchesLogs || !$log instanceof SeriesLog) {
            return new JsonResponse(['start' => null, 'stepSeconds' => null, 'points' => []]);
        }
        $series = $format->sketch($log, 600);

        return new JsonResponse([
            'start' => $run->trueTime($log->start())->format(\DATE_ATOM),
            'stepSeconds' => $series->step,
            'points' => array_map(static fn (?array $point): ?array => $point, $series->points),
        ]);
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $fact
     */
    private function store(string $id, array $before, array $fact, string $reason, User $user): void
    {
        $run = $this->entities->find(RecordedRun::class, $id) ?? throw Problem::missing('Run '.$id);
        $after = $this->logbook->coreRun(RunFolding::fold($before, [$fact]));
        if ($after->stop !== null) {
            $this->notInTheFuture($after->stop, '/stop');
            $run->stop($after->stop);
        }
        foreach ([...$after->pauses, ...array_map(static fn ($exclusion) => $exclusion->span, $after->exclusions)] as $span) {
            if ($after->span()?->overlaps($span) === false) {
                throw Problem::field('/exclusions', 'lies outside of the run.');
            }
        }
        if ($after->declaration !== null
            && $this->connection->fetchOne(
                'SELECT 1 FROM check_record WHERE id = ? AND instrument_id = ?',
                [$after->declaration->check, $after->instrument],
            ) === false) {
            throw Problem::field('/declaration/check', 'is no check of this unit.');
        }
        $this->notABlank($fact);
        $run->sampleOn(RunFolding::fold($before, [$fact]));
        $this->free($after, $after->instrument);
        if ($after->logWord !== null && $after->origin === null) {
            throw Problem::field('/logWord', 'speaks of a log, and this run has none.');
        }
        $this->entities->persist(new RunFact($id, $fact, $reason, $user->code, $this->clock->now()));
        $this->workings->forgetInstrument($after->instrument);
        foreach (array_unique([$after->origin?->sha256, $this->logbook->coreRun($before)->origin?->sha256]) as $digest) {
            if ($digest !== null) {
                $this->workings->forgetLog($digest);
            }
        }
    }

    /** @return list<string> the fields of a run that only its family asks for */
    private function familyFields(string $family): array
    {
        return array_map(static fn (Entry $entry): string => $entry->name, $this->families->of($family)->run());
    }

    /**
     * A blank draws no air.
     *
     * @param array<string, mixed> $record
     */
    private function notABlank(array $record): void
    {
        if (isset($record['medium'])
            && $this->connection->fetchOne('SELECT 1 FROM blank WHERE medium = ?', [$record['medium']]) !== false) {
            throw Problem::field('/medium', 'is kept as a blank: a blank draws no air.');
        }
    }

    /** A unit measures one thing at a time. */
    private function free(Run $run, string $instrument): void
    {
        $other = $this->connection->fetchOne(
            'SELECT id FROM run WHERE instrument_id = ? AND id <> ? AND started_at < ? AND (stopped_at IS NULL OR stopped_at > ?)',
            [
                $instrument,
                $run->id,
                self::utc($run->stop ?? $run->start->modify('+1 second'))->format('Y-m-d H:i:s'),
                self::utc($run->start)->format('Y-m-d H:i:s'),
            ],
        );
        if (\is_string($other)) {
            throw Problem::field('/start', \sprintf('run %s is on this unit at that time.', $other));
        }
    }

    private function notInTheFuture(\DateTimeImmutable $at, string $field): void
    {
        if ($at > $this->clock->now()->modify('+1 minute')) {
            throw Problem::field($field, 'lies in the future.');
        }
    }

    private function campaignOf(string $run): string
    {
        $campaign = $this->connection->fetchOne('SELECT campaign_id FROM run WHERE id = ?', [$run]);

        return \is_string($campaign) ? $campaign : '';
    }

    private static function utc(\DateTimeImmutable $at): \DateTimeImmutable
    {
        return $at->setTimezone(new \DateTimeZone('UTC'));
    }
}
