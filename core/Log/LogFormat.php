<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** How a log file is written: what its columns are, how they are parted, how its times read. */
final readonly class LogFormat
{
    /**
     * @param array<int, LogColumn> $columns what each used column holds, by its place from 0
     */
    public function __construct(
        public LogLayout $layout,
        public array $columns,
        public LogStamps $stamps,
    ) {
    }
}
