<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One quantity of a run in its four answers. */
final readonly class Result
{
    /**
     * @param Figure|null        $indicated null where the unit itself shows nothing of the kind
     * @param list<Figure>       $byChecks the answer by every single check response of the bracket: the drift interval
     *                                     runs from the smallest to the largest
     * @param list<LimitOutcome> $outcomes
     * @param list<string>       $notes    what stands beside it, such as what an uncertainty does not include
     * @param Figure|null        $uncertainty expanded, stated beside the result and never merged with drift
     * @param string|null        $channel  the channel or substance that it belongs to
     * @param Verdict|null       $inherited of a result over several runs: the worst of what it is made of
     * @param bool               $worstIsLow whether the low end is the cautious one, as for a volume
     */
    public function __construct(
        public string $key,
        public string $title,
        public Answer $reported,
        public ?Figure $indicated,
        public ?Figure $pre,
        public ?Figure $post,
        public ?Figure $between,
        public array $byChecks,
        public array $outcomes = [],
        public array $notes = [],
        public ?Figure $uncertainty = null,
        public ?string $channel = null,
        public bool $worstIsLow = false,
        public ?Verdict $inherited = null,
        public ?Breakdown $breakdown = null,
    ) {
        if ($indicated === null && $pre === null && $post === null && $between === null) {
            throw new \LogicException('A result has at least one answer.');
        }
    }

    /** @param list<string> $notes */
    public static function of(string $key, string $title, Answer $reported, FourAnswers $answers, array $notes = [], ?string $channel = null, bool $worstIsLow = false): self
    {
        return new self($key, $title, $reported, $answers->indicated, $answers->pre, $answers->post, $answers->between, $answers->byChecks, [], $notes, null, $channel, $worstIsLow);
    }

    /** The answer that is reported; where the policy's choice does not exist, the nearest that does. */
    public function reportedFigure(): Figure
    {
        $figure = $this->answer($this->reported) ?? $this->indicated ?? $this->pre ?? $this->between ?? $this->post;
        \assert($figure !== null);

        return $figure;
    }

    /** Which answer the reported figure is. */
    public function reportedAnswer(): Answer
    {
        $figure = $this->reportedFigure();
        foreach ([$this->reported, Answer::Indicated, Answer::Pre, Answer::Between, Answer::Post] as $answer) {
            if ($this->answer($answer) === $figure) {
                return $answer;
            }
        }

        return $this->reported;
    }

    public function answer(Answer $answer): ?Figure
    {
        return match ($answer) {
            Answer::Indicated => $this->indicated,
            Answer::Pre => $this->pre,
            Answer::Post => $this->post,
            Answer::Between => $this->between,
            Answer::Cautious => $this->worstIsLow ? $this->lowest() : $this->highest(),
        };
    }

    public function lowest(): ?Figure
    {
        return $this->extreme(array_map(static fn (Figure $figure): Figure => $figure->low(), $this->byChecks), -1);
    }

    public function highest(): ?Figure
    {
        return $this->extreme(array_map(static fn (Figure $figure): Figure => $figure->high(), $this->byChecks), 1);
    }

    /** @param list<Figure> $figures */
    private function extreme(array $figures, int $side): ?Figure
    {
        $found = null;
        foreach ($figures as $figure) {
            if ($found === null || ($figure->toFloat() <=> $found->toFloat()) === $side) {
                $found = $figure;
            }
        }

        return $found;
    }

    /** @param list<LimitOutcome> $outcomes */
    public function against(array $outcomes): self
    {
        return $this->with(outcomes: $outcomes);
    }

    /** @param string $note what the uncertainty does not include */
    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return $this->with(notes: [...$this->notes, $note], uncertainty: $uncertainty);
    }

    /** @param string ...$notes what stands beside it */
    public function noting(string ...$notes): self
    {
        return $this->with(notes: [...$this->notes, ...array_values($notes)]);
    }

    public function brokenDown(Breakdown $breakdown): self
    {
        return $this->with(breakdown: $breakdown);
    }

    public function inheriting(Verdict $worst): self
    {
        return $this->with(inherited: $worst);
    }

    /**
     * @param list<LimitOutcome>|null $outcomes
     * @param list<string>|null       $notes
     */
    private function with(?array $outcomes = null, ?array $notes = null, ?Figure $uncertainty = null, ?Verdict $inherited = null, ?Breakdown $breakdown = null): self
    {
        return new self($this->key, $this->title, $this->reported, $this->indicated, $this->pre, $this->post, $this->between, $this->byChecks, $outcomes ?? $this->outcomes, $notes ?? $this->notes, $uncertainty ?? $this->uncertainty, $this->channel, $this->worstIsLow, $inherited ?? $this->inherited, $breakdown ?? $this->breakdown);
    }
}
