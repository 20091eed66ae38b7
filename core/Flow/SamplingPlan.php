<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/**
 * A plan for a usable answer: how much air must be drawn for a share of the limit to be quantified, whether the method and
 * the shift allow it, how many media that takes one after the other, and what drift of the unit's past would do to it.
 */
final readonly class SamplingPlan
{
    /**
     * @param Figure       $leastVolume  for the wanted share of the limit, L
     * @param Figure       $leastMinutes at the flow, min
     * @param int          $media        one after the other over the shift
     * @param Figure       $volumeEach   of one medium, L
     * @param Figure       $reach        the smallest concentration that one medium can quantify, mg/m³
     * @param Figure|null  $undecided    how far from the limit, in percent of it, the past drift leaves a result undecided
     */
    private function __construct(
        public Figure $leastVolume,
        public Figure $leastMinutes,
        public int $media,
        public Figure $volumeEach,
        public Figure $reach,
        public ?Figure $undecided,
        public PlanConclusion $conclusion,
    ) {
    }

    /**
     * @param Measured    $limit        exposure limit, in mg/m³ or ppm at 25 °C and 101.325 kPa
     * @param Decimal     $share        of the limit that must still be quantified, such as 0.1
     * @param Mass        $quantitation of the laboratory, per medium
     * @param Measured    $flow         of the pump
     * @param Traits|null $method       entry of the library, for its range of volume and flow
     * @param Traits|null $substance    entry of the library, for the molar mass of a limit in ppm
     * @param Figure|null $drift        the most the flow of the unit has ever changed, %
     *
     * @throws UnplannableSample where what was asked makes no plan
     */
    public static function of(
        Measured $limit,
        Decimal $share,
        Mass $quantitation,
        Measured $flow,
        Decimal $shiftMinutes,
        ?Traits $method,
        ?Traits $substance,
        ?Figure $drift,
    ): self {
        $zero = Exact::zero();
        foreach ([
            'limit' => $limit->value->value,
            'share' => $share->value,
            'quantitation' => $quantitation->micrograms(),
            'flow' => $flow->value->value,
            'shiftMinutes' => $shiftMinutes->value,
        ] as $name => $value) {
            if ($value->compareTo($zero) <= 0) {
                throw new UnplannableSample($name, 'must be more than zero.');
            }
        }
        $asked = static fn (string $symbol, string $meaning, Exact $value, Unit $unit): Figure => Figure::read(
            $symbol,
            $meaning,
            $value,
            $unit,
            new Origin('plan', 'plan', 'as asked'),
            Digits::significant($value, 3),
        );
        $limitFigure = self::limit($limit, $substance, $asked);
        $wanted = Real::times($limitFigure->value, $share->value);
        $loq = $asked('LOQ', 'LOQ of the laboratory on one medium', $quantitation->micrograms(), CommonUnit::Microgram);
        $own = new Origin('plan', 'plan', 'as asked');
        $q = Figure::measured(
            'Q',
            'flow',
            $flow,
            CommonUnit::LitrePerMinute,
            $own,
            Digits::significant($flow->in(CommonUnit::LitrePerMinute), 3),
        );
        $shift = $asked('T', 'shift', $shiftMinutes->value, CommonUnit::Minute);
        $least = Figure::derived(
            'V_min',
            \sprintf('least volume for %s of the limit', $share->written),
            $volume = Real::by($loq->value, $wanted),
            CommonUnit::Litre,
            FlowEquation::PlannedVolume,
            ['LOQ' => $loq, 'L' => $limitFigure, 'f' => $asked('f', 'share of the limit', $share->value, CommonUnit::None)],
            Digits::significant($volume, 3),
        );
        $minutes = Figure::derived(
            't_min',
            'time that takes',
            $time = Real::by($volume, $q->value),
            CommonUnit::Minute,
            FlowEquation::PlannedTime,
            ['V_min' => $least, 'Q' => $q],
            Digits::significant($time, 3),
        );
        $total = Real::times($shift->value, $q->value);
        $fewest = $method?->measured('volumeLow');
        $most = $method?->measured('volumeHigh');
        $low = $fewest?->in(CommonUnit::Litre);
        $high = $most?->in(CommonUnit::Litre);
        $media = 1;
        if ($high !== null && $high->compareTo($zero) > 0) {
            // The fewest that each stay within the method.
            $media = max(1, (int) ceil(Real::toFloat(Real::by($total, $high)) - 1e-9));
        }
        $each = Figure::derived(
            'V',
            $media === 1 ? 'volume over the shift' : \sprintf('volume of each of %d media', $media),
            $one = Real::by($total, Exact::of($media)),
            CommonUnit::Litre,
            FlowEquation::VolumeOfMedium,
            ['Q' => $q, 'T' => $shift, 'n' => $asked('n', 'media', Exact::of($media), CommonUnit::None)],
            Digits::significant($one, 3),
        );
        $reach = Figure::derived(
            'c_min',
            'smallest concentration that can be quantified',
            $smallest = Real::by($loq->value, $one),
            CommonUnit::MilligramPerCubicMetre,
            FlowEquation::SmallestConcentration,
            ['LOQ' => $loq, 'V' => $each],
            Digits::significant($smallest, 3),
        );

        $words = [];
        $enough = Real::compare($one, $volume) >= 0;
        $words[] = $enough
            ? \sprintf(
                '%s of the limit can be quantified: it takes %s L, and %s draws %s L.',
                self::percent($share),
                $least->shown(),
                $media === 1 ? 'the shift' : 'each medium',
                $each->shown(),
            )
            : \sprintf(
                '%s of the limit cannot be quantified so: it takes %s L, and %s draws only %s L. '
                    .'A higher flow, a longer time or a more sensitive laboratory is needed.',
                self::percent($share),
                $least->shown(),
                $media === 1 ? 'the shift' : 'each medium',
                $each->shown(),
            );
        if ($media > 1) {
            $words[] = \sprintf(
                '%d media one after the other, each for %s min: the method takes at most %s.',
                $media,
                number_format(Real::toFloat($shift->value) / $media, 0, '.', ''),
                $most->words(),
            );
        }
        if ($low !== null && Real::compare($one, $low) < 0) {
            $words[] = \sprintf('The method wants at least %s.', $fewest->words());
        }
        $flows = [$method?->measured('flowLow'), $method?->measured('flowHigh')];
        $flowFits = ($flows[0] === null || Real::compare($q->value, $flows[0]->in(CommonUnit::LitrePerMinute)) >= 0)
            && ($flows[1] === null || Real::compare($q->value, $flows[1]->in(CommonUnit::LitrePerMinute)) <= 0);
        if (!$flowFits) {
            $words[] = \sprintf('The method allows %s to %s.', $flows[0]?->words() ?? '0', $flows[1]?->words() ?? 'any flow');
        }
        $undecided = null;
        if ($drift !== null) {
            $size = $drift->value instanceof Exact ? $drift->value->absolute() : abs($drift->value);
            $undecided = Figure::derived(
                'e',
                'distance from the limit within which drift leaves a result undecided',
                $size,
                CommonUnit::Percent,
                FlowEquation::UndecidedByDrift,
                ['ΔQ' => $drift],
                1,
            );
            $words[] = \sprintf(
                'The flow of this instrument has changed by %s %% at most. '
                    .'If it does so again, a result within %s %% of the limit is undecided.',
                $drift->signed(),
                $undecided->shown(),
            );
        }

        return new self(
            $least,
            $minutes,
            $media,
            $each,
            $reach,
            $undecided,
            new PlanConclusion($enough && $flowFits && ($low === null || Real::compare($one, $low) >= 0), $words),
        );
    }

    /** @param \Closure(string, string, Exact, Unit): Figure $asked */
    private static function limit(Measured $limit, ?Traits $substance, \Closure $asked): Figure
    {
        if ($limit->unit === CommonUnit::MilligramPerCubicMetre || $limit->unit === CommonUnit::MicrogramPerCubicMetre) {
            return $asked('L', 'limit', $limit->in(CommonUnit::MilligramPerCubicMetre), CommonUnit::MilligramPerCubicMetre);
        }
        $molar = $substance?->decimal('molarMass');
        if ($limit->unit !== CommonUnit::PartsPerMillion || $molar === null) {
            throw new UnplannableSample('limit', 'a limit in ppm wants a substance with its molar mass; else give it in mg/m³.');
        }
        $conditions = ReferenceConditions::at('25', '101.325');
        $volume = $conditions->molarVolume(new Air(null, null));
        $ppm = $asked('L', 'limit', $limit->value->value, CommonUnit::PartsPerMillion);
        $value = Real::by($limit->value->value->times($molar->value), $volume->value);

        return Figure::derived(
            'L',
            'limit by mass, at 25 °C and 101.325 kPa',
            $value,
            CommonUnit::MilligramPerCubicMetre,
            SharedEquation::MassConcentration,
            [
                'x' => $ppm,
                'V_m' => $volume,
                'M' => Figure::read(
                    'M',
                    'molar mass',
                    $molar->value,
                    CommonUnit::GramPerMole,
                    new Origin('library', $substance->text('code') ?? '', $substance->text('source') ?? 'library of substances'),
                    $molar->decimals(),
                ),
            ],
            Digits::significant($value, 3),
        );
    }

    private static function percent(Decimal $share): string
    {
        return Digits::trimmed($share->value->times(100), 2).' %';
    }
}
