<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** A value that is not to be crossed, in its unit. */
final readonly class Threshold
{
    /** @param Decimal|null $basis what its unit is a share of, where that must be said: % vol that 100 % LEL is */
    public function __construct(
        public Decimal $value,
        public string $unit,
        public ExposureComparator $comparator,
        public ?Decimal $basis = null,
    ) {
    }

    /** Such as "≥ 85 dB(A)": where it is crossed. */
    public function words(): string
    {
        return trim(\sprintf('%s %s %s', $this->comparator->sign(), $this->value->written, $this->unit));
    }

    public function at(Decimal $value): self
    {
        return new self($value, $this->unit, $this->comparator, $this->basis);
    }

    public function isCrossedBy(Exact|float $value): bool
    {
        return $this->comparator->holds(
            $value instanceof Exact ? $value->compareTo($this->value->value) : $value <=> $this->value->value->toFloat(),
        );
    }
}
