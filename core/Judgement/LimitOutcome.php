<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Sentence;

/** One result against one limit: what is said of it, and what that rests on. */
final readonly class LimitOutcome
{
    /**
     * @param list<string> $causes    why it is undecided, in words; none where it is decided
     * @param Sentence     $statement the whole of it in one sentence, with what reaches the limit beside it
     */
    public function __construct(
        public ExposureLimit $limit,
        public bool $crossed,
        public Robustness $robustness,
        public TippingPoint $tipping,
        public ?Confidence $confidence,
        public array $causes,
        public Sentence $statement,
    ) {
    }

    /** Where one more value speaks against it. */
    public function undecided(string $cause): self
    {
        return $this->robustness === Robustness::NotKnown ? $this : new self(
            $this->limit,
            $this->crossed,
            Robustness::Undecided,
            $this->tipping,
            $this->confidence,
            [...$this->causes, $cause],
            Sentence::of(\sprintf('Undecided: %s.', implode('; ', [...$this->causes, $cause])), ...$this->statement->figures),
        );
    }

    /** A void result states nothing. */
    public function unstated(): self
    {
        return new self(
            $this->limit,
            $this->crossed,
            Robustness::NotKnown,
            TippingPoint::none('A void result states nothing.'),
            null,
            [],
            Sentence::of('Nothing is stated: the result is void.'),
        );
    }

    /** What stands in a table: exceeded, not exceeded, or undecided with nothing claimed. */
    public function words(): string
    {
        return match ($this->robustness) {
            Robustness::NotKnown => 'nothing is stated',
            default => $this->limit->threshold->comparator->words($this->crossed),
        };
    }
}
