<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;

/** Where a limit is from, and how sure that is. */
final readonly class Source
{
    public function __construct(public string $words, public SourceMark $mark)
    {
    }
}
