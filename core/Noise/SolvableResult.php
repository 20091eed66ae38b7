<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\Result;

/** A result together with how it depends on the offset that is taken out. */
final readonly class SolvableResult
{
    /** @param \Closure(float): float $function falls as the offset, dB, grows */
    public function __construct(public Result $result, private \Closure $function)
    {
    }

    /** The value with a constant offset of so many dB taken out. */
    public function at(float $offset): float
    {
        return ($this->function)($offset);
    }

    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return new self($this->result->withUncertainty($uncertainty, $note), $this->function);
    }

    public function altered(Altered ...$altered): self
    {
        return new self($this->result->altered(...$altered), $this->function);
    }

    public function noting(string $note): self
    {
        return new self($this->result->noting($note), $this->function);
    }

    public function or(string $words, ?Figure $figure): self
    {
        return new self($this->result->or($words, $figure), $this->function);
    }

    public function asDose(float $perDecade): self
    {
        return new self($this->result->asDose($perDecade), $this->function);
    }

    public function covering(?Coverage $coverage): self
    {
        return new self($this->result->covering($coverage), $this->function);
    }

    public function ofMoments(?string $why): self
    {
        return new self($this->result->ofMoments($why), $this->function);
    }

    public function between(Figure $between): self
    {
        return new self($this->result->lyingBetween($between), $this->function);
    }
}
