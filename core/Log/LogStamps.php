<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** How the lines of a log file are stamped. */
final readonly class LogStamps
{
    /**
     * @param list<int>   $places    of the columns that make up the stamp; none: start and step are given
     * @param string|null $dateOrder "ymd", "dmy" or "mdy"; null where the stamp has no date
     * @param float|null  $step      interval, s; null: taken from the stamps
     * @param bool        $atEnd     whether a stamp marks the end of its interval
     */
    public function __construct(
        public array $places,
        public ?string $dateOrder = null,
        public ?float $step = null,
        public bool $atEnd = false,
    ) {
    }
}
