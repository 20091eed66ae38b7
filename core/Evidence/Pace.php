<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** When the steps of a check were done, as the bench noted it; none where a sheet of paper was copied, or in older records. */
final readonly class Pace
{
    /**
     * @param array<string, \DateTimeImmutable> $done     when each step was confirmed, by step
     * @param array<string, \DateTimeImmutable> $waits    when the timer of a step was started, by step
     * @param list<list<string>>                $together steps that one press confirmed together
     * @param list<string>                      $round    the units that were checked one after the other on one reference
     */
    public function __construct(
        public array $done = [],
        public array $waits = [],
        public array $together = [],
        public array $round = [],
    ) {
    }

    /** How long a step was waited for, s; null where no timer ran, or where the step was not done after it. */
    public function waited(string $step): ?int
    {
        $from = $this->waits[$step] ?? null;
        $until = $this->done[$step] ?? null;

        return $from === null || $until === null || $until < $from ? null : $until->getTimestamp() - $from->getTimestamp();
    }

    /** From the first step or timer to the last step that was confirmed, s; null where the bench noted fewer than two moments. */
    public function took(): ?int
    {
        $moments = [...array_values($this->done), ...array_values($this->waits)];

        return \count($moments) < 2 ? null : max($moments)->getTimestamp() - min($moments)->getTimestamp();
    }

    /** @return list<string> the other steps that the same press confirmed */
    public function togetherWith(string $step): array
    {
        foreach ($this->together as $steps) {
            if (\in_array($step, $steps, true)) {
                return array_values(array_filter($steps, static fn (string $other): bool => $other !== $step));
            }
        }

        return [];
    }
}
