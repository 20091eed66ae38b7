<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Log\ColumnKind;

/** A family whose units keep a log. */
interface KeepsLogs
{
    /** @return non-empty-list<ColumnKind> what a column of a log may hold */
    public function logColumns(): array;

    /** @return list<string> the channels, sizes or bands that such columns of a unit's log are of; none where it has no such column */
    public function logChannels(Instrument $unit, ColumnKind $kind): array;
}
