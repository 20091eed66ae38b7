<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Procedure\Caution;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\ReadingsList;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Procedure\StepWords;

/** The checks of particle counters and dust monitors, step by step. */
final class ParticleProcedures
{
    public const COUNTER = 'counter-check';
    public const SIZES = 'size-calibration';
    public const PHOTOMETER = 'photometer-check';

    public const CELL = 'cell';
    public const FLOW_FOUND = 'flow-found';
    public const FLOW_LEFT = 'flow-left';
    public const BLANK = 'blank';
    public const ZERO_FOUND = 'zero-found';
    public const ZERO_LEFT = 'zero-left';
    public const SPHERES = 'spheres';
    public const PERIOD_SHORT = 'period-short';
    public const PERIOD_BACK = 'period-back';

    /** @return non-empty-list<Procedure> */
    public static function of(Instrument $unit): array
    {
        return $unit->traits->text('kind') === ParticleUnit::PHOTOMETER
            ? [new Procedure(self::PHOTOMETER, 'Zero and flow', [self::clean(), ...self::flow(), ...self::zero(), self::inletOpen()])]
            : [
                new Procedure(
                    self::COUNTER,
                    'Flow and clean air',
                    [self::clean(), self::cell(), ...self::flow(), self::blank($unit), self::inletOpen()],
                ),
                new Procedure(self::SIZES, 'Flow, clean air and spheres', [
                    self::clean(), self::cell(), ...self::flow(), self::blank($unit),
                    new Step(
                        self::PERIOD_SHORT,
                        StepKind::Entries,
                        new StepWords(
                            'Sample period',
                            'For the spheres the period may be made shorter. Write what it was and what it is now.',
                            'It must be put back afterwards.',
                        ),
                        required: false,
                    ),
                    new Step(
                        self::SPHERES,
                        StepKind::Entries,
                        new StepWords(
                            'Spheres',
                            'Choose the lot. Write what was mixed, what was counted, '
                                .'and the size at which half of the spheres are counted.',
                            'The half-count point is where the instrument takes a particle for that size.',
                        ),
                    ),
                    new Step(
                        self::PERIOD_BACK,
                        StepKind::Confirm,
                        new StepWords(
                            'Period put back',
                            'Set the sample period to what it was.',
                            'A period left short makes every later count too small.',
                        ),
                    ),
                    self::inletOpen(),
                ]),
            ];
    }

    private static function clean(): Step
    {
        return new Step(
            'cleaned',
            StepKind::Confirm,
            new StepWords(
                'Clean',
                'Clean and inspect inlet, tube and cell. A brush that comes out bent is thrown away.',
                'Dirt in the cell is counted again and again.',
                new Caution(
                    'Switched off before it is opened: the light of the laser is not seen and blinds. Alcohol burns; '
                        .'gloves, no flame, ventilate.',
                ),
            ),
        );
    }

    private static function cell(): Step
    {
        return new Step(
            self::CELL,
            StepKind::Entries,
            new StepWords(
                'Cell and laser',
                'Write the transmission of the cell and the laser, in percent of nominal.',
                '95 % or more is good, 92 to 93 % will do; below 90 % it is cleaned again.',
            ),
        );
    }

    /** @return list<Step> */
    private static function flow(): array
    {
        return [
            new Step(
                'flow-standard',
                StepKind::Reference,
                new StepWords(
                    'Flow standard',
                    'Choose what the flow is measured with.',
                    'Counts per volume depend on it.',
                ),
                required: false,
            ),
            new Step(
                self::FLOW_FOUND,
                StepKind::Readings,
                new StepWords(
                    'Flow as found',
                    'Measure the flow before anything is adjusted: by the standard, or a volume and its seconds.',
                    'It closes every run since the last check.',
                ),
                readings: new ReadingsList('flowFound', 2),
            ),
            new Step(
                'flow-adjust',
                StepKind::Adjust,
                new StepWords(
                    'Adjust flow',
                    'Adjust where needed, and say whether it was.',
                    'An adjustment changes every later count.',
                ),
                readings: new ReadingsList('flowAdjusted'),
            ),
            new Step(
                self::FLOW_LEFT,
                StepKind::Readings,
                new StepWords(
                    'Flow as left',
                    'Measure it again. With the mark of the float the bench finds the one that gives the wanted flow.',
                    'Where nobody looks, nominal can only be assumed.',
                ),
                onlyAfter: 'flowAdjusted',
                readings: new ReadingsList('flowLeft', 2),
            ),
        ];
    }

    private static function blank(Instrument $unit): Step
    {
        $liquid = $unit->traits->text('kind') === ParticleUnit::LIQUID;

        return new Step(
            self::BLANK,
            StepKind::Readings,
            new StepWords(
                $liquid ? 'Blank' : 'Clean air',
                $liquid
                ? 'Run purified water through it for some minutes and write the counts. Rinse water is not the calibration water.'
                : 'Put the zero filter on, wait, and write the counts of some minutes.',
                'These counts are its own and are taken off.',
            ),
            readings: new ReadingsList('blankFound'),
        );
    }

    /** @return list<Step> */
    private static function zero(): array
    {
        return [
            new Step(
                self::ZERO_FOUND,
                StepKind::Readings,
                new StepWords(
                    'Zero as found',
                    'Put the zero filter on and write what it shows.',
                    'It closes every run since the last check.',
                ),
                readings: new ReadingsList('zeroFound'),
            ),
            new Step(
                'zero-adjust',
                StepKind::Adjust,
                new StepWords(
                    'Adjust zero',
                    'Zero it where needed, and say whether it was.',
                    'An adjustment changes every later reading.',
                ),
                readings: new ReadingsList('zeroAdjusted'),
            ),
            new Step(
                self::ZERO_LEFT,
                StepKind::Readings,
                new StepWords(
                    'Zero as left',
                    'Write what it shows now, the filter still on.',
                    'Where nobody looks, nominal can only be assumed.',
                ),
                onlyAfter: 'zeroAdjusted',
                readings: new ReadingsList('zeroLeft'),
            ),
        ];
    }

    private static function inletOpen(): Step
    {
        return new Step(
            'inlet-open',
            StepKind::Confirm,
            new StepWords(
                'Inlet open',
                'Take the filter and the standard off and open the inlet.',
                'Behind a filter every room is clean.',
            ),
        );
    }
}
