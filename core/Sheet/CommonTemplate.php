<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

/** The template of what is looked at before any check, whatever the unit measures. Common practice. */
final class CommonTemplate
{
    /** @return array<string, mixed> */
    public static function sheet(): array
    {
        return [
            'code' => 'template-before-all',
            'name' => 'Before any check',
            'source' => 'common practice; the manual stands above it',
            'layOut' => [
                ['what' => 'charged battery, or mains: some units refuse an adjustment on a low one'],
                ['what' => 'reference with its certificate, and what fits it to the unit'],
                ['what' => 'manual, pen and sheet'],
            ],
            'steps' => [
                [
                    'code' => 'start-up', 'kind' => 'entries', 'title' => 'Start-up screens', 'optional' => true,
                    'instruction' => 'Switch it on and look: battery, last and next calibration, alarm set-points, sensors found. '
                        .'Write what differs.',
                    'why' => 'What the unit says of itself at the start is said once.',
                ],
                [
                    'code' => 'clock', 'kind' => 'entries', 'title' => 'Clock of the unit', 'optional' => true,
                    'instruction' => 'Hold its clock against true time before anything sets it.',
                    'why' => 'Once it is set, nobody knows how far off the log of the last job was.',
                ],
                [
                    'code' => 'downloaded', 'kind' => 'confirm', 'title' => 'Files downloaded', 'optional' => true,
                    'instruction' => 'Download the files of the last job.',
                    'why' => 'Downloaded, seen to be complete, erased: three things, in that order.',
                ],
                [
                    'code' => 'complete', 'kind' => 'confirm', 'title' => 'Files complete', 'optional' => true,
                    'instruction' => 'See that every file is there and whole: its beginning, its end, its rows.',
                    'why' => 'A memory that is erased first has no second copy.',
                ],
                [
                    'code' => 'erased', 'kind' => 'confirm', 'title' => 'Memory erased', 'optional' => true,
                    'instruction' => 'Erase the memory, only after the files were seen to be complete.',
                    'why' => 'A full memory stops logging, or writes over the beginning.',
                ],
            ],
            'writes' => [
                ['step' => 'start-up', 'label' => 'Battery', 'unit' => '%'],
                ['step' => 'start-up', 'label' => 'What differs'],
                ['step' => 'clock', 'label' => 'Unit shows'],
                ['step' => 'clock', 'label' => 'True time'],
            ],
        ];
    }
}
