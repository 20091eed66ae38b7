<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

use Brick\Math\BigDecimal;
use Brick\Math\BigNumber;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * An exact number: a fraction of whole numbers. Limits are compared on these, never on binary floats,
 * so that 2.000 to 1.900 is exactly 5 % and 93.6 to 93.9 exactly 0.3.
 */
final readonly class Exact implements \Stringable
{
    private function __construct(private BigRational $value)
    {
    }

    /** @param int|string $number a whole number or a decimal text with a point */
    public static function of(int|string|BigNumber $number): self
    {
        return new self(BigRational::of($number));
    }

    public static function zero(): self
    {
        return new self(BigRational::zero());
    }

    /**
     * The arithmetic mean as a fraction, unrounded.
     *
     * @param non-empty-list<self> $values
     */
    public static function mean(array $values): self
    {
        $sum = BigRational::zero();
        foreach ($values as $value) {
            $sum = $sum->plus($value->value);
        }

        return new self($sum->dividedBy(\count($values)));
    }

    public function plus(self $other): self
    {
        return new self($this->value->plus($other->value));
    }

    public function minus(self $other): self
    {
        return new self($this->value->minus($other->value));
    }

    public function times(self|int $other): self
    {
        return new self($this->value->multipliedBy($other instanceof self ? $other->value : $other));
    }

    public function dividedBy(self|int $other): self
    {
        return new self($this->value->dividedBy($other instanceof self ? $other->value : $other));
    }

    public function negated(): self
    {
        return new self($this->value->negated());
    }

    public function absolute(): self
    {
        return new self($this->value->abs());
    }

    public function compareTo(self $other): int
    {
        return $this->value->compareTo($other->value);
    }

    public function isZero(): bool
    {
        return $this->value->isZero();
    }

    public function toFloat(): float
    {
        // Whole numbers of up to fifteen digits are doubles as they are, so that one division rounds once, as it should.
        [$numerator, $denominator] = [(string) $this->value->getNumerator(), (string) $this->value->getDenominator()];

        return \strlen($numerator) < 16 && \strlen($denominator) < 16 ? (float) $numerator / (float) $denominator : $this->value->toFloat();
    }

    /** The value with the given number of decimals, half away from zero; for showing only. */
    public function rounded(int $decimals): string
    {
        return (string) $this->value->toScale(max(0, $decimals), RoundingMode::HalfUp);
    }

    /** All its decimals where they end, else twelve of them. */
    public function __toString(): string
    {
        try {
            $decimal = $this->value->toBigDecimal();
        } catch (\Brick\Math\Exception\RoundingNecessaryException) {
            $decimal = $this->value->toScale(12, RoundingMode::HalfUp);
        }

        return (string) self::stripped($decimal);
    }

    private static function stripped(BigDecimal $decimal): BigDecimal
    {
        return $decimal->strippedOfTrailingZeros();
    }
}
