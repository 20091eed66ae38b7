<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** The report that a row is from. */
final readonly class ReportedBy
{
    /**
     * @param string       $report     its number
     * @param list<string> $superseded reports whose row this one takes the place of
     */
    public function __construct(
        public string $report,
        public string $laboratory,
        public array $superseded,
    ) {
    }
}
