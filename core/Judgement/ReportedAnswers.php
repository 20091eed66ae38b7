<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** The four answers of a result, and which of them is reported. */
final readonly class ReportedAnswers
{
    /**
     * @param Figure|null  $indicated  null where the unit itself shows nothing of the kind
     * @param list<Figure> $byChecks   the answer by every single check response of the bracket: the drift interval runs from the
     *                                 smallest to the largest
     * @param bool         $worstIsLow whether the low end is the cautious one, as for a volume
     */
    public function __construct(
        public ?Figure $indicated,
        public ?Figure $pre,
        public ?Figure $post,
        public ?Figure $between,
        public array $byChecks,
        public Answer $reported,
        public bool $worstIsLow = false,
    ) {
        if ($indicated === null && $pre === null && $post === null && $between === null) {
            throw new \LogicException('A result has at least one answer.');
        }
    }

    public static function of(FourAnswers $four, Answer $reported, bool $worstIsLow = false): self
    {
        return new self($four->indicated, $four->pre, $four->post, $four->between, $four->byChecks, $reported, $worstIsLow);
    }

    public function four(): FourAnswers
    {
        return new FourAnswers($this->indicated, $this->pre, $this->post, $this->between, $this->byChecks);
    }

    public function reporting(Answer $reported): self
    {
        return self::of($this->four(), $reported, $this->worstIsLow);
    }

    public function lyingBetween(Figure $between): self
    {
        $four = new FourAnswers($this->indicated, $this->pre, $this->post, $between, $this->byChecks);

        return self::of($four, $this->reported, $this->worstIsLow);
    }

    /** The answer that is reported; where the policy's choice does not exist, the nearest that does. */
    public function figure(): Figure
    {
        $figure = $this->answer($this->reported) ?? $this->indicated ?? $this->pre ?? $this->between ?? $this->post;
        \assert($figure !== null);

        return $figure;
    }

    /** Which answer the reported figure is. */
    public function which(): Answer
    {
        $figure = $this->figure();
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
        return self::extreme(array_map(static fn (Figure $figure): Figure => $figure->low(), $this->byChecks), -1);
    }

    public function highest(): ?Figure
    {
        return self::extreme(array_map(static fn (Figure $figure): Figure => $figure->high(), $this->byChecks), 1);
    }

    /** @param list<Figure> $figures */
    private static function extreme(array $figures, int $side): ?Figure
    {
        $found = null;
        foreach ($figures as $figure) {
            if ($found === null || ($figure->toFloat() <=> $found->toFloat()) === $side) {
                $found = $figure;
            }
        }

        return $found;
    }
}
