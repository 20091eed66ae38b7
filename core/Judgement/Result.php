<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One quantity of a run in its four answers. */
final readonly class Result
{
    /**
     * @param list<Figure>       $byChecks the answer by every single check response of the bracket: the drift interval
     *                                     runs from the smallest to the largest
     * @param list<LimitOutcome> $outcomes
     * @param list<string>       $notes    what stands beside it, such as what an uncertainty does not include
     * @param Figure|null        $uncertainty expanded, stated beside the result and never merged with drift
     */
    public function __construct(
        public string $key,
        public string $title,
        public Answer $reported,
        public Figure $indicated,
        public ?Figure $pre,
        public ?Figure $post,
        public ?Figure $between,
        public array $byChecks,
        public array $outcomes = [],
        public array $notes = [],
        public ?Figure $uncertainty = null,
    ) {
    }

    /** The answer that is reported; where the policy's choice does not exist, as indicated. */
    public function reportedFigure(): Figure
    {
        return $this->answer($this->reported) ?? $this->indicated;
    }

    public function answer(Answer $answer): ?Figure
    {
        return match ($answer) {
            Answer::Indicated => $this->indicated,
            Answer::Pre => $this->pre,
            Answer::Post => $this->post,
            Answer::Between => $this->between,
        };
    }

    public function lowest(): ?Figure
    {
        return $this->extreme(static fn (float $a, float $b): bool => $a < $b);
    }

    public function highest(): ?Figure
    {
        return $this->extreme(static fn (float $a, float $b): bool => $a > $b);
    }

    /** @param callable(float, float): bool $beats */
    private function extreme(callable $beats): ?Figure
    {
        $found = null;
        foreach ($this->byChecks as $figure) {
            if ($found === null || $beats($figure->toFloat(), $found->toFloat())) {
                $found = $figure;
            }
        }

        return $found;
    }

    /** @param list<LimitOutcome> $outcomes */
    public function against(array $outcomes): self
    {
        return new self($this->key, $this->title, $this->reported, $this->indicated, $this->pre, $this->post, $this->between, $this->byChecks, $outcomes, $this->notes, $this->uncertainty);
    }

    /** @param string $note what the uncertainty does not include */
    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return new self($this->key, $this->title, $this->reported, $this->indicated, $this->pre, $this->post, $this->between, $this->byChecks, $this->outcomes, [...$this->notes, $note], $uncertainty);
    }
}
