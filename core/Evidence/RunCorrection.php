<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What was written of a run and was wrong; what is right stands in its place, and both are told ever after. */
final readonly class RunCorrection
{
    /**
     * @param string $what in words: "start"
     * @param string $was  as it was written; empty where nothing was
     * @param string $is   as it was corrected; empty where it was taken back
     */
    public function __construct(
        public string $what,
        public string $was,
        public string $is,
        public string $by,
        public \DateTimeImmutable $at,
        public string $reason,
    ) {
    }
}
