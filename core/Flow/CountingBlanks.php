<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** The blanks that count for a substance. */
final readonly class CountingBlanks
{
    /**
     * @param list<BlankMass> $masses      field blanks where there are any, else media blanks
     * @param int             $fieldBlanks how many field blanks the report has for the substance
     */
    public function __construct(
        public array $masses,
        public int $fieldBlanks,
    ) {
    }
}
