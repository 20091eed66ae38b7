<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\UnitLines;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Foresight;

/**
 * What bench and day show of every unit as its evidence stands.
 *
 * @phpstan-type Started array{id: string, start: string}
 * @phpstan-type Line array{
 *     unit: array<string, mixed>,
 *     lastCheck: array{id: string, at: string, reference: string|null, when: string, drift: float|null}|null,
 *     hold: list<Started>,
 *     running: list<Started>,
 * }
 */
final readonly class UnitLinePresenter
{
    private Foresight $foresight;

    public function __construct(
        private Logbook $logbook,
        private UnitLines $lines,
        private SiteClock $site,
        private UnitPresenter $units,
        private Assessor $assessor,
    ) {
        $this->foresight = new Foresight($assessor);
    }

    /** @return array<string, Line> by = and the unit, in their order */
    public function all(): array
    {
        /** @var array<string, Line> what was kept has the shape of what is worked out */
        return $this->lines->of('bench '.$this->site->zone()->getName(), $this->line(...));
    }

    /** @return Line */
    private function line(string $id): array
    {
        $timeline = $this->logbook->timeline($id);
        $last = $timeline->lastCheck();
        $point = $last === null
            ? null
            : $this->assessor->family($timeline->instrument->family)->bench()->lastPoint($timeline, $last->at);
        $open = $this->foresight->openRuns($timeline);
        $running = $timeline->runningRuns();
        $started = static fn (Run $run): array => ['id' => $run->id, 'start' => $run->timing->start->format(\DATE_ATOM)];

        return [
            'unit' => $this->units->shown($timeline, $open, $running),
            'lastCheck' => $last === null ? null : [
                'id' => $last->id,
                'at' => $last->at->format(\DATE_ATOM),
                'reference' => $last->reference,
                'when' => SiteClock::halfDay($last->at),
                'drift' => $point?->check === $last->id ? $point->drift : null,
            ],
            'hold' => array_map($started, $open),
            'running' => array_map($started, $running),
        ];
    }
}
