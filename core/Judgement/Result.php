<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;

/** One quantity of a run in its four answers. */
final readonly class Result
{
    /**
     * @param string|null        $channel  the channel or substance that it belongs to
     * @param list<LimitOutcome> $outcomes
     */
    public function __construct(
        public string $key,
        public string $title,
        public ?string $channel,
        public ReportedAnswers $answers,
        public array $outcomes = [],
        public Footing $footing = new Footing(),
        public StandsBeside $beside = new StandsBeside(),
    ) {
    }

    /** @param list<string|Sentence> $notes */
    public static function of(
        string $key,
        string $title,
        Answer $reported,
        FourAnswers $answers,
        array $notes = [],
        ?string $channel = null,
        bool $worstIsLow = false,
    ): self {
        $beside = new StandsBeside(Sentence::each($notes));

        return new self($key, $title, $channel, ReportedAnswers::of($answers, $reported, $worstIsLow), beside: $beside);
    }

    public function answers(): FourAnswers
    {
        return $this->answers->four();
    }

    /** The answer that is reported; where the policy's choice does not exist, the nearest that does. */
    public function reportedFigure(): Figure
    {
        return $this->answers->figure();
    }

    /** Which answer the reported figure is. */
    public function reportedAnswer(): Answer
    {
        return $this->answers->which();
    }

    public function answer(Answer $answer): ?Figure
    {
        return $this->answers->answer($answer);
    }

    public function lowest(): ?Figure
    {
        return $this->answers->lowest();
    }

    public function highest(): ?Figure
    {
        return $this->answers->highest();
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
        if ($this->answers->indicated !== null && $this->footing->plain) {
            $values[] = [Answer::Indicated->words(), $this->answers->indicated];
        }
        foreach ($this->answers->byChecks as $figure) {
            $values[] = ['by a check of its bracket', $figure];
        }

        return [...$values, ...$this->footing->also];
    }

    /** The value that it could have by such words; where it has none, what it reports. */
    public function otherwise(string $words): Figure
    {
        foreach ($this->footing->also as [$what, $figure]) {
            if ($what === $words) {
                return $figure;
            }
        }

        return $this->reportedFigure();
    }

    /** The number that it would be without an alteration, named by what was altered; what it reports where it was not. */
    public function without(string $what): Figure
    {
        foreach ($this->footing->altered as $one) {
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
        $all = array_values(array_unique([...$this->footing->causes, ...$causes]));

        return $causes === [] ? $this : $this->with(footing: $this->footing->with(causes: $all));
    }

    /** One more value that it could have. */
    public function or(string $words, ?Figure $figure): self
    {
        return $figure === null
            ? $this
            : $this->with(footing: $this->footing->with(also: [...$this->footing->also, [$words, $figure]]));
    }

    /** Something was removed, filled in or assumed. */
    public function altered(Altered ...$altered): self
    {
        return $altered === []
            ? $this
            : $this->with(footing: $this->footing->with(altered: [...$this->footing->altered, ...array_values($altered)]));
    }

    /** What the unit indicates is no reading of the quantity itself: a display's sum, a nominal flow, a value set right. */
    public function notPlain(): self
    {
        return $this->with(footing: $this->footing->with(plain: false));
    }

    /** @param string|null $why "at any time" cannot be told from it where the limit is not crossed */
    public function ofMoments(?string $why): self
    {
        return $why === null ? $this : $this->with(footing: $this->footing->with(ceiling: $why));
    }

    public function covering(?Coverage $coverage): self
    {
        return $coverage === null ? $this : $this->with(footing: $this->footing->with(coverage: $coverage));
    }

    public function inheriting(Verdict $worst): self
    {
        return $this->with(footing: $this->footing->with(inherited: $worst));
    }

    /** With another answer along the bracket. */
    public function lyingBetween(Figure $between): self
    {
        return $this->with(answers: $this->answers->lyingBetween($between));
    }

    public function reporting(Answer $answer): self
    {
        return $this->with(answers: $this->answers->reporting($answer));
    }

    /** @param float $perDecade dB that a tenfold of it means */
    public function asDose(float $perDecade): self
    {
        return $this->with(beside: $this->beside->with(perDecade: $perDecade));
    }

    /** @param string $note what the uncertainty does not include */
    public function withUncertainty(Figure $uncertainty, string $note): self
    {
        return $this->with(beside: $this->beside->with([...$this->beside->notes, Sentence::of($note)], $uncertainty));
    }

    /** @param string|Sentence ...$notes what stands beside it */
    public function noting(string|Sentence ...$notes): self
    {
        return $this->with(beside: $this->beside->with([...$this->beside->notes, ...Sentence::each($notes)]));
    }

    public function brokenDown(Breakdown $breakdown): self
    {
        return $this->with(beside: $this->beside->with(breakdown: $breakdown));
    }

    /** @param list<LimitOutcome>|null $outcomes */
    private function with(
        ?ReportedAnswers $answers = null,
        ?array $outcomes = null,
        ?Footing $footing = null,
        ?StandsBeside $beside = null,
    ): self {
        return new self(
            $this->key,
            $this->title,
            $this->channel,
            $answers ?? $this->answers,
            $outcomes ?? $this->outcomes,
            $footing ?? $this->footing,
            $beside ?? $this->beside,
        );
    }
}
