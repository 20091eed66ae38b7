<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** How a log file is written: what its columns are, how they are parted, how its times read. */
final readonly class LogFormat
{
    /**
     * @param non-empty-string      $delimiter  one character: "," ";" "|" or tab
     * @param string                $decimal    "." or ","
     * @param int                   $skip       lines before the first data line
     * @param array<int, LogColumn> $columns    what each used column holds, by its place from 0
     * @param list<int>             $time       places of the columns that make up the stamp; none: start and step are given
     * @param string|null           $dateOrder  "ymd", "dmy" or "mdy"; null where the stamp has no date
     * @param float|null            $step       interval, s; null: taken from the stamps
     * @param bool                  $stampAtEnd whether a stamp marks the end of its interval
     */
    public function __construct(
        public string $delimiter,
        public string $decimal,
        public int $skip,
        public array $columns,
        public array $time,
        public ?string $dateOrder,
        public ?float $step,
        public bool $stampAtEnd,
    ) {
    }
}
