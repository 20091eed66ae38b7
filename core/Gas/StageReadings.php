<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** What a channel read at one stage of a check. */
final readonly class StageReadings
{
    /**
     * @param list<GasRow> $found
     * @param list<GasRow> $left
     */
    public function __construct(
        public array $found,
        public array $left,
        public bool $adjusted,
    ) {
    }
}
