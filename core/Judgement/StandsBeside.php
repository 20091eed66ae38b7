<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;

/** What stands beside a result, and changes nothing of it. */
final readonly class StandsBeside
{
    /**
     * @param list<Sentence> $notes       such as what an uncertainty does not include
     * @param Figure|null    $uncertainty expanded, stated beside the result and never merged with drift
     * @param Breakdown|null $breakdown   the parts that it is made of
     * @param float|null     $perDecade   dB that a tenfold of it means, where it is a dose
     */
    public function __construct(
        public array $notes = [],
        public ?Figure $uncertainty = null,
        public ?Breakdown $breakdown = null,
        public ?float $perDecade = null,
    ) {
    }

    /** @param list<Sentence>|null $notes */
    public function with(?array $notes = null, ?Figure $uncertainty = null, ?Breakdown $breakdown = null, ?float $perDecade = null): self
    {
        return new self(
            $notes ?? $this->notes,
            $uncertainty ?? $this->uncertainty,
            $breakdown ?? $this->breakdown,
            $perDecade ?? $this->perDecade,
        );
    }
}
