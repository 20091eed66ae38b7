<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** A family with simulated instruments. */
interface BringsStandIns
{
    /** @return non-empty-list<StandIn> */
    public function standIns(): array;
}
