<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

/** A row is evidence: the journal binds it, and a change of it behind the application's back is noticed. */
#[\Attribute(\Attribute::TARGET_CLASS)]
final readonly class Bound
{
    /** @param list<string> $apart columns that are worked out, and no evidence */
    public function __construct(public array $apart = [])
    {
    }
}
