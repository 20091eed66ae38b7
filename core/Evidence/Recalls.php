<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Exact;

/** What was found wrong of a reference, and what is made of it. */
final readonly class Recalls
{
    /**
     * @param list<Recall> $all
     * @param RecallTaken  $taken what is made of a known error
     */
    public function __construct(public array $all = [], private RecallTaken $taken = RecallTaken::Whole)
    {
    }

    /** The same with another taking of their errors. */
    public function taking(RecallTaken $taken): self
    {
        return new self($this->all, $taken);
    }

    public function at(\DateTimeImmutable $moment): ?Recall
    {
        foreach ($this->all as $recall) {
            if ($recall->covers($moment)) {
                return $recall;
            }
        }

        return null;
    }

    /** True value less the certified one at a moment, in the unit that its kind names; null where nothing is to be taken out. */
    public function errorAt(\DateTimeImmutable $moment): ?Exact
    {
        return $this->at($moment)?->errorAt($moment, $this->taken);
    }
}
