<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** What a unit was zeroed in. */
final readonly class CleanAir
{
    /**
     * @param string|null $bottle where the zero came from a bottle
     */
    public function __construct(
        public ?ZeroSource $source,
        public ?string $bottle,
    ) {
    }
}
