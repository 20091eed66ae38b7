<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** When an entry is asked at all: another one is answered, or answered with one of these values. */
final readonly class EntryCondition
{
    /** @param list<string> $values none: any answer */
    public function __construct(public string $entry, public array $values)
    {
    }
}
