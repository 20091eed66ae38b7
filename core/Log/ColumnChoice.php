<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** A kind of column that a unit's log may have, and the channels of the unit that such columns are of. */
final readonly class ColumnChoice
{
    /** @param list<string> $channels none where the kind has none */
    public function __construct(public ColumnKind $kind, public array $channels = [])
    {
    }
}
