<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Coverage;
use Footnote\App\Logbook\Decisions;
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
use Psr\Clock\ClockInterface;

/** A person decides a run: signs what is proposed, voids it, or overrules it with a reason. What was seen is frozen with it. */
final readonly class DecideResult
{
    private const KINDS = ['sign' => 'signed', 'void' => 'voided', 'overrule' => 'overruled'];

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Decisions $decisions,
        private Workings $workings,
        private Policies $policies,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $user, string $run, Fields $fields): void
    {
        $kind = $fields->text('kind');
        if (!isset(self::KINDS[$kind])) {
            throw Problem::field('/kind', 'must be sign, void or overrule.');
        }
        $seen = $fields->text('digest');
        $reason = $fields->optionalText('reason', 4000) ?? '';
        $after = $fields->optionalNumber('after', 0, 1e12);
        $told = ['run' => $run, 'digest' => $seen, 'reason' => $reason, 'verdict' => $fields->raw('verdict')];
        $unit = Cells::text($this->logbook->runRecord($run) ?? throw Problem::missing('Run '.$run), 'instrument');
        if ($this->logbook->instrument($unit)?->isPractice() === true) {
            throw new Problem(409, 'This is practice: nothing of it is ever signed. Nothing was changed.');
        }
        // Judged before the lock is taken; within it only whether that still holds is asked.
        $policy = $this->campaigns->policyOf($run);
        $fresh = $this->workings->fresh($run, $policy);
        $this->journal->during(
            $user->code,
            'result '.self::KINDS[$kind],
            $told,
            function () use ($user, $run, $fields, $kind, $seen, $reason, $after, $policy, $fresh): void {
                $last = $this->decisions->last($run);
                if ($last !== null && (float) Cells::text($last, 'id') !== $after) {
                    throw new Problem(409, \sprintf(
                        '%s has decided this result meanwhile. Look at it again; nothing was changed.',
                        Cells::text($last, 'recorded_by'),
                    ));
                }
                // By the evidence of this moment, whatever was kept: what arrives while a run is worked out is never signed over.
                $isSame = $this->campaigns->policyOf($run) === $policy && $this->workings->holds($fresh);
                $policy = $this->campaigns->policyOf($run);
                $worked = ($isSame ? $fresh : $this->workings->fresh($run, $policy))->worked;
                if ($worked->said !== $seen) {
                    throw new Problem(409, 'The evidence has changed since this page was opened. Look at it again; nothing was changed.');
                }
                $proposed = Coverage::proposed($worked->body());
                if ($kind !== 'void' && $proposed === Verdict::Open) {
                    throw new Problem(
                        409,
                        'An open result may be voided, never signed: its bracket can still be closed. Nothing was changed.',
                    );
                }
                if ($reason === '' && ($kind !== 'sign' || ($last !== null && !self::adds($last, $worked->body())))) {
                    throw Problem::field('/reason', $last !== null
                        ? 'say why this supersedes the decision before.'
                        : 'a decision against the proposal needs its reason in writing.');
                }
                $verdict = self::verdict($kind, $proposed, $fields);
                $snapshot = $this->snapshot($run, $policy, $worked, [
                    'kind' => $kind,
                    'verdict' => $verdict->value,
                    'proposed' => $proposed->value,
                    'reason' => $reason,
                    'by' => $user->code,
                ]);
                $this->entities->persist(new Decision(
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
                ));
            },
        );
    }

    private static function verdict(string $kind, Verdict $proposed, Fields $fields): Verdict
    {
        if ($kind !== 'overrule') {
            return $kind === 'void' ? Verdict::Void : $proposed;
        }
        $verdict = Verdict::tryFrom($fields->text('verdict')) ?? throw Problem::field(
            '/verdict',
            'must be valid, corrected, qualified or void.',
        );
        if ($verdict === Verdict::Open || $verdict === $proposed) {
            throw Problem::field('/verdict', 'must differ from the proposal, and cannot be open.');
        }

        return $verdict;
    }

    /**
     * What the decision saw, frozen.
     *
     * @param array<string, string> $decision
     */
    private function snapshot(string $run, string $policy, Worked $worked, array $decision): string
    {
        [$covers, $waiting] = Coverage::of($worked->body());
        $void = $decision['kind'] === 'void';

        return json_encode(
            [
                'inputs' => $this->logbook->runRecord($run),
                'checks' => $this->logbook->checkRecords($worked->checks()),
                'policy' => $this->policies->data($policy),
                'assessment' => $worked->body(),
                'decision' => [
                    ...$decision,
                    'at' => $this->clock->now()->format(\DATE_ATOM),
                    'covers' => $void ? [...$covers, ...$waiting] : $covers,
                    'waiting' => $void ? [] : $waiting,
                ],
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    /**
     * Whether a decision only adds results that were waiting: all that the last one covered still says the same.
     *
     * @param array<string, mixed> $last the decision before
     * @param array<string, mixed> $body
     */
    private static function adds(array $last, array $body): bool
    {
        $signed = Decisions::signed($last);
        if ($signed['decision']['waiting'] === []) {
            return false;
        }
        $was = Saying::of($signed['assessment'])['results'];
        $is = Saying::of($body)['results'];
        foreach ($signed['decision']['covers'] as $covered) {
            $key = '='.($covered['key'] ?? '');
            if (($was[$key] ?? null) !== ($is[$key] ?? null)) {
                return false;
            }
        }

        return true;
    }
}
