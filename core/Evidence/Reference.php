<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Exact;

/** Something an instrument is checked against, such as an acoustic calibrator. */
final readonly class Reference
{
    /**
     * @param list<Certificate> $certificates in any order
     * @param Traits            $traits       what its kind asks of it
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $model,
        public array $certificates,
        public Recalls $recalls = new Recalls(),
        public Traits $traits = new Traits(),
        public Upkeep $upkeep = new Upkeep(),
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
        $recalls = $this->recalls->taking($taken);

        return new self($this->id, $this->kind, $this->model, $this->certificates, $recalls, $this->traits, $this->upkeep);
    }

    /** True value less the certified one at a moment, in the unit that its kind names; null where nothing is to be taken out. */
    public function errorAt(\DateTimeImmutable $moment): ?Exact
    {
        return $this->recalls->errorAt($moment);
    }

    /** Whether a recall with a known error covers a moment. */
    public function isKnownWrongAt(\DateTimeImmutable $moment): bool
    {
        return $this->recalledAt($moment)?->error !== null;
    }

    public function recalledAt(\DateTimeImmutable $moment): ?Recall
    {
        return $this->recalls->at($moment);
    }
}
