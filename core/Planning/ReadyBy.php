<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;

/**
 * How long a unit takes to be ready, by its procedure and by the sheets of its model. Of several sheets that say it the most cautious
 * counts. What nobody has said is worked out of the procedure, and called an assumption.
 */
final readonly class ReadyBy
{
    /** Hands are on a step so long where nobody has said how long a check takes, min (common practice, from memory). */
    private const STEP = 1;

    /**
     * @param Procedure $procedure with what the sheets add
     */
    public static function of(Procedure $procedure, Sheets $sheets): Readiness
    {
        $soak = 0;
        $waits = 0;
        $hands = 0;
        foreach ($procedure->steps as $step) {
            $minutes = (int) ceil(($step->seconds ?? 0) / 60);
            $soak += $step->id === Step::WARM_UP ? $minutes : 0;
            $waits += $step->id === Step::WARM_UP ? 0 : $minutes;
            $hands += $step->required && $step->kind !== StepKind::Wait ? self::STEP : 0;
        }
        $told = self::said($sheets, static fn (ModelSheet $sheet): ?string => $sheet->minutes());
        $battery = self::said($sheets, static fn (ModelSheet $sheet): ?string => $sheet->batteryHours());
        $charge = self::said($sheets, static fn (ModelSheet $sheet): ?string => $sheet->chargeMinutes());
        // The sheet tells the whole check; what is waited for while it warms up goes on without hands.
        $check = $told === [] ? $waits + $hands : max(1, (int) ceil(max($told)) - $soak);

        return new Readiness(
            $soak,
            max(1, $check),
            $battery === [] ? null : (int) floor(60 * min($battery)),
            $charge === [] ? null : (int) ceil(max($charge)),
            [
                $soak === 0
                    ? 'No warm-up is asked by the procedure.'
                    : \sprintf('Warm-up %d min: the procedure, and the sheet of the model.', $soak),
                $told === []
                    ? \sprintf('Check %d min: assumed, a minute for each step and what is waited for; no sheet of the model says.', $check)
                    : \sprintf('Check %d min: the sheet of the model.', $check),
                $battery === []
                    ? 'How long its battery lasts is not said: it is not looked at.'
                    : \sprintf('Battery %s h: the sheet of the model.', min($battery)),
                $charge === []
                    ? 'How long it charges is not said.'
                    : \sprintf('Charging %d min: the sheet of the model.', (int) ceil(max($charge))),
            ],
            $told === [],
        );
    }

    /**
     * @param \Closure(ModelSheet): ?string $ask
     *
     * @return list<float>
     */
    private static function said(Sheets $sheets, \Closure $ask): array
    {
        $said = [];
        foreach ($sheets->sheets as $sheet) {
            $value = $ask($sheet);
            if ($value !== null) {
                $said[] = (float) $value;
            }
        }

        return $said;
    }
}
