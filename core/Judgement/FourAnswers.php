<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Response\Knot;

/**
 * A quantity in its four answers, any of which may be missing, and by every single check response of the bracket.
 *
 * What is worked out of it keeps the four apart: a step is done to each, never to one for all.
 */
final readonly class FourAnswers
{
    /** @param list<Figure> $byChecks */
    public function __construct(
        public ?Figure $indicated,
        public ?Figure $pre,
        public ?Figure $post,
        public ?Figure $between,
        public array $byChecks,
    ) {
    }

    /**
     * By every response of the bracket: the first where the check before showed it, the last as found at the check after.
     *
     * @template K of Knot
     *
     * @param list<K> $knots   in their order in time
     * @param \Closure(K): ?Figure $by      with this response held throughout; null where it cannot be
     * @param \Closure(Figure, ?Figure): ?Figure $between along the bracket, given the answers before and after
     */
    public static function along(?Figure $indicated, array $knots, Bracket $bracket, \Closure $by, \Closure $between): self
    {
        $pre = null;
        $post = null;
        $byChecks = [];
        foreach ($knots as $place => $knot) {
            $figure = $by($knot);
            if ($figure === null) {
                continue;
            }
            $byChecks[] = $figure;
            $pre ??= $place === 0 && $knot->isOf($bracket->pre?->id) ? $figure : null;
            $post = !$knot->isAsLeft() && $knot->isOf($bracket->post?->id) ? $figure : $post;
        }

        return new self($indicated, $pre, $post, $pre === null ? null : $between($pre, $post), $byChecks);
    }

    public static function none(): self
    {
        return new self(null, null, null, null, []);
    }

    /** With one more response that may have held, which widens the drift interval. */
    public function alsoBy(Figure $figure): self
    {
        return new self($this->indicated, $this->pre, $this->post, $this->between, [...$this->byChecks, $figure]);
    }

    public function isEmpty(): bool
    {
        return $this->best() === null;
    }

    /** The one that most evidence stands under; null where there is none. */
    public function best(): ?Figure
    {
        return $this->between ?? $this->pre ?? $this->indicated ?? $this->post;
    }

    /**
     * The next step of a derivation, done to each answer.
     *
     * @param \Closure(Figure): ?Figure $step
     */
    public function each(\Closure $step): self
    {
        // A bound goes through every step of a derivation; no step turns sides.
        $one = static fn (?Figure $figure): ?Figure => $figure === null ? null : $step($figure)?->bounded($figure->known->bound);

        return new self(
            $one($this->indicated),
            $one($this->pre),
            $one($this->post),
            $one($this->between),
            array_values(array_filter(array_map($one, $this->byChecks))),
        );
    }

    /** Where only one side of each is known; null leaves them as they are. */
    public function bounded(?Bound $bound): self
    {
        return $bound === null ? $this : $this->each(static fn (Figure $one): Figure => $one->bounded($bound));
    }

    /**
     * A step over two quantities of the same bracket, each answer with its like.
     *
     * @param \Closure(Figure, Figure): Figure $step
     */
    public function with(self $other, \Closure $step): self
    {
        $both = static fn (?Figure $one, ?Figure $another): ?Figure => $one === null || $another === null
            ? null
            : $step($one, $another)->bounded($one->known->bound ?? $another->known->bound);

        return new self(
            $both($this->indicated, $other->indicated),
            $both($this->pre, $other->pre),
            $both($this->post, $other->post),
            $both($this->between, $other->between),
            array_values(array_filter(array_map($both, $this->byChecks, $other->byChecks))),
        );
    }
}
