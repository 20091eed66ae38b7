<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Procedure\Caution;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\ReadingsList;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Procedure\StepWords;

/** The check of a noise dosimeter or sound level meter with an acoustic calibrator, step by step. */
final class AcousticProcedure
{
    public const WINDSCREEN_OFF = 'windscreen-off';
    public const ADAPTER = 'adapter';
    public const REFERENCE = 'reference';
    public const STEADY = 'steady';
    public const AS_FOUND = 'as-found';
    public const ADJUST = 'adjust';
    public const AS_LEFT = 'as-left';
    public const FURTHER_FOUND = 'further-found';
    public const FURTHER_LEFT = 'further-left';
    public const CALIBRATOR_OFF = 'calibrator-off';
    public const WINDSCREEN_ON = 'windscreen-on';

    /** With room for other levels and frequencies of the calibrator, before and after an adjustment. */
    public static function withFurtherTones(): Procedure
    {
        $steps = [];
        foreach (self::steps()->steps as $step) {
            $steps[] = $step;
            if ($step->id === self::AS_FOUND) {
                $steps[] = new Step(
                    self::FURTHER_FOUND,
                    StepKind::Readings,
                    new StepWords(
                        'Other tones',
                        'Where the calibrator has other levels or frequencies, read them too before anything is adjusted.',
                        'A microphone may drift at one frequency and stand still at another.',
                    ),
                    required: false,
                    readings: new ReadingsList('furtherFound', eachSet: true),
                );
            }
            if ($step->id === self::AS_LEFT) {
                $steps[] = new Step(
                    self::FURTHER_LEFT,
                    StepKind::Readings,
                    new StepWords(
                        'Other tones as left',
                        'Read the other tones again after the adjustment.',
                        'What nobody reads again is not known.',
                    ),
                    required: false,
                    onlyAfter: 'adjusted',
                    readings: new ReadingsList('furtherLeft', eachSet: true),
                );
            }
        }

        return new Procedure('acoustic-check', 'Check with an acoustic calibrator', $steps);
    }

    public static function steps(): Procedure
    {
        return new Procedure('acoustic-check', 'Check with an acoustic calibrator', [
            new Step(
                Step::STOPPED,
                StepKind::Confirm,
                new StepWords(
                    'Stopped',
                    'Stop the instrument: it is out of run mode.',
                    'A tone heard while it runs goes into the exposure.',
                ),
            ),
            new Step(
                self::WINDSCREEN_OFF,
                StepKind::Confirm,
                new StepWords(
                    'Windscreen off',
                    'Take the windscreen off. Leave the protective cap on where the manual says so.',
                    'Foam under the calibrator lets the tone leak.',
                ),
            ),
            new Step(
                self::REFERENCE,
                StepKind::Reference,
                new StepWords(
                    'Calibrator',
                    'Choose the calibrator and the level it is switched to.',
                    'The level at the switch and the level the meter expects must be the same.',
                ),
            ),
            new Step(
                self::ADAPTER,
                StepKind::Confirm,
                new StepWords(
                    'Adapter',
                    'Fit the adapter of the microphone\'s diameter. Seat the calibrator squarely.',
                    'A wrong adapter changes the volume in front of the microphone, and with it the level.',
                ),
            ),
            new Step(
                self::STEADY,
                StepKind::Wait,
                new StepWords(
                    'Steady',
                    'Switch the tone on and wait until the level stands still.',
                    'The first seconds show the seal settling, not the instrument.',
                    new Caution('94 to 114 dB at an open ear does harm: never hold a sounding calibrator to it.'),
                ),
                seconds: 10,
            ),
            new Step(
                self::AS_FOUND,
                StepKind::Readings,
                new StepWords(
                    'As found',
                    'Read the level before anything is adjusted.',
                    'This value closes every run since the last check. Once adjusted, it is gone.',
                ),
                readings: new ReadingsList('asFound'),
            ),
            new Step(
                self::ADJUST,
                StepKind::Adjust,
                new StepWords(
                    'Adjust',
                    'Adjust the instrument, or leave it as it is.',
                    'Not every deviation wants an adjustment: its history is worth more.',
                ),
                required: false,
            ),
            new Step(
                self::AS_LEFT,
                StepKind::Readings,
                new StepWords(
                    'As left',
                    'Read the level again after the adjustment.',
                    'The next run starts from here.',
                ),
                onlyAfter: 'adjusted',
                readings: new ReadingsList('asLeft'),
            ),
            new Step(
                self::CALIBRATOR_OFF,
                StepKind::Confirm,
                new StepWords(
                    'Calibrator off',
                    'Switch the tone off and take the calibrator away with a slight turn.',
                    'A straight pull can suck at the diaphragm.',
                ),
            ),
            new Step(
                self::WINDSCREEN_ON,
                StepKind::Confirm,
                new StepWords(
                    'Windscreen on',
                    'Put the windscreen back on.',
                    'Without it wind and touch are measured.',
                ),
            ),
        ]);
    }
}
