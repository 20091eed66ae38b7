<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;

/** A counter for air: its flow on a standard, then counts in ten minutes under its zero filter, summed as it counts. */
final readonly class CounterStandIn implements StandIn
{
    public const LEAKING = 'leaking-filter';
    public const SLOW = 'slow';

    private const SIZES = ['0.3', '0.5', '5.0'];

    public function id(): string
    {
        return 'counter-check';
    }

    public function title(): string
    {
        return 'A particle counter under its zero filter';
    }

    public function faults(): array
    {
        return [
            new Fault(self::LEAKING, 'the zero filter leaks, or the cell is dirty: it counts in clean air', 'particle.background'),
            new Fault(self::SLOW, 'its pump draws a tenth too little', 'particle.flow'),
        ];
    }

    public function lines(\DateTimeImmutable $from, int $seed, ?string $fault): iterable
    {
        [$flow, $counts] = match ($fault) {
            null => [2.83, [1, 0, 0]],
            self::LEAKING => [2.83, [900, 240, 3]],
            self::SLOW => [2.55, [1, 0, 0]],
            default => throw NoSuchFault::of($this, $fault),
        };
        $channels = [new StandInChannel('flow', 'L/min', Sensor::steady('0.01', 0.005), new Course($flow))];
        foreach ($counts as $place => $inTenMinutes) {
            // It shows the sum so far: a step for each particle.
            $course = new Course(0);
            for ($particle = 1; $particle <= $inTenMinutes; ++$particle) {
                $course = $course->then(600 * ($particle - 0.5) / max(1, $inTenMinutes), $particle);
            }
            $channels[] = new StandInChannel(self::SIZES[$place], 'counts', Sensor::steady('1', 0), $course);
        }

        return Printing::of('PC-90', $channels, $from, $seed);
    }
}
