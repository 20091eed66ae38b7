<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;

/** A rule as people cite it: its identifier, what it is about, and where it comes from. */
final readonly class NamedRule
{
    public function __construct(public string $id, public string $title, public string $source, public SourceMark $mark)
    {
    }
}
