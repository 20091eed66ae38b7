<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** Why a column of a log does not quite fit what is made of it. */
final readonly class Doubt
{
    /** @param list<string> $results keys of what is made of it all the same; none: it is not made */
    public function __construct(public string $words, public array $results)
    {
    }
}
