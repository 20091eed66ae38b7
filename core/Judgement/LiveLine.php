<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One line of what a half-done check shows. */
final readonly class LiveLine
{
    /**
     * @param bool|null $kept   whether it keeps its limit; null where it has none
     * @param string    $words  the limit in words
     * @param bool      $signed whether its sign is part of it
     */
    public function __construct(
        public string $label,
        public ?Figure $figure,
        public ?bool $kept = null,
        public string $words = '',
        public bool $signed = false,
    ) {
    }
}
