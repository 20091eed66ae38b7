<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\RunFact;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Logbook\RunFolding;
use Footnote\App\Logbook\Runs;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\ToldFact;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Run;
use Psr\Clock\ClockInterface;

/** Keeps what was learned of a run, once the run still makes sense with it; what rests on it is worked out again. */
final readonly class FactKeeper
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Logbook $logbook,
        private Runs $runs,
        private Touches $touches,
        private FreeUnit $free,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $fact
     */
    public function keep(User $user, string $id, array $before, array $fact, string $reason): void
    {
        $state = $this->entities->find(RunState::class, $id) ?? throw Problem::missing('Run '.$id);
        if (isset($before['withdrawn'])) {
            throw new Problem(409, 'This run was withdrawn: nothing more is noted of it. Nothing was changed.');
        }
        $was = $this->logbook->coreRun($before);
        $told = new ToldFact($fact, $reason, $user->code, $this->clock->now()->format(\DATE_ATOM));
        $record = RunFolding::fold($before, [$told]);
        $this->refuseAnotherKind($before, $record);
        $after = $this->logbook->coreRun($record);
        $this->refuseImpossible($after, $fact);
        if (self::leaves($was, $after)) {
            $this->touch($was);
        }
        $state->learn($after, Cells::text($record, 'campaign'), $record);
        if ($after->notes->withdrawn === null) {
            $this->free->check($after, $fact);
        }
        $this->entities->persist(new RunFact($id, $fact, $reason, $user->code, $this->clock->now()));
        $this->touch($after);
        $this->touchLogs($was, $after);
        $media = array_filter([$before['medium'] ?? null, $state->medium()], \is_string(...));
        $this->touches->media(array_values(array_unique($media)));
    }

    /**
     * The readings of one family are nothing to another.
     *
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     */
    private function refuseAnotherKind(array $before, array $after): void
    {
        if ($before['instrument'] === $after['instrument']) {
            return;
        }
        $was = $this->logbook->instrumentRecord(Cells::text($before, 'instrument'));
        $is = $this->logbook->instrumentRecord(Cells::text($after, 'instrument'));
        if ($is === null) {
            throw Problem::field('/instrument', 'is not in the kit.');
        }
        if (Cells::text($was ?? [], 'family') !== Cells::text($is, 'family')) {
            throw Problem::field('/instrument', 'is of another kind: what the run brought home is nothing to it.');
        }
    }

    /** @param array<string, mixed> $fact that is new: what was said before may rest on a check that was corrected since */
    private function refuseImpossible(Run $after, array $fact): void
    {
        $this->site->refuseFuture($after->timing->start, '/start');
        if ($after->timing->stop !== null) {
            $this->site->refuseFuture($after->timing->stop, '/stop');
        }
        foreach ([
            ...$after->timing->pauses,
            ...array_map(static fn ($exclusion) => $exclusion->span, $after->notes->exclusions),
        ] as $span) {
            if ($after->span()?->overlaps($span) === false) {
                throw Problem::field('/exclusions', 'lies outside of the run.');
            }
        }
        if (isset($fact['declaration'])
            && $after->notes->declaration !== null
            && !$this->runs->isCheckOf($after->notes->declaration->check, $after->deployment->instrument)) {
            throw Problem::field('/declaration/check', 'is no check of this instrument.');
        }
        if ($after->source->word !== null && $after->source->origin === null) {
            throw Problem::field('/logWord', 'speaks of a log, and this run has none.');
        }
    }

    /** Whether it is not any more where it was: on that unit, in that shift, at that time. */
    private static function leaves(Run $was, Run $after): bool
    {
        return $after->notes->withdrawn !== null
            || $was->deployment->instrument !== $after->deployment->instrument
            || $was->deployment->person !== $after->deployment->person
            || Moments::text($was->timing->start) !== Moments::text($after->timing->start);
    }

    private function touch(Run $run): void
    {
        $this->touches->unit($run->deployment->instrument, $run->timing->start);
        $this->touches->runs([$run->id]);
    }

    /** Whose a log is may be asked of every run that has it. */
    private function touchLogs(Run $was, Run $after): void
    {
        $digests = array_values(array_unique(array_filter(
            [$was->source->origin?->sha256, $after->source->origin?->sha256],
            \is_string(...),
        )));
        $isAnother = $was->source->origin?->sha256 !== $after->source->origin?->sha256;
        $moved = $was->deployment->instrument !== $after->deployment->instrument && $digests !== [];
        if ($isAnother || $moved) {
            $this->touches->logsOf($was->deployment->instrument);
            $this->touches->logsOf($after->deployment->instrument);
        }
        foreach ($digests as $digest) {
            $this->touches->log($digest);
        }
    }
}
