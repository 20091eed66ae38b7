<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A family whose runs look things up in libraries. */
interface KeepsShelves
{
    /** @return non-empty-list<Shelf> */
    public function shelves(): array;
}
