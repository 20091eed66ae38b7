<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Quantity\Span;

/** The lines of a stand-in: every channel, once in so many seconds. */
final class Printing
{
    /**
     * @param list<StandInChannel> $channels
     * @param float                $every       s
     * @param float                $temperature of the air, °C
     *
     * @return \Generator<int, Line>
     */
    public static function of(
        string $unit,
        array $channels,
        \DateTimeImmutable $from,
        int $seed,
        float $every = 1.0,
        float $temperature = 20.0,
    ): \Generator {
        $chance = new Chance($seed);
        for ($turn = 0;; ++$turn) {
            $when = $turn * $every;
            foreach ($channels as $channel) {
                yield new Line(
                    Span::shift($from, $when),
                    $unit,
                    $channel->name,
                    $channel->sensor->shows($when, $channel->course, $temperature, $chance, $channel->name),
                    $channel->in,
                );
            }
        }
    }
}
