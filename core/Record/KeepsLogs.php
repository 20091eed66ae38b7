<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Log\LogColumnKind;

/** A family whose units keep a log. */
interface KeepsLogs
{
    /** @return non-empty-list<LogColumnKind> what a column of a log may hold */
    public function logColumns(): array;

    /** @return list<string> the names that columns of a unit's log may be of: channels, sizes; none where a column needs none */
    public function logChannels(Instrument $unit): array;
}
