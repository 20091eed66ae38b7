<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/** A unit with a microphone in a calibrator of 114 dB: the room first, then the tone. */
final readonly class CalibratorStandIn implements StandIn
{
    public const DRIFTED = 'drifted';
    public const LOOSE = 'loose-adapter';
    public const WRONG_LEVEL = 'wrong-level';

    /** When the calibrator is switched on, s. */
    public const ON = 10.0;

    private const ROOM = 42.0;
    private const TONE = 114.0;

    public function id(): string
    {
        return 'acoustic-check';
    }

    public function title(): string
    {
        return 'A unit with a microphone in a calibrator';
    }

    public function faults(): array
    {
        return [
            new Fault(self::DRIFTED, 'the microphone has drifted by 0.8 dB', 'noise.drift'),
            new Fault(self::LOOSE, 'the adapter is loose: the tone leaks and wanders', 'noise.drift'),
            new Fault(self::WRONG_LEVEL, 'the calibrator sounds at 94 dB, and nobody sees it', 'noise.drift'),
        ];
    }

    public function lines(\DateTimeImmutable $from, int $seed, ?string $fault): iterable
    {
        [$tone, $noise] = match ($fault) {
            null => [self::TONE, 0.03],
            self::DRIFTED => [self::TONE - 0.8, 0.03],
            self::LOOSE => [self::TONE - 2.6, 0.35],
            self::WRONG_LEVEL => [94.0, 0.03],
            default => throw NoSuchFault::of($this, $fault),
        };
        $sensor = new Sensor(
            '0.1',
            Parameter::own($noise),
            Parameter::own(1.0),
            new WarmUp(Parameter::own(0.2), Parameter::own(300)),
            Parameter::own(0.01),
            Parameter::own(-0.01),
        );
        $course = (new Course(self::ROOM))->then(self::ON, $tone);

        return Printing::of('DM-90', [new StandInChannel('level', 'dB', $sensor, $course)], $from, $seed);
    }
}
