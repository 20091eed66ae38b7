<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Confidence;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Log\Total;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Statistics\Poisson;

/**
 * P-1: between what a concentration lies by counting alone, of the sample and of the clean air before and after it, over the
 * same sizes.
 */
final readonly class CountingLimits
{
    /**
     * @param Figure $low  /cm³
     * @param Figure $high /cm³
     */
    private function __construct(public Figure $low, public Figure $high)
    {
    }

    /**
     * @param list<string> $sizes   whose columns make up the number
     * @param Figure       $counts  of all of them
     * @param Figure       $minutes sampled
     * @param Figure       $number  that the limits are set around, /cm³
     * @param Figure|null  $flow    L/min, where the number does not tell it
     */
    public static function of(array $sizes, Figure $counts, Figure $minutes, Bracket $bracket, Figure $number, ?Figure $flow): ?self
    {
        $t = $minutes->toFloat();
        if ($t <= 0.0 || $flow === null || $flow->toFloat() <= 0.0) {
            return null;
        }
        $blanks = [];
        $times = [];
        foreach (array_unique([$bracket->pre, $bracket->post], \SORT_REGULAR) as $check) {
            $content = $check?->content;
            $counted = $content instanceof ParticleCheck ? $content->written->decimal('blankMinutes') : null;
            if ($check === null
                || !$content instanceof ParticleCheck
                || $counted === null
                || $counted->value->isZero()
                || $content->rows('blankFound') === []) {
                continue;
            }
            $origin = $check->origin('clean');
            foreach ($content->rows('blankFound') as $row) {
                $count = $row->decimal('value');
                $isOf = array_filter($sizes, static fn (string $size): bool => (float) $size === (float) ($row->text('size') ?? '')) !== [];
                if ($isOf && $count !== null) {
                    $blanks[] = Figure::read('B', 'counts in clean air', $count->value, CommonUnit::None, $origin, 0);
                }
            }
            $times[] = Figure::read('t', 'minutes counted', $counted->value, CommonUnit::Minute, $origin, $counted->decimals());
        }
        $blank = Total::of('B', 'counts in clean air, before and after', CommonUnit::None, $blanks);
        $blankMinutes = Total::of('t', 'minutes counted in clean air, before and after', CommonUnit::Minute, $times);
        [$low, $high] = Poisson::difference((int) $counts->toFloat(), $t, (int) $blank->toFloat(), $blankMinutes->toFloat());
        // The flow that the number rests on, which moved along the bracket.
        $background = $times === [] ? $blank : Figure::derived(
            'b',
            'background, before and after',
            Real::by($blank->value, $blankMinutes->value),
            CountUnit::PerMinute,
            ParticleEquation::Background,
            ['B' => $blank, 't' => $blankMinutes],
            2,
        );
        $net = $counts->toFloat() / $t - $background->toFloat();
        if ($number->toFloat() > 0.0 && $net > 0.0) {
            $flow = Figure::derived(
                'Q',
                'flow that the number rests on',
                $net / (1000 * $number->toFloat()),
                CommonUnit::LitrePerMinute,
                ParticleEquation::FlowOfNumber,
                ['N' => $counts, 't' => $minutes, 'b' => $background, 'c' => $number],
                4,
            );
        }
        $inputs = ['N' => $counts, 't' => $minutes, 'Q' => $flow, ...($times === [] ? [] : ['B' => $blank, 't_B' => $blankMinutes])];
        $end = static fn (string $symbol, string $meaning, float $perMinute, ParticleEquation $equation): Figure => Figure::derived(
            $symbol,
            $meaning.' limit by counting alone, 95 %',
            $value = max(0.0, $perMinute / (1000 * $flow->toFloat())),
            CountUnit::PerCubicCentimetre,
            $equation,
            $inputs,
            Digits::significant($value, 4),
        );

        return new self(
            $end('c_low', 'lower', $low, $times === [] ? ParticleEquation::CountingLowAlone : ParticleEquation::CountingLow),
            $end('c_high', 'upper', $high, $times === [] ? ParticleEquation::CountingHighAlone : ParticleEquation::CountingHigh),
        );
    }

    public function words(): Sentence
    {
        return Sentence::of(\sprintf(
            'By counting alone it lies between %s and %s /cm³ (95 %%, Poisson, sample and background).',
            $this->low->shown(),
            $this->high->shown(),
        ), $this->low, $this->high);
    }

    /** Said beside a statement where it reaches the limit. */
    public function against(ExposureLimit $limit): ?Confidence
    {
        $value = $limit->threshold->value->value->toFloat();
        if ($value <= 0.0) {
            return null;
        }
        $ratio = static fn (string $symbol, string $meaning, Figure $end): Figure => Figure::derived(
            $symbol,
            $meaning,
            $end->toFloat() / $value,
            CommonUnit::None,
            SharedEquation::OverLimit,
            ['c' => $end, 'L' => $limit->figure('L', $end->unit)],
            2,
        );

        return new Confidence(
            $ratio('LCL', 'lower limit by counting over the limit', $this->low),
            $ratio('UCL', 'upper limit by counting over the limit', $this->high),
            $this->words()->words,
            'counting alone reaches the limit',
        );
    }
}
