<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Bench\TimedWait;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\UnitTimers;
use Footnote\App\Storage\Cells;
use Footnote\Core\Procedure\StepKind;
use Psr\Clock\ClockInterface;

/** Every timer that runs or is over: those of units, and the waits of half-done checks. Elapsed is by the server's clock. */
final readonly class TimersPresenter
{
    public function __construct(
        private UnitTimers $timers,
        private Logbook $logbook,
        private ModelSheets $sheets,
        private ClockInterface $clock,
    ) {
    }

    /** @return array{timers: list<array<string, mixed>>} */
    public function all(): array
    {
        $timers = [];
        $taken = [];
        foreach ($this->timers->waiting() as $draft) {
            foreach ($this->waits($draft) as $step => $wait) {
                $taken['='.$draft->instrument.' '.$step] = true;
                $timers[] = $wait;
            }
        }
        foreach ($this->timers->running() as $timer) {
            $what = TimedWait::tryFrom($timer->what);
            if (isset($taken['='.$timer->instrument.' '.($what?->step() ?? '')])) {
                continue;
            }
            $timers[] = [
                'id' => $timer->id,
                'unit' => $timer->instrument,
                'words' => $what?->words() ?? $timer->what,
                'seconds' => $timer->seconds,
                'elapsed' => $this->since($timer->startedAt),
                'by' => $timer->by,
                'draft' => null,
            ];
        }

        return ['timers' => $timers];
    }

    /** @return array<string, array<string, mixed>> by the step that waits */
    private function waits(Draft $draft): array
    {
        $answers = $draft->answers();
        $unit = $this->logbook->timeline($draft->instrument)->instrument;
        $done = \is_array($answers['steps'] ?? null) ? $answers['steps'] : [];
        $began = \is_array($answers['stepWaits'] ?? null) ? $answers['stepWaits'] : [];
        $waits = [];
        foreach ($this->sheets->walked($draft, $unit)->procedure->steps as $step) {
            if ($step->kind === StepKind::Wait && !isset($done[$step->id]) && Cells::text($began, $step->id) !== '') {
                $waits[$step->id] = [
                    'id' => $draft->id.' '.$step->id,
                    'unit' => $draft->instrument,
                    'words' => lcfirst($step->words->title),
                    'seconds' => $step->seconds ?? 0,
                    'elapsed' => $this->since(new \DateTimeImmutable(Cells::text($began, $step->id))),
                    'by' => $draft->by,
                    'draft' => $draft->id,
                ];
            }
        }

        return $waits;
    }

    private function since(\DateTimeImmutable $at): int
    {
        return max(0, $this->clock->now()->getTimestamp() - $at->getTimestamp());
    }
}
