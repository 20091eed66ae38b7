<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** Something that can be wrong with a stand-in, as with what it stands in for. */
final readonly class Fault
{
    /**
     * @param string $words what is wrong, as somebody finds it out
     * @param string $rule  that finds it in a check, where nobody noticed
     */
    public function __construct(public string $id, public string $words, public string $rule)
    {
    }
}
