<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Procedure\Entry;

/** A flow standard of one kind: what is written down at it, and what flow that is. */
interface FlowStandard
{
    /** @return non-empty-list<Entry> the columns of one reading, the first one required */
    public function columns(): array;

    /**
     * The actual flow at the air it was read in, L/min.
     *
     * @throws \Footnote\Core\Flow\Standard\UnreadableFlow    where the reading is incomplete or out of range
     * @throws \Footnote\Core\Air\ConditionsMissing where it cannot be told without temperature and pressure
     */
    public function flow(FlowRow $row, Air $air, Origin $origin): Figure;

    /** What the reading itself says a flow is, before it is told as actual flow: "actual", or at which conditions. */
    public function basis(): string;
}
