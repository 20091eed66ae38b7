<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** Where the readings of a step go. */
final readonly class ReadingsList
{
    /**
     * @param string $name    such as "asFound"
     * @param int    $rows    how many it begins with
     * @param bool   $clocked whether each is read some seconds after something began, which a clock tells
     * @param bool   $eachSet whether each is read at a setting of its own, such as another tone, which a person sets first: none follows by
     *                        itself, and what stood there before says nothing of it
     */
    public function __construct(
        public string $name,
        public int $rows = 1,
        public bool $clocked = false,
        public bool $eachSet = false,
    ) {
    }
}
