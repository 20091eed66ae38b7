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
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
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
        $after = $this->logbook->coreRun(RunFolding::fold($before, [$fact]));
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
        if ($after->notes->declaration !== null
            && !$this->runs->isCheckOf($after->notes->declaration->check, $after->deployment->instrument)) {
            throw Problem::field('/declaration/check', 'is no check of this instrument.');
        }
        $state->learn($after->timing->stop, RunFolding::fold($before, [$fact]));
        $this->free->check($after, $fact);
        if ($after->source->word !== null && $after->source->origin === null) {
            throw Problem::field('/logWord', 'speaks of a log, and this run has none.');
        }
        $this->entities->persist(new RunFact($id, $fact, $reason, $user->code, $this->clock->now()));
        $this->touches->unit($after->deployment->instrument, $after->timing->start);
        $this->touches->runs([$id]);
        $digests = [$after->source->origin?->sha256, $this->logbook->coreRun($before)->source->origin?->sha256];
        if ($digests[0] !== $digests[1]) {
            $this->touches->logsOf($after->deployment->instrument);
        }
        foreach (array_unique(array_filter($digests, \is_string(...))) as $digest) {
            $this->touches->log($digest);
        }
        $media = array_filter([$before['medium'] ?? null, $state->medium()], \is_string(...));
        $this->touches->media(array_values(array_unique($media)));
    }
}
