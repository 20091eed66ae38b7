<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/**
 * A number that remembers: its symbol, value and unit, and either the equation and inputs it was worked out from
 * or the evidence it was read from.
 */
final readonly class Figure
{
    /** @param list<Figure> $inputs */
    private function __construct(
        public string $symbol,
        public string $meaning,
        public Exact|float $value,
        public Unit $unit,
        public ?Equation $equation,
        public array $inputs,
        public ?Origin $origin,
        public int $decimals,
    ) {
    }

    public static function read(string $symbol, string $meaning, Exact|float $value, Unit $unit, Origin $origin, int $decimals = 1): self
    {
        return new self($symbol, $meaning, $value, $unit, null, [], $origin, $decimals);
    }

    /** @param list<Figure> $inputs */
    public static function derived(string $symbol, string $meaning, Exact|float $value, Unit $unit, Equation $equation, array $inputs, int $decimals = 1): self
    {
        return new self($symbol, $meaning, $value, $unit, $equation, $inputs, null, $decimals);
    }

    public function toFloat(): float
    {
        return $this->value instanceof Exact ? $this->value->toFloat() : $this->value;
    }

    /** The value rounded for the page. */
    public function shown(): string
    {
        return $this->rounded($this->decimals);
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
                return $shown;
            }
        }

        return $this->rounded($this->decimals + 4);
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
        return $this->value instanceof Exact ? (string) $this->value : (is_finite($this->value) ? json_encode($this->value, \JSON_THROW_ON_ERROR) : $this->shown());
    }
}
