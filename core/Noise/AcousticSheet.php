<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** The template of a model sheet for units with a microphone. Common practice; the manual stands above it. */
final class AcousticSheet
{
    /** @return array<string, mixed> */
    public static function template(): array
    {
        return [
            'code' => 'template-microphone',
            'name' => 'Unit with a microphone and a calibrator',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '6',
            'layOut' => [
                ['what' => 'calibrator, its adapter for this microphone, its battery'],
                ['what' => 'windscreen, clip, spare batteries'],
            ],
            'steps' => [
                [
                    'code' => 'room', 'kind' => 'wait', 'after' => 'windscreen-off', 'seconds' => '600', 'optional' => true,
                    'title' => 'Temperature of the room',
                    'instruction' => 'Calibrator and unit lie in the same room until both have its temperature.',
                    'why' => 'A cold microphone in a warm cavity fogs, and both drift while one reads.',
                ],
                [
                    'code' => 'batteries', 'kind' => 'entries', 'after' => 'adapter', 'title' => 'Batteries', 'optional' => true,
                    'instruction' => 'Write what the calibrator and the unit show of their batteries.',
                    'why' => 'A calibrator on a low battery may still sound, at another level.',
                ],
                [
                    'code' => 'saved', 'kind' => 'confirm', 'after' => 'as-left', 'onlyAdjusted' => true, 'title' => 'Saved',
                    'instruction' => 'See that the unit says that the adjustment is saved.',
                    'why' => 'Leaving the menu without saving throws the adjustment away.',
                ],
                [
                    'code' => 'set-up', 'kind' => 'entries', 'after' => 'calibrator-off',
                    'title' => 'Set-up in the unit', 'optional' => true,
                    'instruction' => 'Write the profiles (criterion, exchange rate, threshold, weighting of each), triggers, timer, '
                        .'and what is kept beside what is shown.',
                    'why' => 'What the display shows is not always what the file keeps.',
                ],
                [
                    'code' => 'file', 'kind' => 'entries', 'after' => 'calibrator-off',
                    'title' => 'Name of the next file', 'optional' => true,
                    'instruction' => 'Name it by job, day and room, and write the name.',
                    'why' => 'A list of files of a day against the list of runs shows which is missing.',
                ],
            ],
            'writes' => [
                ['step' => 'batteries', 'label' => 'Calibrator'],
                ['step' => 'batteries', 'label' => 'Unit'],
                ['step' => 'set-up', 'label' => 'Profiles'],
                ['step' => 'set-up', 'label' => 'Triggers and timer'],
                ['step' => 'file', 'label' => 'File'],
            ],
            'messages' => [
                ['shows' => 'out of range while the calibrator sounds', 'means' => 'loose adapter, wrong level, or damage',
                    'do' => 'seat it again once; then service, it is not adjusted away'],
                ['shows' => 'overload', 'means' => 'a knock, or a level beyond the range', 'do' => 'see that the range is the right one'],
            ],
            'reasons' => [
                ['step' => 'windscreen-off', 'reason' => 'no windscreen on it'],
                ['step' => 'windscreen-on', 'reason' => 'used without a windscreen'],
                ['step' => 'adapter', 'reason' => 'the microphone fits the cavity as it is'],
            ],
        ];
    }
}
