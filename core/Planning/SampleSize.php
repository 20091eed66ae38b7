<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Derivation\Figure;

/** Whether a sample gives a usable answer, and what that takes. */
final readonly class SampleSize
{
    /**
     * @param list<string> $words what it comes to, the answer first
     * @param list<Figure> $lines
     */
    public function __construct(public bool $usable, public int $media, public array $words, public array $lines)
    {
    }
}
