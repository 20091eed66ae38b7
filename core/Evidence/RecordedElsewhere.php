<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What a record tells of logs and units. */
final readonly class RecordedElsewhere implements Elsewhere
{
    /** @var list<Run> by their start */
    private array $runs;

    /**
     * @param list<Run>      $runs  of every unit
     * @param list<UnitName> $units every other unit
     */
    public function __construct(array $runs = [], private array $units = [])
    {
        usort($runs, Run::inOrder(...));
        $this->runs = $runs;
    }

    public function withSameLog(Run $run): array
    {
        $own = [];
        $foreign = [];
        foreach ($this->runs as $other) {
            if ($other->id === $run->id || $other->source->origin === null
                || $other->source->origin->sha256 !== $run->source->origin?->sha256) {
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
        foreach ($this->runs as $other) {
            if ($other->id !== $run->id
                && $other->deployment->instrument === $run->deployment->instrument
                && ($other->source->origin?->serials() ?? []) !== []) {
                yield $other;
            }
        }
    }

    public function units(): array
    {
        return $this->units;
    }
}
