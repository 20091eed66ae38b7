<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What an entry is chosen from, or made of. */
final readonly class Among
{
    /**
     * @param array<array-key, string> $choices value to words
     * @param list<Entry>              $rows    the entries of one row of a table, or of a group
     * @param string                   $of      of a named thing: "reference:thermometer" or "library:sampler"
     */
    public function __construct(
        public array $choices = [],
        public array $rows = [],
        public string $of = '',
    ) {
    }
}
