<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** That a check stands in the place of one that was written wrongly: of another reading, another moment or another unit. */
final readonly class InPlaceOf
{
    /**
     * @param string             $check      that it stands in the place of
     * @param string             $instrument that it was written for: another where the check was moved
     * @param \DateTimeImmutable $at     when it was put there
     * @param string             $reason what was wrong
     * @param Provenance         $how    how it is known what is right
     */
    public function __construct(
        public string $check,
        public string $instrument,
        public \DateTimeImmutable $at,
        public string $by,
        public string $reason,
        public Provenance $how,
    ) {
    }
}
