<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

use Brick\Math\BigNumber;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * An exact number: a fraction of whole numbers. Limits are compared on these, never on binary floats,
 * so that 2.000 to 1.900 is exactly 5 % and 93.6 to 93.9 exactly 0.3.
 *
 * Almost every number of the trade fits a fraction of two machine integers, and those are several times as fast; what
 * does not fit is held, and worked out, at any length. Both say the same of every number.
 */
final readonly class Exact implements \Stringable
{
    /** Fractions are brought to lowest terms when one of their numbers has grown beyond this. */
    private const GROWN = 1 << 30;

    /** Whole numbers up to here are doubles as they are. */
    private const DOUBLE = 1 << 53;

    /** Whole numbers of up to this many digits fit a machine integer. */
    private const DIGITS = 18;

    /** Digits that a long division yields in one step, and the largest denominator whose remainders allow it. */
    private const STEP = 6;
    private const DIVISOR = 9_000_000_000_000;

    /** @param BigRational|null $long the number where it does not fit; numerator and denominator (above zero) say nothing then */
    private function __construct(private int $numerator, private int $denominator, private ?BigRational $long = null)
    {
    }

    /** @param int|string $number a whole number or a decimal text with a point */
    public static function of(int|string|BigNumber $number): self
    {
        if (\is_int($number) && $number !== \PHP_INT_MIN) {
            return new self($number, 1);
        }
        if (\is_string($number) && \strlen($number) <= self::DIGITS && preg_match('/^-?\d+(?:\.(\d+))?$/D', $number, $parts) === 1) {
            return new self((int) str_replace('.', '', $number), 10 ** \strlen($parts[1] ?? ''));
        }

        return self::fitted(BigRational::of($number));
    }

    public static function zero(): self
    {
        return new self(0, 1);
    }

    /**
     * The arithmetic mean as a fraction, unrounded.
     *
     * @param non-empty-list<self> $values
     */
    public static function mean(array $values): self
    {
        $sum = self::zero();
        foreach ($values as $value) {
            $sum = $sum->plus($value);
        }

        return $sum->dividedBy(\count($values));
    }

    public function plus(self $other): self
    {
        [$sum, $denominator] = match (0) {
            $this->denominator - $other->denominator => [$this->numerator + $other->numerator, $this->denominator],
            $this->denominator % $other->denominator => [
                $this->numerator + $other->numerator * intdiv($this->denominator, $other->denominator),
                $this->denominator,
            ],
            $other->denominator % $this->denominator => [
                $this->numerator * intdiv($other->denominator, $this->denominator) + $other->numerator,
                $other->denominator,
            ],
            default => [
                $this->numerator * $other->denominator + $other->numerator * $this->denominator,
                $this->denominator * $other->denominator,
            ],
        };

        return $this->made($other, $sum, $denominator) ?? self::fitted($this->long()->plus($other->long()));
    }

    public function minus(self $other): self
    {
        return $this->plus($other->negated());
    }

    public function times(self|int $other): self
    {
        $other = \is_int($other) ? new self($other, 1) : $other;

        return $this->made($other, $this->numerator * $other->numerator, $this->denominator * $other->denominator)
            ?? self::fitted($this->long()->multipliedBy($other->long()));
    }

    public function dividedBy(self|int $other): self
    {
        $other = \is_int($other) ? new self($other, 1) : $other;
        if ($other->isZero()) {
            return self::fitted($this->long()->dividedBy($other->long()));
        }
        $sign = $other->numerator < 0 ? -1 : 1;

        return $this->made($other, $sign * $this->numerator * $other->denominator, $sign * $this->denominator * $other->numerator)
            ?? self::fitted($this->long()->dividedBy($other->long()));
    }

    public function negated(): self
    {
        return $this->long === null && $this->numerator !== \PHP_INT_MIN
            ? new self(-$this->numerator, $this->denominator)
            : self::fitted($this->long()->negated());
    }

    public function absolute(): self
    {
        return $this->compareTo(self::zero()) < 0 ? $this->negated() : $this;
    }

    public function compareTo(self $other): int
    {
        if ($this->long === null && $other->long === null) {
            if ($this->denominator === $other->denominator) {
                return $this->numerator <=> $other->numerator;
            }

            return self::order(
                $this->numerator * $other->denominator,
                $other->numerator * $this->denominator,
            ) ?? $this->long()->compareTo($other->long());
        }

        return $this->long()->compareTo($other->long());
    }

    public function isZero(): bool
    {
        return $this->long === null ? $this->numerator === 0 : $this->long->isZero();
    }

    public function toFloat(): float
    {
        return $this->long === null && abs($this->numerator) <= self::DOUBLE && $this->denominator <= self::DOUBLE
            ? $this->numerator / $this->denominator * 1.0
            : $this->long()->toFloat();
    }

    /** The value with the given number of decimals, half away from zero; for showing only. */
    public function rounded(int $decimals): string
    {
        $decimals = max(0, $decimals);
        $size = abs($this->numerator);
        if ($this->long !== null
            || $this->denominator > self::DIVISOR
            || \strlen((string) intdiv($size, $this->denominator)) + $decimals >= self::DIGITS) {
            return (string) $this->long()->toScale($decimals, RoundingMode::HalfUp);
        }
        $digits = intdiv($size, $this->denominator);
        $rest = $size % $this->denominator;
        for ($left = $decimals; $left > 0; $left -= self::STEP) {
            $scale = 10 ** min($left, self::STEP);
            $digits = $digits * $scale + intdiv($rest * $scale, $this->denominator);
            $rest = $rest * $scale % $this->denominator;
        }
        if (2 * $rest >= $this->denominator) {
            ++$digits;
        }

        return self::written($this->numerator < 0 && $digits !== 0, $digits, $decimals);
    }

    /** All its decimals where they end, else twelve of them. */
    public function __toString(): string
    {
        if ($this->long === null) {
            [, $denominator] = self::lowest($this->numerator, $this->denominator);
            $decimals = 0;
            for (; $denominator % 10 === 0; ++$decimals) {
                $denominator = intdiv($denominator, 10);
            }
            foreach ([2, 5] as $factor) {
                for (; $denominator % $factor === 0; ++$decimals) {
                    $denominator = intdiv($denominator, $factor);
                }
            }
            $written = $this->rounded($denominator === 1 ? $decimals : 12);

            return str_contains($written, '.') ? rtrim(rtrim($written, '0'), '.') : $written;
        }
        try {
            $decimal = $this->long->toBigDecimal();
        } catch (\Brick\Math\Exception\RoundingNecessaryException) {
            $decimal = $this->long->toScale(12, RoundingMode::HalfUp);
        }

        return (string) $decimal->strippedOfTrailingZeros();
    }

    /** The order of two products that integers were to hold; null where one does not fit. */
    private static function order(int|float $left, int|float $right): ?int
    {
        return \is_int($left) && \is_int($right) ? $left <=> $right : null;
    }

    private static function written(bool $negative, int $digits, int $decimals): string
    {
        $text = str_pad((string) $digits, $decimals + 1, '0', \STR_PAD_LEFT);

        return ($negative ? '-' : '').($decimals === 0 ? $text : substr($text, 0, -$decimals).'.'.substr($text, -$decimals));
    }

    /** The fraction of two numbers that integers were to hold; null where one of the three does not fit. */
    private function made(self $other, int|float $numerator, int|float $denominator): ?self
    {
        if ($this->long !== null
            || $other->long !== null
            || !\is_int($numerator)
            || !\is_int($denominator)
            || $numerator === \PHP_INT_MIN) {
            return null;
        }
        if ($denominator > self::GROWN || $numerator > self::GROWN || $numerator < -self::GROWN) {
            [$numerator, $denominator] = self::lowest($numerator, $denominator);
        }

        return new self($numerator, $denominator);
    }

    /** @return array{int, int} */
    private static function lowest(int $numerator, int $denominator): array
    {
        $divisor = $denominator;
        $rest = $numerator;
        while ($rest !== 0) {
            [$divisor, $rest] = [$rest, $divisor % $rest];
        }
        $divisor = abs($divisor);

        return $divisor === 1 ? [$numerator, $denominator] : [intdiv($numerator, $divisor), intdiv($denominator, $divisor)];
    }

    private static function fitted(BigRational $long): self
    {
        $numerator = (string) $long->getNumerator();
        $denominator = (string) $long->getDenominator();

        return \strlen($numerator) <= self::DIGITS && \strlen($denominator) <= self::DIGITS
            ? new self((int) $numerator, (int) $denominator)
            : new self(0, 1, $long);
    }

    private function long(): BigRational
    {
        return $this->long ?? BigRational::ofFraction($this->numerator, $this->denominator);
    }
}
