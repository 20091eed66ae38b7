<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a timeline is told, and what was worked out of it. */
final readonly class Telling
{
    /**
     * @param string $channel the one channel it is told of; empty: the whole unit
     * @param Memory $memory  of what holds for every run of the unit
     * @param Memory $judging of what was worked out while one run is judged
     */
    public function __construct(
        public string $channel = '',
        public RecallTaken $taken = RecallTaken::Whole,
        public Memory $memory = new Memory(),
        public Memory $judging = new Memory(),
    ) {
    }
}
