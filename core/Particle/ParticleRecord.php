<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\ChannelColumn;
use Footnote\Core\Log\SeriesLog;

/** What a counter or a dust monitor brings home: a log, how long each sample was, and the filter weighed beside it. */
final readonly class ParticleRecord implements RunContent, Logged
{
    /** @param Traits|null $substance entry of the library that a dust monitor was held against */
    public function __construct(public ?SeriesLog $log, public string $logName, public Traits $written, public ?Traits $substance)
    {
    }

    public function log(): ?SeriesLog
    {
        return $this->log;
    }

    /** @return array<string, int> columns of counts by size, smallest first */
    public function sizes(): array
    {
        $sizes = [];
        foreach ($this->log?->columns() ?? [] as $place => $column) {
            if ($column->kind === CountColumn::Counts) {
                $sizes[$column->channel] = $place;
            }
        }
        uksort($sizes, static fn (string|int $a, string|int $b): int => (float) $a <=> (float) $b);

        return $sizes;
    }

    public function dust(): ?int
    {
        foreach ($this->log?->columns() ?? [] as $place => $column) {
            if ($column->kind === ChannelColumn::Reading) {
                return $place;
            }
        }

        return null;
    }
}
