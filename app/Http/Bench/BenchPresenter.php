<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Retirements;
use Footnote\Core\Judgement\Assessor;

/** The bench: every unit in use, or with something open, with what is open of it, and shifts that several units show alike. */
final readonly class BenchPresenter
{
    public function __construct(
        private UnitLinePresenter $lines,
        private FitnessPresenter $fitness,
        private Drafts $drafts,
        private Assessor $assessor,
        private Retirements $retirements,
    ) {
    }

    /** @return array<string, mixed> */
    public function bench(): array
    {
        $units = [];
        $morning = [];
        $drafts = $this->drafts->heads();
        $fit = $this->fitness->all();
        $retired = $this->retirements->instruments();
        foreach ($this->lines->all() as $key => $line) {
            if (isset($retired[$key]) && !isset($drafts[$key]) && $line['running'] === [] && $line['hold'] === []) {
                continue;
            }
            $last = $line['lastCheck'];
            $units[] = [
                ...$line['unit'],
                'lastCheck' => $last === null ? null : array_intersect_key($last, ['id' => 1, 'at' => 1, 'reference' => 1]),
                'draft' => $drafts[$key] ?? null,
                'fit' => $fit[$key] ?? null,
            ];
            // What a stand-in shows says nothing of a reference.
            $practice = ($line['unit']['practice'] ?? false) === true;
            if (!$practice && $last !== null && $last['reference'] !== null && $last['drift'] !== null) {
                $id = substr($key, 1);
                $together = $last['when'].' '.$last['reference'];
                $morning[$together] ??= [
                    'reference' => $last['reference'],
                    'when' => $last['when'],
                    'family' => \is_string($line['unit']['family'] ?? null) ? $line['unit']['family'] : '',
                    'drifts' => [],
                ];
                $morning[$together]['drifts'][$id] = $last['drift'];
            }
        }
        $shifts = [];
        krsort($morning);
        foreach ($morning as ['reference' => $reference, 'when' => $when, 'family' => $family, 'drifts' => $drifts]) {
            $scale = $this->assessor->family($family)->bench()->sharedShift();
            $shifts[] = SharedShiftLine::of($drifts, $scale, $reference, $when);
        }

        return [
            'units' => $units,
            'shifts' => array_values(array_filter($shifts, \is_array(...))),
            // Where no campaign says by which policy, none is.
            'waiting' => $fit === [] ? 0 : \count(array_filter($units, static fn (array $unit): bool => $unit['fit'] === null)),
        ];
    }
}
