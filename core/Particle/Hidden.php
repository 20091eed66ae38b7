<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;

/** What a counter did not see since particles passed it together. */
final readonly class Hidden
{
    /**
     * @param Figure|null $loss   at the smallest size, %; null where it cannot be told
     * @param bool        $beyond whether more was counted than any concentration can show
     */
    public function __construct(public ?Figure $loss, public bool $beyond)
    {
    }
}
