<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\Exact;

/** A result together with how it depends on the offset that is taken out. */
final readonly class SolvableResult
{
    /** @param \Closure(Exact): (Exact|float) $function falls as the offset grows */
    public function __construct(public Result $result, private \Closure $function)
    {
    }

    /** The value with a constant offset of so many dB taken out. */
    public function at(float $offset): float
    {
        $value = ($this->function)(Exact::of(number_format($offset, 9, '.', '')));

        return $value instanceof Exact ? $value->toFloat() : $value;
    }

    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return new self($this->result->withUncertainty($uncertainty, $note), $this->function);
    }
}
