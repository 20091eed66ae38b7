<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/** A monitor of five channels: clean air, then the mix, clean air, then isobutylene. Each cell takes its own time. */
final readonly class MonitorStandIn implements StandIn
{
    public const POISONED = 'poisoned';
    public const DEAD = 'dead';

    /** When each gas is on, s; what is on a while later is plateau. */
    public const MIX = 30.0;
    public const CLEAN = 330.0;
    public const ISOBUTYLENE = 630.0;

    /** name: unit, resolution, in clean air, in the mix, in isobutylene, seconds to nine tenths */
    private const CELLS = [
        'O2' => ['% vol', '0.1', 20.9, 18.0, 20.9, 15.0],
        'LEL' => ['% LEL', '1', 0.0, 50.0, 0.0, 25.0],
        'CO' => ['ppm', '1', 0.0, 50.0, 0.0, 25.0],
        'H2S' => ['ppm', '1', 0.0, 25.0, 0.0, 30.0],
        'PID' => ['ppm', '0.1', 0.0, 0.0, 100.0, 5.0],
    ];

    public function id(): string
    {
        return 'gas-check';
    }

    public function title(): string
    {
        return 'A gas monitor with its cylinders';
    }

    public function faults(): array
    {
        return [
            new Fault(self::POISONED, 'the cell of carbon monoxide is poisoned and gives half', 'gas.span-drift'),
            new Fault(self::DEAD, 'the cell of carbon monoxide does not answer', 'gas.as-found-large'),
        ];
    }

    public function lines(\DateTimeImmutable $from, int $seed, ?string $fault): iterable
    {
        $gives = match ($fault) {
            null => 1.0,
            self::POISONED => 0.5,
            self::DEAD => 0.0,
            default => throw NoSuchFault::of($this, $fault),
        };
        $channels = [];
        foreach (self::CELLS as $name => [$in, $resolution, $clean, $mix, $isobutylene, $t90]) {
            $sensor = new Sensor(
                $resolution,
                Parameter::own(0.2 * (float) $resolution),
                Parameter::own($t90),
                WarmUp::none(),
                Parameter::own(0.02 * (float) $resolution),
                Parameter::own(0),
            );
            $course = (new Course($clean))
                ->then(self::MIX, $clean + ($name === 'CO' ? $gives : 1.0) * ($mix - $clean))
                ->then(self::CLEAN, $clean)
                ->then(self::ISOBUTYLENE, $isobutylene);
            $channels[] = new StandInChannel($name, $in, $sensor, $course);
        }

        return Printing::of('GM-90', $channels, $from, $seed);
    }
}
