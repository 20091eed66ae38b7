<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Judgement\Assessor;

/** The bench: every unit with what is open of it, and shifts that several units show alike. */
final readonly class BenchPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Drafts $drafts,
        private Assessor $assessor,
        private UnitPresenter $units,
    ) {
    }

    /** @return array<string, mixed> */
    public function bench(): array
    {
        $units = [];
        $morning = [];
        foreach ($this->logbook->instruments() as $id) {
            $timeline = $this->logbook->timeline($id);
            $last = $timeline->checks() === [] ? null : $timeline->checks()[\count($timeline->checks()) - 1];
            $units[] = [
                ...$this->units->unit($timeline),
                'lastCheck' => $last === null
                    ? null
                    : ['id' => $last->id, 'at' => $last->at->format(\DATE_ATOM), 'reference' => $last->reference],
                'draft' => $this->drafts->headOf($id),
            ];
            if ($last !== null && $last->reference !== null) {
                $points = $this->assessor->family($timeline->instrument->family)->bench()->history($timeline, $last->at)->points;
                $point = $points === [] ? null : $points[\count($points) - 1];
                if ($point !== null && $point->check === $last->id && $point->drift !== null) {
                    $when = $last->at->format('Y-m-d').($last->at->format('H') < 12 ? ' morning' : ' afternoon');
                    $key = $when.' '.$last->reference;
                    $morning[$key] ??= [
                        'reference' => $last->reference,
                        'when' => $when,
                        'family' => $timeline->instrument->family,
                        'drifts' => [],
                    ];
                    $morning[$key]['drifts'][$id] = $point->drift;
                }
            }
        }
        $shifts = [];
        krsort($morning);
        foreach ($morning as ['reference' => $reference, 'when' => $when, 'family' => $family, 'drifts' => $drifts]) {
            $scale = $this->assessor->family($family)->bench()->sharedShift();
            $shift = CommonShift::of($drifts, $scale->near, $scale->least);
            if ($shift !== null) {
                $shifts[] = [
                    'unit' => $scale->unit->value,
                    'reference' => $reference,
                    'when' => $when,
                    'shared' => $shift->shared,
                    'units' => $shift->moved,
                    'own' => array_map(
                        static fn (int|string $unit, float $own): array => ['unit' => (string) $unit, 'own' => $own],
                        array_keys($shift->own),
                        array_values($shift->own),
                    ),
                ];
            }
        }

        return ['units' => $units, 'shifts' => $shifts];
    }
}
