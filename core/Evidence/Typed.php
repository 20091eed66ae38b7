<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Which answers of a check one person typed. */
final readonly class Typed
{
    /** @param list<string> $fields as the bench names them, with the row where there are rows, such as asFound/0 */
    public function __construct(public string $by, public array $fields)
    {
    }
}
