<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Procedure\Caution;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\ReadingsList;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Procedure\StepWords;

/** The checks of what draws air, step by step. */
final class FlowProcedures
{
    public const CHECK = 'flow-check';
    public const LOOK = 'flow-look';
    public const MULTI_POINT = 'multi-point';
    public const VERIFICATION = 'verification';
    public const CALIBRATION = 'calibration';

    public const LEAK = 'leak-test';
    public const MEDIUM = 'medium';
    public const REFERENCE = 'reference';
    public const CONDITIONS = 'conditions';
    public const AS_FOUND = 'as-found';
    public const AS_LEFT = 'as-left';
    public const POINTS = 'points';
    public const STANDARD = 'standard';
    public const UNIT_TEMPERATURE = 'temperature';
    public const UNIT_PRESSURE = 'pressure';

    /** @return non-empty-list<Procedure> */
    public static function of(Instrument $unit): array
    {
        return match ($unit->traits->text('kind')) {
            FlowFormat::FIXED => [self::verification(), self::calibration(), self::look()],
            FlowFormat::GAUGE => [self::check(), self::multiPoint(), self::look()],
            default => [self::check(), self::look()],
        };
    }

    private static function check(): Procedure
    {
        return new Procedure(self::CHECK, 'Flow check', [
            new Step(
                Step::WARM_UP,
                StepKind::Wait,
                new StepWords(
                    'Warm up',
                    'Run the pump for a few minutes.',
                    'A cold pump settles while one reads it.',
                ),
                seconds: 300,
            ),
            self::medium(),
            self::leak(),
            self::reference(),
            self::conditions(),
            self::asFound(3),
            self::adjust(),
            self::asLeft(3),
            new Step(
                'device-off',
                StepKind::Confirm,
                new StepWords(
                    'Standard off',
                    'Take the flow standard off and close the line to the sampler again.',
                    'A line left open draws the air of the room behind the sampler.',
                ),
            ),
        ]);
    }

    private static function look(): Procedure
    {
        return new Procedure(self::LOOK, 'Look at the flow during a run', [
            self::reference(),
            self::conditions(),
            self::asFound(1),
            self::adjust(),
            self::asLeft(1),
            new Step(
                'device-off',
                StepKind::Confirm,
                new StepWords(
                    'Standard off',
                    'Take the flow standard off; the run goes on.',
                    'The run goes on through the sampler alone.',
                ),
            ),
        ]);
    }

    private static function multiPoint(): Procedure
    {
        return new Procedure(self::MULTI_POINT, 'Multi-point calibration', [
            self::medium(),
            self::leak(),
            self::reference(),
            self::conditions(),
            new Step(
                'shaft-locked',
                StepKind::Confirm,
                new StepWords(
                    'Voltage set, shaft locked',
                    'Set the voltage and lock its shaft.',
                    'The valve alone walks the flow down; a shaft that turns makes two curves of one.',
                    new Caution(
                        'A high-volume sampler runs on the mains and stands high up: unplug before a hand goes in, secure '
                            .'yourself and the cover.',
                    ),
                ),
            ),
            new Step(
                self::POINTS,
                StepKind::Readings,
                new StepWords(
                    'Points',
                    'Walk the flow down with the valve. At each point read the sampler\'s gauge and both legs of the manometer.',
                    'Five points or more, over the flows the sampler is used at.',
                ),
                readings: new ReadingsList('points', 5, eachSet: true),
            ),
            new Step(
                'valve-open',
                StepKind::Confirm,
                new StepWords(
                    'Valve open again',
                    'Open the valve fully.',
                    'A valve left half shut samples at the last point of the calibration.',
                ),
            ),
            new Step(
                'device-off',
                StepKind::Confirm,
                new StepWords(
                    'Orifice off',
                    'Take the orifice off and put the filter holder back.',
                    'Some samplers are calibrated empty: the filter goes in now.',
                ),
            ),
        ]);
    }

    private static function verification(): Procedure
    {
        return new Procedure(self::VERIFICATION, 'Verification, changes nothing', [
            ...self::fixedBefore(),
            new Step(
                self::AS_FOUND,
                StepKind::Readings,
                new StepWords(
                    'Flow',
                    'Read the flow at the working set-point, the low one and the high one.',
                    'Set-points on either side bracket the working flow.',
                ),
                readings: new ReadingsList('asFound', 3, eachSet: true),
            ),
            ...self::fixedAfter(),
        ]);
    }

    private static function calibration(): Procedure
    {
        return new Procedure(self::CALIBRATION, 'Calibration, adjusts', [
            ...self::fixedBefore(),
            new Step(
                self::AS_FOUND,
                StepKind::Readings,
                new StepWords(
                    'Flow as found',
                    'Read the flow at the working set-point, the low one and the high one, before anything is adjusted.',
                    'This value closes every run since the last check.',
                ),
                readings: new ReadingsList('asFound', 3, eachSet: true),
            ),
            self::adjust(),
            new Step(
                self::AS_LEFT,
                StepKind::Readings,
                new StepWords(
                    'Flow as left',
                    'Read the flow at the three set-points again.',
                    'The next run starts from here.',
                ),
                onlyAfter: 'adjusted',
                readings: new ReadingsList('asLeft', 3, eachSet: true),
            ),
            ...self::fixedAfter(),
        ]);
    }

    /** @return list<Step> */
    private static function fixedBefore(): array
    {
        return [
            new Step(
                'inlet-cleaned',
                StepKind::Confirm,
                new StepWords(
                    'Inlet cleaned',
                    'Clean the inlet and look at the seals.',
                    'What sticks in the inlet is not on the filter.',
                    new Caution(
                        'Mains, height and dust: unplug where the manual says so, secure yourself, gloves for what the inlet '
                            .'has gathered.',
                    ),
                ),
            ),
            new Step(
                self::LEAK,
                StepKind::Entries,
                new StepWords(
                    'Leak test',
                    'Close the inlet and let the vacuum stand. Let it off slowly.',
                    'Let off at once, it tears the filter.',
                ),
            ),
            new Step(
                self::UNIT_TEMPERATURE,
                StepKind::Entries,
                new StepWords(
                    'Temperature',
                    'Compare with the reference in the shade, both given time.',
                    'Flow is worked out from temperature and pressure: they come first.',
                ),
            ),
            new Step(
                self::UNIT_PRESSURE,
                StepKind::Entries,
                new StepWords(
                    'Pressure',
                    'Compare with the reference barometer.',
                    'Flow is worked out from temperature and pressure: they come first.',
                ),
            ),
            self::reference(),
            new Step(
                self::STANDARD,
                StepKind::Entries,
                new StepWords(
                    'At the standard',
                    'Write what the standard wants noted beside its readings: how a manometer rests, its fluid, where a '
                    .'float is read, the humidity behind a film.',
                    'A reading without it is told wrong.',
                ),
                required: false,
            ),
        ];
    }

    /** @return list<Step> */
    private static function fixedAfter(): array
    {
        return [
            new Step(
                'leak-again',
                StepKind::Confirm,
                new StepWords(
                    'Leak test again',
                    'Check for leaks again: something was reseated.',
                    'Reseating a cassette alone moves the result a little.',
                ),
            ),
            new Step(
                'self-test',
                StepKind::Confirm,
                new StepWords(
                    'Self-test',
                    'Let the self-test run to its end.',
                    'It cannot be broken off.',
                ),
            ),
            new Step(
                'device-off',
                StepKind::Confirm,
                new StepWords(
                    'Audit device off',
                    'Take the audit device off the inlet.',
                    'People forget it, and the sampler goes on through the device.',
                ),
            ),
            new Step(
                'sampling-on',
                StepKind::Confirm,
                new StepWords(
                    'Sampling again',
                    'Start sampling again and see that it runs.',
                    'People forget it, and a day is lost.',
                ),
            ),
        ];
    }

    private static function medium(): Step
    {
        return new Step(
            self::MEDIUM,
            StepKind::Entries,
            new StepWords(
                'Medium',
                'Put a spare of the same medium in line, or leave the line empty where the sampler wants that.',
                'A medium holds the flow back: without it the flow is another.',
                new Caution(
                    'A used filter or tube holds what was sampled: lead, dust, solvent. Gloves, and the spare is kept '
                        .'apart from samples.',
                ),
            ),
        );
    }

    private static function leak(): Step
    {
        return new Step(
            self::LEAK,
            StepKind::Entries,
            new StepWords(
                'Leak test',
                'Block the far end of the whole line.',
                'A leak dilutes the sample with air from somewhere else. It comes before the flow, and again after anything was reseated.',
            ),
        );
    }

    private static function reference(): Step
    {
        return new Step(
            self::REFERENCE,
            StepKind::Reference,
            new StepWords(
                'Flow standard',
                'Choose the flow standard.',
                'Each works over its range only: a reading outside it is no reading.',
            ),
        );
    }

    private static function conditions(): Step
    {
        return new Step(
            self::CONDITIONS,
            StepKind::Entries,
            new StepWords(
                'Air',
                'Read temperature and pressure, in the shade, out of the wind, given time.',
                'A flow is a flow at some temperature and pressure.',
            ),
        );
    }

    private static function asFound(int $rows): Step
    {
        return new Step(
            self::AS_FOUND,
            StepKind::Readings,
            new StepWords(
                'As found',
                'Read the flow before anything is touched.',
                'This value closes every run since the last check. Once adjusted, it is gone.',
            ),
            readings: new ReadingsList('asFound', $rows),
        );
    }

    private static function adjust(): Step
    {
        return new Step(
            'adjust',
            StepKind::Adjust,
            new StepWords(
                'Adjust',
                'Set the flow, or leave it as it is.',
                'Restrict the flow behind a float meter, not with its own needle valve.',
            ),
            required: false,
        );
    }

    private static function asLeft(int $rows): Step
    {
        return new Step(
            self::AS_LEFT,
            StepKind::Readings,
            new StepWords(
                'As left',
                'Read the flow again after it was set.',
                'The next run starts from here.',
            ),
            onlyAfter: 'adjusted',
            readings: new ReadingsList('asLeft', $rows),
        );
    }
}
