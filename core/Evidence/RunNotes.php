<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What persons noted of a run. */
final readonly class RunNotes
{
    /**
     * @param list<Remark>     $remarks
     * @param list<Exclusion>  $exclusions  stretches to leave out
     * @param list<Exclusion>  $leftIn      stretches that look like a check, and that a person said stay in
     * @param Declaration|null $declaration that a part of it stands for all of it
     * @param BegunDespite|null $despite    why the unit went out that was not fit to
     * @param list<RunCorrection> $corrections
     * @param Withdrawn|null   $withdrawn   that it was no run
     */
    public function __construct(
        public array $remarks = [],
        public array $exclusions = [],
        public array $leftIn = [],
        public ?Declaration $declaration = null,
        public ?BegunDespite $despite = null,
        public array $corrections = [],
        public ?Withdrawn $withdrawn = null,
    ) {
    }
}
