<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** C-5: a result over its limit with the one-sided 95 % error of sampling and analysis on either side. */
final readonly class Confidence
{
    public function __construct(public Figure $lower, public Figure $upper, public string $words)
    {
    }
}
