<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** Where the readings of a step go. */
final readonly class ReadingsList
{
    /**
     * @param string $name such as "asFound"
     * @param int    $rows how many it begins with
     */
    public function __construct(public string $name, public int $rows = 1)
    {
    }
}
