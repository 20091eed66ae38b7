<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/**
 * A number that remembers: its symbol, value and unit, and either the equation and inputs it was worked out from
 * or the evidence it was read from.
 */
final readonly class Figure
{
    private function __construct(
        public string $symbol,
        public string $meaning,
        public Exact|float $value,
        public Unit $unit,
        public int $decimals,
        public From $from,
        public Known $known = new Known(),
    ) {
    }

    public static function read(string $symbol, string $meaning, Exact|float $value, Unit $unit, Origin $origin, int $decimals = 1): self
    {
        return new self($symbol, $meaning, $value, $unit, $decimals, new From(null, [], $origin));
    }

    /** A value that was read with its unit, told in another one: as it was written, and what that is. */
    public static function measured(string $symbol, string $meaning, Measured $read, Unit $unit, Origin $origin, int $decimals): self
    {
        return self::read($symbol, $meaning, $read->value->value, $read->unit, $origin, max($decimals, $read->value->decimals()))
            ->in($read->in($unit), $unit, $decimals);
    }

    /** @param array<string, Figure> $inputs by the symbol that each stands for in the equation; of a row see {@see Row} */
    public static function derived(
        string $symbol,
        string $meaning,
        Exact|float $value,
        Unit $unit,
        Equation $equation,
        array $inputs,
        int $decimals = 1,
    ): self {
        return new self($symbol, $meaning, $value, $unit, $decimals, new From($equation, $inputs, null));
    }

    /** The same figure, worked out from evidence that is read as a whole: a column of a log. */
    public function citing(Origin $origin): self
    {
        return new self(
            $this->symbol,
            $this->meaning,
            $this->value,
            $this->unit,
            $this->decimals,
            new From($this->from->equation, $this->from->inputs, $origin),
            $this->known,
        );
    }

    /**
     * The same figure where only an interval is known: from the floor to its value. A floor of zero is a "less than".
     */
    public function downTo(Exact|float $floor): self
    {
        return $this->with($this->value, $floor, $this->known->bound);
    }

    /**
     * The same figure; where that which it follows from is only known down to a floor, it is as well.
     *
     * @param \Closure(Exact|float): (Exact|float) $how its floor from the floor of that
     */
    public function downAs(self $that, \Closure $how): self
    {
        return $that->known->floor === null ? $this : $this->downTo($how($that->known->floor));
    }

    /** The same figure where only one side of it is known; null leaves it as it is. */
    public function bounded(?Bound $bound): self
    {
        return $bound === null || $bound === $this->known->bound ? $this : $this->with($this->value, $this->known->floor, $bound);
    }

    /** The same figure told in another unit. */
    public function in(Exact|float $value, Unit $unit, ?int $decimals = null): self
    {
        return $unit === $this->unit ? $this : self::derived(
            $this->symbol,
            $this->meaning,
            $value,
            $unit,
            SharedEquation::SameInUnit,
            ['X' => $this],
            $decimals ?? $this->decimals,
        );
    }

    /** The same figure with another value. */
    public function of(Exact|float $value): self
    {
        return $this->with($value, $this->known->floor, $this->known->bound);
    }

    /** Its lower end as a figure: itself, where it is one number; without end where only "at most" is known. */
    public function low(): self
    {
        return match (true) {
            $this->known->bound === Bound::AtMost => $this->end('lower', -\INF),
            $this->known->floor === null => $this->known->bound === null ? $this : $this->end('lower', $this->value),
            default => $this->end('lower', $this->known->floor),
        };
    }

    /** Its upper end as a figure: itself, where it is one number; without end where only "at least" is known. */
    public function high(): self
    {
        return match (true) {
            $this->known->bound === Bound::AtLeast => $this->end('upper', \INF),
            $this->known->floor === null && $this->known->bound === null => $this,
            default => $this->end('upper', $this->value),
        };
    }

    private function end(string $which, Exact|float $value): self
    {
        return self::derived(
            $this->symbol,
            $which.' end of '.$this->meaning,
            $value,
            $this->unit,
            $which === 'lower' ? SharedEquation::LowerEnd : SharedEquation::UpperEnd,
            ['X' => $this],
            $this->decimals,
        );
    }

    private function with(Exact|float $value, Exact|float|null $floor, ?Bound $bound): self
    {
        return new self(
            $this->symbol,
            $this->meaning,
            $value,
            $this->unit,
            $this->decimals,
            $this->from,
            new Known($floor, $bound),
        );
    }

    /** Whether all that is known is that it is less than its value. */
    public function isLessThan(): bool
    {
        return $this->known->floor !== null && Real::isZero($this->known->floor);
    }

    public function toFloat(): float
    {
        return $this->value instanceof Exact ? $this->value->toFloat() : $this->value;
    }

    /** The value rounded for the page. */
    public function shown(): string
    {
        return $this->interval($this->decimals, $this->rounded($this->decimals));
    }

    /** The value rounded for a sentence, with its sign: "+0.40", "−0.70", "0.00". */
    public function signed(): string
    {
        $shown = $this->shown();

        return match (true) {
            str_starts_with($shown, '-') => '−'.substr($shown, 1),
            (float) $shown === 0.0 => $shown,
            default => '+'.$shown,
        };
    }

    /**
     * The value as it is printed beside a limit: with one digit more, up to four, while its rounding would fall on
     * the other side of the limit or on the limit itself.
     */
    public function shownBeside(Exact $limit): string
    {
        if (!is_finite($this->toFloat())) {
            return $this->shown();
        }
        $side = $this->value instanceof Exact ? $this->value->compareTo($limit) : $this->value <=> $limit->toFloat();
        for ($decimals = $this->decimals; $decimals < $this->decimals + 4; ++$decimals) {
            $shown = $this->rounded($decimals);
            if (Exact::of($shown)->compareTo($limit) === $side) {
                return $this->interval($decimals, $shown);
            }
        }

        return $this->interval($this->decimals + 4, $this->rounded($this->decimals + 4));
    }

    private function interval(int $decimals, string $top): string
    {
        if ($this->known->bound !== null) {
            return $this->known->bound->sign().$top;
        }
        if ($this->known->floor === null) {
            return $top;
        }
        $bottom = $this->low()->rounded($decimals);

        return match (true) {
            $this->isLessThan() => '<'.$top,
            $bottom === $top => $top,
            default => $bottom.' to '.$top,
        };
    }

    private function rounded(int $decimals): string
    {
        if ($this->value instanceof Exact) {
            return $this->value->rounded($decimals);
        }
        if (!is_finite($this->value)) {
            return $this->value < 0 ? '−∞' : '∞';
        }
        $shown = number_format($this->value, $decimals, '.', '');

        return (float) $shown === 0.0 ? ltrim($shown, '-') : $shown;
    }

    /** All digits, for machines and for those who work it out again. */
    public function full(): string
    {
        return $this->value instanceof Exact
            ? (string) $this->value
            : (is_finite($this->value) ? json_encode($this->value, \JSON_THROW_ON_ERROR) : $this->rounded(0));
    }
}
