<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/** A pump set for 2 L/min on a flow standard, with the thermometer and the barometer beside it. */
final readonly class PumpStandIn implements StandIn
{
    public const WEAK = 'weak';
    public const WANDERS = 'wanders';

    private const FLOW = 2.0;

    public function id(): string
    {
        return 'flow-check';
    }

    public function title(): string
    {
        return 'A pump on a flow standard';
    }

    public function faults(): array
    {
        return [
            new Fault(self::WEAK, 'the filter is loaded or the line leaks: an eighth of the flow is gone', 'flow.change'),
            new Fault(self::WANDERS, 'its flow wanders from one reading to the next', 'flow.replicates'),
        ];
    }

    public function lines(\DateTimeImmutable $from, int $seed, ?string $fault): iterable
    {
        [$flow, $noise] = match ($fault) {
            null => [self::FLOW, 0.003],
            self::WEAK => [self::FLOW * 7 / 8, 0.003],
            self::WANDERS => [self::FLOW, 0.2],
            default => throw NoSuchFault::of($this, $fault),
        };
        // A cold pump runs slow and settles within minutes.
        $pump = new Sensor(
            '0.001',
            Parameter::own($noise),
            Parameter::own(4),
            new WarmUp(Parameter::own(-0.06), Parameter::own(200)),
            Parameter::own(-0.004),
            Parameter::own(0),
        );

        return Printing::of('PM-90', [
            new StandInChannel('flow', 'L/min', $pump, (new Course(0))->then(2, $flow)),
            new StandInChannel('temperature', '°C', Sensor::steady('0.1', 0.03), new Course(20)),
            new StandInChannel('pressure', 'kPa', Sensor::steady('0.1', 0.01), new Course(100)),
        ], $from, $seed);
    }
}
