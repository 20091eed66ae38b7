<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What a laboratory found of a substance on a blank. */
final readonly class BlankMass
{
    /**
     * @param string    $kind "field" or "media"
     * @param Mass|null $back of its back section; null where it is not given by section
     */
    public function __construct(public string $medium, public string $kind, public Mass $mass, public ?Mass $back = null)
    {
    }
}
