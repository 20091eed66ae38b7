<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Quantity\Decimal;

/** How a noise dose is summed: criterion level, exchange rate and threshold over a criterion duration of 8 h. */
final readonly class DoseCriterion implements Criterion
{
    public const HOURS = 8.0;

    private const LG2 = 0.30102999566398119521;

    /** @param Decimal|null $threshold null: every level counts */
    public function __construct(
        public string $id,
        public string $name,
        public Decimal $level,
        public Decimal $exchangeRate,
        public ?Decimal $threshold,
        public string $source,
        public SourceMark $mark,
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function q(): float
    {
        return $this->exchangeRate->value->toFloat();
    }

    public function l(): float
    {
        return $this->level->value->toFloat();
    }

    /** q/lg 2: 16.6096 for q 5, 9.9658 for q 3. */
    public function slope(): float
    {
        return $this->q() / self::LG2;
    }

    /** Allowed hours at a level (N-4). */
    public function allowedHours(float $level): float
    {
        return self::HOURS * 2 ** (-($level - $this->l()) / $this->q());
    }

    /** Published TWA from a dose in % (N-5); −∞ for no dose. */
    public function timeWeightedAverage(float $dose): float
    {
        $k = match ($this->q()) {
            5.0 => 16.61,
            3.0 => 10.0,
            default => $this->slope(),
        };

        return $dose > 0.0 ? $this->l() + $k * log10($dose / 100) : -\INF;
    }

    /** L_avg from a dose in % accrued over $hours (N-6). */
    public function averageLevel(float $dose, float $hours): float
    {
        return $dose > 0.0 && $hours > 0.0 ? $this->l() + $this->slope() * log10($dose * self::HOURS / (100 * $hours)) : -\INF;
    }

    /** What a dose known as a total is multiplied by when a constant offset is taken out (N-10). */
    public function factor(float $offset): float
    {
        return 2 ** (-$offset / $this->q());
    }
}
