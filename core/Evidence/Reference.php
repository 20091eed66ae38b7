<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Exact;

/** Something an instrument is checked against, such as an acoustic calibrator. */
final readonly class Reference
{
    /**
     * @param list<Certificate> $certificates in any order
     * @param list<Recall>      $recalls
     * @param Traits            $traits       what its kind asks of it
     * @param RecallTaken       $taken        what is made of the known error of a recall
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $model,
        public array $certificates,
        public array $recalls = [],
        public Traits $traits = new Traits(),
        public RecallTaken $taken = RecallTaken::Whole,
    ) {
    }

    /** The latest certificate issued by that day, in date or not; of several of one day the one that was added last. */
    public function certificateAt(\DateTimeImmutable $moment): ?Certificate
    {
        return Certificate::latestBy($moment, $this->certificates);
    }

    /** The same with another taking of the errors of its recalls. */
    public function taking(RecallTaken $taken): self
    {
        return new self($this->id, $this->kind, $this->model, $this->certificates, $this->recalls, $this->traits, $taken);
    }

    /** True value less the certified one at a moment, in the unit that its kind names; null where nothing is to be taken out. */
    public function errorAt(\DateTimeImmutable $moment): ?Exact
    {
        return $this->recalledAt($moment)?->errorAt($moment, $this->taken);
    }

    /** Whether a recall with a known error covers a moment. */
    public function isKnownWrongAt(\DateTimeImmutable $moment): bool
    {
        return $this->recalledAt($moment)?->error !== null;
    }

    public function recalledAt(\DateTimeImmutable $moment): ?Recall
    {
        foreach ($this->recalls as $recall) {
            if ($recall->covers($moment)) {
                return $recall;
            }
        }

        return null;
    }
}
