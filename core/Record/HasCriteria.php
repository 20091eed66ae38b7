<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Procedure\Entry;

/** A family that measures against criteria of its own, such as how a dose is counted. */
interface HasCriteria
{
    /** @return non-empty-list<Entry> what one holds beside its name and source */
    public function criterion(): array;

    /** Whether a criterion is one of its own. */
    public function knowsCriterion(Fields $criterion): bool;

    public function readCriterion(Fields $criterion): Criterion;
}
