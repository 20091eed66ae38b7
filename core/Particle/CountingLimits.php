<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Confidence;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Statistics\Poisson;

/**
 * P-1: between what a concentration lies by counting alone, of the sample and of the clean air before and after it, over the
 * same sizes.
 */
final readonly class CountingLimits
{
    /**
     * @param float $low  /cm³
     * @param float $high /cm³
     */
    private function __construct(public float $low, public float $high, private Figure $number)
    {
    }

    /**
     * @param list<string> $sizes   whose columns make up the number
     * @param Exact        $counts  of all of them
     * @param Exact        $minutes sampled
     * @param Figure       $number  that the limits are set around, /cm³
     * @param float        $flow    L/min, where the number does not tell it
     */
    public static function of(array $sizes, Exact $counts, Exact $minutes, Bracket $bracket, Figure $number, float $flow): ?self
    {
        $t = $minutes->toFloat();
        if ($t <= 0.0 || $flow <= 0.0) {
            return null;
        }
        $blank = 0;
        $blankMinutes = 0.0;
        foreach (array_unique([$bracket->pre, $bracket->post], \SORT_REGULAR) as $check) {
            $content = $check?->content;
            $counted = $content instanceof ParticleCheck ? $content->written->decimal('blankMinutes')?->value->toFloat() ?? 0.0 : 0.0;
            if (!$content instanceof ParticleCheck || $counted <= 0.0 || $content->rows('blankFound') === []) {
                continue;
            }
            foreach ($content->rows('blankFound') as $row) {
                if (array_filter($sizes, static fn (string $size): bool => (float) $size === (float) ($row->text('size') ?? '')) !== []) {
                    $blank += (int) ($row->decimal('value')->written ?? '0');
                }
            }
            $blankMinutes += $counted;
        }
        [$low, $high] = Poisson::difference((int) $counts->toFloat(), $t, $blank, $blankMinutes);
        // The flow that the number rests on, which moved along the bracket.
        $net = $counts->toFloat() / $t - ($blankMinutes > 0.0 ? $blank / $blankMinutes : 0.0);
        if ($number->toFloat() > 0.0 && $net > 0.0) {
            $flow = $net / (1000 * $number->toFloat());
        }

        return new self(max(0.0, $low / (1000 * $flow)), max(0.0, $high / (1000 * $flow)), $number);
    }

    public function words(): string
    {
        $shown = static fn (float $value): string => number_format($value, Digits::significant($value, 4), '.', '');

        return \sprintf(
            'By counting alone it lies between %s and %s /cm³ (95 %%, Poisson, sample and background).',
            $shown($this->low),
            $shown($this->high),
        );
    }

    /** Said beside a statement where it reaches the limit. */
    public function against(ExposureLimit $limit): ?Confidence
    {
        $value = $limit->threshold->value->value->toFloat();
        if ($value <= 0.0) {
            return null;
        }
        $ratio = fn (string $symbol, string $meaning, float $end): Figure => Figure::derived(
            $symbol,
            $meaning,
            $end / $value,
            CommonUnit::None,
            ParticleEquation::Concentration,
            [$this->number],
            2,
        );

        return new Confidence(
            $ratio('L', 'lower limit by counting over the limit', $this->low),
            $ratio('U', 'upper limit by counting over the limit', $this->high),
            $this->words(),
            'counting alone reaches the limit',
        );
    }
}
