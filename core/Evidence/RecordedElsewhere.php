<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What a record tells of logs and units. */
final readonly class RecordedElsewhere implements Elsewhere
{
    /**
     * @param RunsWithLogs   $runs  of every unit
     * @param list<UnitName> $units every other unit
     */
    public function __construct(private RunsWithLogs $runs = new RunsWithLogs([]), private array $units = [])
    {
    }

    public function withSameLog(Run $run): array
    {
        $own = [];
        $foreign = [];
        foreach ($this->runs->withLog($run->source->origin->sha256 ?? '') as $other) {
            if ($other->id === $run->id) {
                continue;
            }
            if ($other->deployment->instrument === $run->deployment->instrument) {
                $own[] = $other;
            } else {
                $foreign[] = $other;
            }
        }

        return [...$own, ...$foreign];
    }

    public function tellingSerials(Run $run): iterable
    {
        foreach ($this->runs->ofUnit($run->deployment->instrument) as $other) {
            if ($other->id !== $run->id && ($other->source->origin?->serials() ?? []) !== []) {
                yield $other;
            }
        }
    }

    public function units(): array
    {
        return $this->units;
    }
}
