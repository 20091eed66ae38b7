<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What a plan comes to. */
final readonly class PlanConclusion
{
    /**
     * @param list<string> $words
     */
    public function __construct(
        public bool $usable,
        public array $words,
    ) {
    }
}
