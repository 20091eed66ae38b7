<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** An instrument limit of a policy. */
final readonly class Limit
{
    public function __construct(
        public string $name,
        public Decimal $value,
        public string $unit,
        public Comparator $comparator = Comparator::NotMoreThan,
    ) {
    }

    /** Whether the value keeps the limit, compared exactly where it is exact. */
    public function isKeptBy(Exact|float $value): bool
    {
        return $this->comparator->holds($value instanceof Exact ? $value->compareTo($this->value->value) : $value <=> $this->toFloat());
    }

    /** The same of its size, whatever its sign. */
    public function isKeptBySize(Exact|float $value): bool
    {
        return $this->isKeptBy($value instanceof Exact ? $value->absolute() : abs($value));
    }

    /**
     * Whether each of several keeps it, whatever its sign.
     *
     * @param list<Figure> $figures
     */
    public function isKeptBySizes(array $figures): bool
    {
        foreach ($figures as $figure) {
            if (!$this->isKeptBySize($figure->value)) {
                return false;
            }
        }

        return true;
    }

    public function toFloat(): float
    {
        return $this->value->value->toFloat();
    }

    /** What is allowed, without which side of it is. */
    public function amount(): string
    {
        return trim($this->value->written.' '.(IntervalUnit::tryFrom($this->unit)?->behind($this->value->written) ?? $this->unit));
    }

    public function words(): string
    {
        return $this->comparator->value.' '.$this->amount();
    }
}
