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
     * @param list<string>       $causes   why no statement about a limit is robust, whatever its values
     * @param list<array{string, Figure}> $also values that it could have as well, each with what it would take, such as "as sampled"
     * @param list<Altered>      $altered  what was removed, filled in or assumed, with the number without it
     * @param bool               $plain    whether what the unit indicates is a reading of the quantity itself
     * @param string|null        $ceiling  why "at any time" cannot be told from it where it is not crossed; null where it can
     * @param float|null         $perDecade dB that a tenfold of it means, where it is a dose
     * @param Coverage|null      $coverage of a result that speaks of a stated working day
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
        public array $causes = [],
        public array $also = [],
        public array $altered = [],
        public bool $plain = true,
        public ?string $ceiling = null,
        public ?float $perDecade = null,
        public ?Coverage $coverage = null,
    ) {
        if ($indicated === null && $pre === null && $post === null && $between === null) {
            throw new \LogicException('A result has at least one answer.');
        }
    }

    /** @param list<string> $notes */
    public static function of(
        string $key,
        string $title,
        Answer $reported,
        FourAnswers $answers,
        array $notes = [],
        ?string $channel = null,
        bool $worstIsLow = false,
    ): self {
        return new self(
            $key,
            $title,
            $reported,
            $answers->indicated,
            $answers->pre,
            $answers->post,
            $answers->between,
            $answers->byChecks,
            [],
            $notes,
            null,
            $channel,
            $worstIsLow,
        );
    }

    /** The answer that is reported; where the policy's choice does not exist, the nearest that does. */
    public function answers(): FourAnswers
    {
        return new FourAnswers($this->indicated, $this->pre, $this->post, $this->between, $this->byChecks);
    }

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

    /**
     * Every value that it could have by the evidence, each with what it would take.
     *
     * @return list<array{string, Figure}>
     */
    public function values(): array
    {
        $values = [['as reported', $this->reportedFigure()]];
        foreach ([Answer::Pre, Answer::Post, Answer::Between] as $answer) {
            $figure = $this->answer($answer);
            if ($figure !== null) {
                $values[] = [$answer->words(), $figure];
            }
        }
        if ($this->indicated !== null && $this->plain) {
            $values[] = [Answer::Indicated->words(), $this->indicated];
        }
        foreach ($this->byChecks as $figure) {
            $values[] = ['by a check of its bracket', $figure];
        }

        return [...$values, ...$this->also];
    }

    /** The value that it could have by such words; where it has none, what it reports. */
    public function otherwise(string $words): Figure
    {
        foreach ($this->also as [$what, $figure]) {
            if ($what === $words) {
                return $figure;
            }
        }

        return $this->reportedFigure();
    }

    /** The number that it would be without an alteration, named by what was altered; what it reports where it was not. */
    public function without(string $what): Figure
    {
        foreach ($this->altered as $one) {
            if ($one->by->what === $what && $one->otherwise !== null) {
                return $one->otherwise;
            }
        }

        return $this->reportedFigure();
    }

    /** @param list<LimitOutcome> $outcomes */
    public function against(array $outcomes): self
    {
        return $this->with(outcomes: $outcomes);
    }

    /** It states nothing about any limit. */
    public function unstated(): self
    {
        return $this->outcomes === []
            ? $this
            : $this->against(array_map(static fn (LimitOutcome $outcome): LimitOutcome => $outcome->unstated(), $this->outcomes));
    }

    /** @param string ...$causes why no statement about a limit is robust */
    public function doubting(string ...$causes): self
    {
        return $causes === [] ? $this : $this->with(causes: array_values(array_unique([...$this->causes, ...$causes])));
    }

    /** One more value that it could have. */
    public function or(string $words, ?Figure $figure): self
    {
        return $figure === null ? $this : $this->with(also: [...$this->also, [$words, $figure]]);
    }

    /** Something was removed, filled in or assumed. */
    public function altered(Altered ...$altered): self
    {
        return $altered === [] ? $this : $this->with(altered: [...$this->altered, ...array_values($altered)]);
    }

    /** What the unit indicates is no reading of the quantity itself: a display's sum, a nominal flow, a value set right. */
    public function notPlain(): self
    {
        return $this->with(plain: false);
    }

    /** @param string|null $why "at any time" cannot be told from it where the limit is not crossed */
    public function ofMoments(?string $why): self
    {
        return $why === null ? $this : $this->with(ceiling: $why);
    }

    /** @param float $perDecade dB that a tenfold of it means */
    public function asDose(float $perDecade): self
    {
        return $this->with(perDecade: $perDecade);
    }

    public function covering(?Coverage $coverage): self
    {
        return $coverage === null ? $this : $this->with(coverage: $coverage);
    }

    /** With another answer along the bracket. */
    public function lyingBetween(Figure $between): self
    {
        return $this->with(between: $between);
    }

    public function reporting(Answer $answer): self
    {
        return $this->with(reported: $answer);
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
     * @param list<LimitOutcome>|null              $outcomes
     * @param list<string>|null                    $notes
     * @param list<string>|null                    $causes
     * @param list<array{string, Figure}>|null     $also
     * @param list<Altered>|null                   $altered
     */
    private function with(
        ?array $outcomes = null,
        ?array $notes = null,
        ?Figure $uncertainty = null,
        ?Verdict $inherited = null,
        ?Breakdown $breakdown = null,
        ?array $causes = null,
        ?array $also = null,
        ?array $altered = null,
        ?bool $plain = null,
        ?string $ceiling = null,
        ?Answer $reported = null,
        ?float $perDecade = null,
        ?Coverage $coverage = null,
        ?Figure $between = null,
    ): self {
        return new self(
            $this->key,
            $this->title,
            $reported ?? $this->reported,
            $this->indicated,
            $this->pre,
            $this->post,
            $between ?? $this->between,
            $this->byChecks,
            $outcomes ?? $this->outcomes,
            $notes ?? $this->notes,
            $uncertainty ?? $this->uncertainty,
            $this->channel,
            $this->worstIsLow,
            $inherited ?? $this->inherited,
            $breakdown ?? $this->breakdown,
            $causes ?? $this->causes,
            $also ?? $this->also,
            $altered ?? $this->altered,
            $plain ?? $this->plain,
            $ceiling ?? $this->ceiling,
            $perDecade ?? $this->perDecade,
            $coverage ?? $this->coverage,
        );
    }
}
