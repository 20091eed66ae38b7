<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\ChannelColumn;
use Footnote\Core\Log\ColumnChoice;
use Footnote\Core\Noise\LevelColumn;

/** What the columns of logs may hold, by what the unit is. */
final class LogKinds
{
    /** @return non-empty-list<ColumnChoice> */
    public static function ofSound(): array
    {
        return array_map(static fn (LevelColumn $kind): ColumnChoice => new ColumnChoice($kind), LevelColumn::cases());
    }

    /** @return non-empty-list<ColumnChoice> */
    public static function ofChannels(string ...$channels): array
    {
        return [new ColumnChoice(ChannelColumn::Reading, array_values($channels)), new ColumnChoice(ChannelColumn::Alarm)];
    }
}
