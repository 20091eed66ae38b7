<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** How the lines of a log file are laid out. */
final readonly class LogLayout
{
    /**
     * @param non-empty-string $delimiter one character: "," ";" "|" or tab
     * @param string           $decimal   "." or ","
     * @param int              $skip      lines before the first line of data
     */
    public function __construct(
        public string $delimiter,
        public string $decimal,
        public int $skip,
    ) {
    }
}
