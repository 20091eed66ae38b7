<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

/** What stands on the label of a report and at the edge of each of its pages. */
final readonly class Imprint
{
    /**
     * @param string               $title  of the report
     * @param array<string, string> $label  lines of the label on the cover: what, and what it is
     * @param string               $digest of all that it says; empty: a draft has none that counts
     * @param string               $square an SVG element that leads to where a stranger sees whether it still stands; empty: none
     * @param string               $head   what every page says above
     * @param string               $foot   what every page says below, beside its number
     */
    public function __construct(
        public string $title,
        public array $label,
        public string $digest,
        public string $square,
        public string $head,
        public string $foot,
        public \DateTimeImmutable $made,
    ) {
    }
}
