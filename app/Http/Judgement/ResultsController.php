<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Coverage;
use Footnote\App\Logbook\EvidenceSince;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\Decision;
use Footnote\App\Logbook\Saying;
use Footnote\App\Logbook\Worked;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/**
 * The ledger of results, one result with everything under it, and what people decide.
 *
 * @phpstan-type Drift array{shown: string, unit: string}
 * @phpstan-type Covered array<string, string>
 * @phpstan-type LedgerResult array{key: string, title: string, shown: string, unit: string, verdict: string, drift: Drift|null}
 * @phpstan-type LedgerDecision array{
 *     id: int, kind: string, verdict: string, by: string, at: string, reason: string, stale: bool, covers: list<string>,
 * }
 * @phpstan-type LedgerRow array{
 *     run: string, instrument: string, person: string, task: string, place: string, start: string, stop: string|null,
 *     verdict: string, bracket: mixed, drift: Drift|null, standing: mixed, headline: mixed, results: list<LedgerResult>,
 *     finding: mixed, findings: mixed, cure: mixed, decision: LedgerDecision|null,
 * }
 * @phpstan-type DecisionRow array{
 *     id: int, kind: string, verdict: string, proposed: string, reason: string, policy: string, digest: string,
 *     snapshotDigest: string, by: string, at: string, covers: list<Covered>, waiting: list<Covered>,
 * }
 */
#[Route('/api/results')]
final readonly class ResultsController
{
    private const PAGE = 50;
    private const JOINS = 'JOIN campaign c ON c.id = r.campaign_id LEFT JOIN worked_run w ON w.run_id = r.id AND w.policy_key = c.policy_key';

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Logbook $logbook,
        private Workings $workings,
        private Policies $policies,
        private EvidenceSince $since,
        private ClockInterface $clock,
        private Formats $families,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function ledger(Request $request): JsonResponse
    {
        [$where, $values] = $this->filter($request);
        $page = max(1, min(100000, $request->query->getInt('page', 1)));
        // The joins are only counted through where the choice needs them.
        $joins = str_contains($where, 'w.') ? self::JOINS : '';
        $total = $this->connection->fetchOne("SELECT COUNT(*) FROM run r $joins WHERE $where", $values);
        $rows = $this->rows($where, $values, self::PAGE, ($page - 1) * self::PAGE);

        return new JsonResponse([
            'total' => \is_numeric($total) ? (int) $total : 0,
            'page' => $page,
            'pageSize' => self::PAGE,
            'rows' => $rows,
        ]);
    }

    /** The ledger as CSV. Text that a spreadsheet could take for a formula is led by an apostrophe. */
    #[Route('.csv', methods: ['GET'])]
    public function csv(Request $request): Response
    {
        [$where, $values] = $this->filter($request);
        $file = fopen('php://temp', 'w+');
        if ($file === false) {
            throw new \RuntimeException('No temporary stream could be opened.');
        }
        $put = static fn (array $cells) => fputcsv(
            $file,
            array_map(static fn (mixed $cell): string => self::plain(\is_scalar($cell) ? (string) $cell : ''), $cells),
            ',',
            '"',
            '',
        );
        $put([
            'run', 'unit', 'person', 'task', 'place', 'start', 'stop', 'result', 'value', 'unit of value',
            'drift', 'unit of drift', 'proposed for this result', 'decided', 'by', 'reason',
        ]);
        foreach ($this->rows($where, $values, 10000, 0, false) as $row) {
            $results = $row['results'] === []
                ? [['key' => '', 'title' => '', 'shown' => '', 'unit' => '', 'verdict' => $row['verdict'], 'drift' => $row['drift']]]
                : $row['results'];
            foreach ($results as $result) {
                // A decision stands for the results that it covered.
                $decision = $row['decision'] !== null
                    && ($row['decision']['covers'] === [] || \in_array($result['key'], $row['decision']['covers'], true))
                    ? $row['decision']
                    : null;
                $put([
                    $row['run'], $row['instrument'], $row['person'], $row['task'], $row['place'],
                    $row['start'], $row['stop'], $result['title'], $result['shown'], $result['unit'],
                    $result['drift']['shown'] ?? '', $result['drift']['unit'] ?? '', $result['verdict'],
                    $decision['verdict'] ?? '', $decision['by'] ?? '', $decision['reason'] ?? '',
                ]);
            }
        }
        rewind($file);

        return new Response(
            (string) stream_get_contents($file),
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="results.csv"'],
        );
    }

    #[Route('/{run}', methods: ['GET'])]
    public function result(string $run): JsonResponse
    {
        $row = $this->connection->fetchAssociative(
            'SELECT r.id, r.campaign_id, c.title, c.site, c.zone, c.policy_key, c.policy_changed FROM run r JOIN campaign c ON c.id = r.campaign_id WHERE r.id = ?',
            [$run],
        );
        if ($row === false) {
            throw Problem::missing('Run '.$run);
        }
        $key = Cells::text($row, 'policy_key');
        $worked = $this->workings->worked($run, $key);
        $schools = [];
        foreach (array_values(array_unique([$key, ...$this->policies->newest()])) as $other) {
            $schools[] = [
                'key' => $other,
                'chosen' => $other === $key,
                'assessment' => $other === $key ? $worked->school : $this->workings->worked($run, $other)->school,
            ];
        }
        $record = $this->logbook->runRecord($run) ?? throw Problem::missing('Run '.$run);
        $decisions = $this->decisions($run);
        $last = $decisions[0] ?? null;
        $page = json_encode([
            'run' => [
                'id' => $run,
                'instrument' => Cells::text($record, 'instrument'),
                'start' => Cells::text($record, 'start'),
                'stop' => $record['stop'] ?? null,
                'person' => Cells::text($record, 'person'),
                'task' => Cells::text($record, 'task'),
                'place' => Cells::text($record, 'place'),
                'hasLog' => isset($record['log']),
            ],
            'campaign' => [
                'id' => Cells::text($row, 'campaign_id'),
                'title' => Cells::text($row, 'title'),
                'site' => Cells::text($row, 'site'),
                'zone' => Cells::text($row, 'zone'),
                'policyChanged' => (bool) $row['policy_changed'],
            ],
            'digest' => $worked->said,
            'checks' => $this->evidence($worked->checks(), Cells::text($record, 'instrument')),
            'schools' => $schools,
            'decisions' => $decisions,
            'changedSinceSigning' => $last === null ? null : $this->changed($run, $worked),
            'neighbours' => $this->neighbours($run),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);

        // The assessment goes out as it was kept, without being taken apart and put together again.
        return JsonResponse::fromJsonString('{"assessment":'.$worked->json.','.substr($page, 1));
    }

    #[Route('/{run}/decision', methods: ['POST'])]
    #[IsGranted('ROLE_HYGIENIST')]
    public function decide(string $run, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $fields = Body::of($request);
        $kind = $fields->text('kind');
        if (!\in_array($kind, ['sign', 'void', 'overrule'], true)) {
            throw Problem::field('/kind', 'must be sign, void or overrule.');
        }
        $seen = $fields->text('digest');
        $reason = $fields->optionalText('reason', 4000) ?? '';
        $after = $fields->optionalNumber('after', 0, 1e12);
        $this->journal->during($user->code, 'result '.['sign' => 'signed', 'void' => 'voided', 'overrule' => 'overruled'][$kind], ['run' => $run, 'digest' => $seen, 'reason' => $reason, 'verdict' => $fields->raw('verdict')], function () use ($run, $kind, $seen, $reason, $after, $fields, $user): void {
            $policy = $this->connection->fetchOne(
                'SELECT c.policy_key FROM campaign c JOIN run r ON r.campaign_id = c.id WHERE r.id = ?',
                [$run],
            );
            if (!\is_string($policy)) {
                throw Problem::missing('Run '.$run);
            }
            $last = $this->connection->fetchAssociative(
                'SELECT id, recorded_by, snapshot FROM decision WHERE run_id = ? ORDER BY id DESC LIMIT 1',
                [$run],
            );
            if ($last !== false && (float) Cells::text($last, 'id') !== $after) {
                throw new Problem(
                    409,
                    \sprintf(
                        '%s has decided this result meanwhile. Look at it again; nothing was changed.',
                        Cells::text($last, 'recorded_by'),
                    ),
                );
            }
            // By the evidence of this moment, whatever was kept: what arrives while a run is worked out is never signed over.
            $worked = $this->workings->now($run, $policy);
            $body = $worked->body();
            if ($worked->said !== $seen) {
                throw new Problem(409, 'The evidence has changed since this page was opened. Look at it again; nothing was changed.');
            }
            [$covers, $waiting] = Coverage::of($body);
            $proposed = Coverage::proposed($body);
            if ($kind !== 'void' && $proposed === Verdict::Open) {
                throw new Problem(409, 'An open result may be voided, never signed: its bracket can still be closed. Nothing was changed.');
            }
            if ($reason === '' && ($kind !== 'sign' || ($last !== false && !self::adds($last, $body)))) {
                throw Problem::field(
                    '/reason',
                    $last !== false
                        ? 'say why this supersedes the decision before.'
                        : 'a decision against the proposal needs its reason in writing.',
                );
            }
            $verdict = match ($kind) {
                'sign' => $proposed,
                'void' => Verdict::Void,
                'overrule' => Verdict::tryFrom($fields->text('verdict')) ?? throw Problem::field(
                    '/verdict',
                    'must be valid, corrected, qualified or void.',
                ),
            };
            if ($kind === 'overrule' && ($verdict === Verdict::Open || $verdict === $proposed)) {
                throw Problem::field('/verdict', 'must differ from the proposal, and cannot be open.');
            }
            $snapshot = json_encode(
                [
                    'inputs' => $this->logbook->runRecord($run),
                    'checks' => $this->logbook->checkRecords($worked->checks()),
                    'policy' => $this->policies->data($policy),
                    'assessment' => $body,
                    'decision' => [
                        'kind' => $kind,
                        'verdict' => $verdict->value,
                        'proposed' => $proposed->value,
                        'reason' => $reason,
                        'by' => $user->code,
                        'at' => $this->clock->now()->format(\DATE_ATOM),
                        'covers' => $kind === 'void' ? [...$covers, ...$waiting] : $covers,
                        'waiting' => $kind === 'void' ? [] : $waiting,
                    ],
                ],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            );
            $this->entities->persist(
                new Decision(
                    $run,
                    $kind,
                    $verdict->value,
                    $proposed->value,
                    $reason,
                    $policy,
                    $worked->digest,
                    Cells::packed($snapshot),
                    hash('sha256', $snapshot),
                    $user->code,
                    $this->clock->now(),
                ),
            );
        });

        return $this->result($run)->setStatusCode(201);
    }

    /**
     * The checks of a bracket in words.
     *
     * @param list<string> $checks
     *
     * @return list<array<string, mixed>>
     */
    private function evidence(array $checks, string $instrument): array
    {
        $format = $this->families->of(Cells::text($this->logbook->instrumentRecord($instrument) ?? [], 'family'));

        return array_map(static fn (array $record): array => [
            'id' => $record['id'] ?? '',
            'at' => $record['at'] ?? '',
            'by' => $record['by'] ?? '',
            'reference' => $record['reference'] ?? null,
            'setAside' => \is_array($record['setAside'] ?? null) ? ($record['setAside']['reason'] ?? '') : null,
            'cells' => $format->describeCheck($format->readCheck(Fields::of($record))),
        ], $this->logbook->checkRecords($checks));
    }

    /** The frozen snapshot of a decision, as it was signed. */
    #[Route('/{run}/decision/{id}', requirements: ['id' => '\d+'], methods: ['GET'])]
    public function snapshot(string $run, int $id): Response
    {
        $row = $this->connection->fetchAssociative(
            'SELECT snapshot, snapshot_digest FROM decision WHERE run_id = ? AND id = ?',
            [$run, $id],
        );
        if ($row === false) {
            throw Problem::missing('This decision');
        }

        return new Response(
            Cells::blob($row['snapshot']),
            200,
            ['Content-Type' => 'application/json', 'X-Content-Digest' => Cells::text($row, 'snapshot_digest')],
        );
    }

    /** @return array{string, list<string>} */
    private function filter(Request $request): array
    {
        [$where, $values] = ['1 = 1', []];
        foreach ([
            'campaign' => 'r.campaign_id = ?',
            'instrument' => 'r.instrument_id = ?',
            'verdict' => 'w.verdict = ?',
        ] as $name => $condition) {
            $value = $request->query->getString($name);
            if ($value !== '') {
                $where .= ' AND '.$condition;
                $values[] = $value;
            }
        }
        $decided = $request->query->getString('decided');
        if ($decided === 'no' || $decided === 'yes') {
            $where .= ' AND '.($decided === 'no' ? 'NOT ' : '').'EXISTS (SELECT 1 FROM decision d WHERE d.run_id = r.id)';
        }
        if ($request->query->getString('verdict') !== '') {
            $missing = $this->connection->fetchAllNumeric(
                'SELECT r.id, c.policy_key FROM run r '.self::JOINS.' WHERE w.run_id IS NULL LIMIT 2000',
            );
            $this->workOut($missing);
        }

        return [$where, $values];
    }

    /**
     * @param list<string> $values
     *
     * @return list<LedgerRow>
     */
    private function rows(string $where, array $values, int $limit, int $offset, bool $compared = true): array
    {
        $sql = 'SELECT r.id, r.instrument_id, r.record, r.started_at, r.stopped_at, c.policy_key, c.zone,'
            .' w.verdict, w.digest, w.said, w.summary'
            .' FROM run r '.self::JOINS." WHERE $where ORDER BY r.started_at, r.id LIMIT $limit OFFSET $offset";
        $found = $this->connection->fetchAllAssociative($sql, $values);
        $missing = array_values(array_filter($found, static fn (array $row): bool => $row['verdict'] === null));
        if ($missing !== []) {
            $this->workOut(array_map(static fn (array $row): array => [$row['id'], $row['policy_key']], $missing));
            $found = $this->connection->fetchAllAssociative($sql, $values);
        }
        $decisions = [];
        $ids = array_map(static fn (array $row): string => Cells::text($row, 'id'), $found);
        foreach (array_chunk($ids, 500) as $some) {
            foreach ($this->connection->fetchAllAssociative(
                'SELECT id, run_id, kind, verdict, recorded_by, recorded_at, reason, digest, snapshot FROM decision'
                    .' WHERE run_id IN ('.implode(', ', array_fill(0, \count($some), '?')).') ORDER BY id',
                $some,
            ) as $row) {
                $decisions[Cells::text($row, 'run_id')] = $row;
            }
        }
        $lines = [];
        foreach ($found as $row) {
            $record = Cells::json($row, 'record');
            $summary = Cells::json($row, 'summary');
            $zone = new \DateTimeZone(Cells::text($row, 'zone'));
            $at = static fn (string $stored): string => (new \DateTimeImmutable($stored, new \DateTimeZone('UTC')))->setTimezone($zone)->format(\DATE_ATOM);
            $decision = $decisions[Cells::text($row, 'id')] ?? null;
            /** @var array{shown: string, unit: string}|null $drift */
            $drift = $summary['drift'] ?? null;
            /** @var list<LedgerResult> $results */
            $results = $summary['results'] ?? [];
            $lines[] = [
                'run' => Cells::text($row, 'id'),
                'instrument' => Cells::text($row, 'instrument_id'),
                'person' => Cells::text($record, 'person'),
                'task' => Cells::text($record, 'task'),
                'place' => Cells::text($record, 'place'),
                'start' => $at(Cells::text($row, 'started_at')), 'stop' => $row['stopped_at'] === null
                    ? null
                    : $at(Cells::text($row, 'stopped_at')),
                'verdict' => Cells::text($row, 'verdict'),
                'bracket' => $summary['bracket'] ?? null,
                'drift' => $drift,
                'standing' => $summary['standing'] ?? null,
                'headline' => $summary['headline'] ?? null,
                'results' => $results,
                'finding' => $summary['finding'] ?? null,
                'findings' => $summary['findings'] ?? 0,
                'cure' => $summary['cure'] ?? null,
                'decision' => $decision === null ? null : self::decided($decision, $row, $at, $compared),
            ];
        }

        return $lines;
    }

    /**
     * A decision as the ledger shows it.
     *
     * @param array<string, mixed>     $decision
     * @param array<string, mixed>     $row      of the run
     * @param \Closure(string): string $at       a stored moment, told in the zone of the site
     * @param bool                     $compared whether it is held against what the run says now
     *
     * @return LedgerDecision
     */
    private static function decided(array $decision, array $row, \Closure $at, bool $compared): array
    {
        $signed = self::signed($decision);
        $text = static fn (string $name): string => Cells::text($decision, $name);

        return [
            'id' => (int) $text('id'),
            'kind' => $text('kind'),
            'verdict' => $text('verdict'),
            'by' => $text('recorded_by'),
            'at' => $at($text('recorded_at')),
            'reason' => $text('reason'),
            'stale' => $compared && $text('digest') !== Cells::text($row, 'digest')
                && Saying::digest(Saying::of($signed['assessment'])) !== Cells::text($row, 'said'),
            'covers' => array_map(static fn (array $one): string => $one['key'] ?? '', $signed['decision']['covers']),
        ];
    }

    /** @param array<array<mixed>> $pairs run and policy */
    private function workOut(array $pairs): void
    {
        $byPolicy = [];
        foreach ($pairs as [$run, $policy]) {
            if (\is_string($run) && \is_string($policy)) {
                $byPolicy[$policy][] = $run;
            }
        }
        foreach ($byPolicy as $policy => $runs) {
            $this->workings->workOut($runs, $policy);
        }
    }

    /**
     * @return list<DecisionRow> the newest first
     */
    private function decisions(string $run): array
    {
        return array_map(static fn (array $row): array => [
            'id' => (int) Cells::text($row, 'id'),
            'kind' => Cells::text($row, 'kind'),
            'verdict' => Cells::text($row, 'verdict'),
            'proposed' => Cells::text($row, 'proposed'),
            'reason' => Cells::text($row, 'reason'),
            'policy' => Cells::text($row, 'policy_key'),
            'digest' => Cells::text($row, 'digest'),
            'snapshotDigest' => Cells::text($row, 'snapshot_digest'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
            ...self::signed($row)['decision'],
        ], $this->connection->fetchAllAssociative(
            'SELECT id, kind, verdict, proposed, reason, policy_key, digest, snapshot, snapshot_digest, recorded_by, '
                .'recorded_at FROM decision WHERE run_id = ? ORDER BY id DESC',
            [$run],
        ));
    }

    /**
     * What changed since the last decision, and whether evidence came or only the rules judge otherwise; null where it still
     * says the same.
     *
     * @return array{was: array<string, mixed>, is: array<string, mixed>, because: string}|null
     */
    private function changed(string $run, Worked $worked): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT snapshot, policy_key, recorded_at FROM decision WHERE run_id = ? ORDER BY id DESC LIMIT 1',
            [$run],
        );
        $then = $row === false ? [] : self::signed($row)['assessment'];
        if ($row === false || Saying::digest(Saying::of($then)) === $worked->said) {
            return null;
        }
        $policy = $worked->school['policy'] ?? null;
        $was = Worked::school($then);

        return ['was' => $was, 'is' => $worked->school, 'because' => match (true) {
            $this->since->any($run, Cells::text($row, 'recorded_at')) => 'evidence',
            $policy !== ($was['policy'] ?? null) => 'policy',
            default => 'release',
        }];
    }

    /**
     * Whether a decision only adds results that were waiting: all that the last one covered still says the same.
     *
     * @param array<string, mixed> $last the decision before
     * @param array<string, mixed> $body
     */
    private static function adds(array $last, array $body): bool
    {
        $signed = self::signed($last);
        if ($signed['decision']['waiting'] === []) {
            return false;
        }
        [$was, $is] = [Saying::of($signed['assessment'])['results'], Saying::of($body)['results']];
        foreach ($signed['decision']['covers'] as $covered) {
            $key = '='.($covered['key'] ?? '');
            if (($was[$key] ?? null) !== ($is[$key] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /**
     * What a decision saw and covered. One of an earlier release covers all that it saw.
     *
     * @param array<string, mixed> $row with the snapshot
     *
     * @return array{assessment: array<string, mixed>, decision: array{covers: list<Covered>, waiting: list<Covered>}}
     */
    private static function signed(array $row): array
    {
        $snapshot = json_decode(Cells::blob($row['snapshot'] ?? null), true, 64, \JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $assessment */
        $assessment = \is_array($snapshot) && \is_array($snapshot['assessment'] ?? null) ? $snapshot['assessment'] : [];
        $decision = \is_array($snapshot) && \is_array($snapshot['decision'] ?? null) ? $snapshot['decision'] : [];
        /** @var list<Covered> $covers */
        $covers = $decision['covers'] ?? array_merge(...Coverage::of($assessment));
        /** @var list<Covered> $waiting */
        $waiting = $decision['waiting'] ?? [];

        return ['assessment' => $assessment, 'decision' => ['covers' => $covers, 'waiting' => $waiting]];
    }

    /** @return array{previous: string|null, next: string|null} */
    private function neighbours(string $run): array
    {
        $own = $this->connection->fetchAssociative('SELECT started_at, campaign_id FROM run WHERE id = ?', [$run]);
        $at = $own === false ? '' : Cells::text($own, 'started_at');
        $campaign = $own === false ? '' : Cells::text($own, 'campaign_id');
        $one = fn (string $sign, string $order): ?string => \is_string(
            $found = $this->connection->fetchOne(
                "SELECT id FROM run WHERE campaign_id = ? AND (started_at, id) $sign (?, ?) ORDER BY started_at $order, id $order LIMIT 1",
                [$campaign, $at, $run],
            ),
        )
            ? $found
            : null;

        return ['previous' => $one('<', 'DESC'), 'next' => $one('>', 'ASC')];
    }

    private static function plain(string $cell): string
    {
        return preg_match('/^[=+\-@\t\r]/', $cell) === 1 && preg_match('/^[+-]?\d+(\.\d+)?$/D', $cell) !== 1 ? "'".$cell : $cell;
    }
}
