<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Quantity\Span;

/** The lines of a stand-in: each channel, once in so many seconds. */
final readonly class Printing
{
    /**
     * @param string               $unit        as its lines call it
     * @param list<StandInChannel> $channels
     * @param \DateTimeImmutable   $from        when it was switched on
     * @param float                $temperature of the air, °C
     */
    public function __construct(
        private string $unit,
        private array $channels,
        private \DateTimeImmutable $from,
        private int $seed,
        private float $temperature = 20.0,
    ) {
    }

    /** @return \Generator<int, Line> without an end, in the order of time */
    public function lines(): \Generator
    {
        for ($second = 0.0;; ++$second) {
            yield from $this->between($second, $second + 1);
        }
    }

    /**
     * What it prints from one moment to before another, s after it was switched on.
     *
     * @return list<Line> in the order of time
     */
    public function between(float $since, float $until): array
    {
        $chance = new Chance($this->seed);
        $lines = [];
        foreach ($this->channels as $place => $channel) {
            for ($turn = (int) ceil(max(0.0, $since) / $channel->every - 1e-9); $turn * $channel->every < $until - 1e-9; ++$turn) {
                $when = $turn * $channel->every;
                $lines[] = [$when, $place, new Line(
                    Span::shift($this->from, $when),
                    $this->unit,
                    $channel->name,
                    $channel->shows($when, $this->temperature, $chance),
                    $channel->in,
                )];
            }
        }
        usort($lines, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_column($lines, 2);
    }
}
