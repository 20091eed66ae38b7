<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Log\ChannelColumn;
use Footnote\Core\Log\SeriesLog;

/** What a monitor brings home from a run: a log of several channels, or the numbers of its display. */
final readonly class GasRecord implements RunContent, Logged
{
    /** @param array<string, ChannelRecord> $channels by name */
    public function __construct(
        public ?SeriesLog $log,
        public string $logName,
        public array $channels,
        public Air $air,
        public bool $wrapped,
    ) {
    }

    public function log(): ?SeriesLog
    {
        return $this->log;
    }

    public function channel(string $name): ChannelRecord
    {
        return $this->channels[$name] ?? new ChannelRecord($name);
    }

    /** The column of the log that holds a channel. */
    public function column(string $channel): ?int
    {
        foreach ($this->log?->columns() ?? [] as $place => $column) {
            if ($column->kind === ChannelColumn::Reading && $column->channel === $channel) {
                return $place;
            }
        }

        return null;
    }

    public function alarms(): ?int
    {
        foreach ($this->log?->columns() ?? [] as $place => $column) {
            if ($column->kind === ChannelColumn::Alarm) {
                return $place;
            }
        }

        return null;
    }

    public function measured(string $channel): bool
    {
        return $this->column($channel) !== null || ($this->channels[$channel] ?? null)?->hasTotals() === true;
    }
}
