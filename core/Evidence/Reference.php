<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Something an instrument is checked against, such as an acoustic calibrator. */
final readonly class Reference
{
    /**
     * @param list<Certificate> $certificates in any order
     * @param list<Recall>      $recalls
     * @param Traits            $traits       what its kind asks of it
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $model,
        public array $certificates,
        public array $recalls = [],
        public Traits $traits = new Traits(),
    ) {
    }

    /** The latest certificate issued by that day, in date or not; of several of one day the one that was added last. */
    public function certificateAt(\DateTimeImmutable $moment): ?Certificate
    {
        $latest = null;
        foreach ($this->certificates as $certificate) {
            if ($certificate->isIssuedBy($moment) && ($latest === null || $certificate->issued >= $latest->issued)) {
                $latest = $certificate;
            }
        }

        return $latest;
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
