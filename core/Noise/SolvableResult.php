<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\Result;

/** A result together with how it depends on the offset that is taken out. */
final readonly class SolvableResult
{
    /**
     * @param \Closure(float): float                  $function falls as the offset, dB, grows
     * @param \Closure(float, Figure, string): Figure $tips     what puts it on a limit: of an offset, a limit and its meaning
     */
    public function __construct(public Result $result, private \Closure $function, private \Closure $tips)
    {
    }

    /** The offset at which it sits on a limit, as a figure. */
    public function tips(float $offset, Figure $limit, string $meaning): Figure
    {
        return ($this->tips)($offset, $limit, $meaning);
    }

    /**
     * A quantity that follows from this one, answer by answer.
     *
     * @param \Closure(Figure): Figure $step    with its derivation
     * @param \Closure(float): float   $of      its value alone
     * @param \Closure(Figure): Figure $inverse this one where that one is at a limit
     */
    public function leadingTo(string $key, string $title, Answer $reported, \Closure $step, \Closure $of, \Closure $inverse): self
    {
        $made = Result::of($key, $title, $reported, $this->result->answers()->each($step));
        foreach ($this->result->footing->also as [$words, $figure]) {
            $made = $made->or($words, $step($figure)->bounded($figure->known->bound));
        }

        return new self(
            $made,
            fn (float $offset): float => $of($this->at($offset)),
            fn (float $offset, Figure $limit, string $meaning): Figure => $this->tips($offset, $inverse($limit), $meaning),
        );
    }

    /** The value with a constant offset of so many dB taken out. */
    public function at(float $offset): float
    {
        return ($this->function)($offset);
    }

    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return new self($this->result->withUncertainty($uncertainty, $note), $this->function, $this->tips);
    }

    public function altered(Altered ...$altered): self
    {
        return new self($this->result->altered(...$altered), $this->function, $this->tips);
    }

    public function noting(string $note): self
    {
        return new self($this->result->noting($note), $this->function, $this->tips);
    }

    public function or(string $words, ?Figure $figure): self
    {
        return new self($this->result->or($words, $figure), $this->function, $this->tips);
    }

    public function asDose(float $perDecade): self
    {
        return new self($this->result->asDose($perDecade), $this->function, $this->tips);
    }

    public function covering(?Coverage $coverage): self
    {
        return new self($this->result->covering($coverage), $this->function, $this->tips);
    }

    public function ofMoments(?string $why): self
    {
        return new self($this->result->ofMoments($why), $this->function, $this->tips);
    }

    public function between(Figure $between): self
    {
        return new self($this->result->lyingBetween($between), $this->function, $this->tips);
    }
}
