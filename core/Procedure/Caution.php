<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

use Footnote\Core\Derivation\SourceMark;

/** What can hurt somebody at a step, where the hand is. The manual, the site's rules and licensed practice stand above it. */
final readonly class Caution
{
    /** @param SourceMark $mark how far its words were checked against a publication */
    public function __construct(public string $words, public SourceMark $mark = SourceMark::CommonPractice)
    {
    }
}
