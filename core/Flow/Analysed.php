<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What a laboratory found on a medium, and who used it. */
final readonly class Analysed
{
    /**
     * @param string|null         $medium   its number
     * @param list<AnalyteResult> $analytes
     * @param list<string>        $users    runs on the same medium; this one among them
     * @param int                 $blanks   field blanks of the campaign
     */
    public function __construct(
        public ?string $medium,
        public array $analytes,
        public array $users,
        public int $blanks,
    ) {
    }
}
