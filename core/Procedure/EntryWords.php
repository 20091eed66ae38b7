<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What an entry says. */
final readonly class EntryWords
{
    public function __construct(
        public string $label,
        public string $help = '',
    ) {
    }
}
