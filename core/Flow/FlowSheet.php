<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** Templates of model sheets for samplers. Common practice; the manual stands above it. */
final class FlowSheet
{
    /** @return list<array<string, mixed>> */
    public static function templates(): array
    {
        return [self::fixed(), self::highVolume(), self::pump()];
    }

    /** @return array<string, mixed> */
    private static function fixed(): array
    {
        return [
            'code' => 'template-fixed-sampler',
            'name' => 'Fixed sampler',
            'family' => 'air-sampler',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '60',
            'layOut' => [
                ['what' => 'leak adapter, flow reference on its battery, adapter for the inlet'],
                ['what' => 'reference thermometer and barometer, given time in the shade'],
                ['what' => 'lint-free cloth, brush, grease for the seals, spare cassette'],
            ],
            'steps' => [
                [
                    'code' => 'log-down', 'kind' => 'confirm', 'before' => 'inlet-cleaned',
                    'title' => 'Log since the last visit', 'optional' => true,
                    'instruction' => 'Download the sampler\'s log since the last visit.',
                    'why' => 'It shows what happened between two visits, and is written over.',
                ],
                [
                    'code' => 'site', 'kind' => 'entries', 'before' => 'inlet-cleaned', 'title' => 'Shelter', 'optional' => true,
                    'instruction' => 'Write the temperature of the shelter, numbers of the site, whose reference it is, and who writes.',
                    'why' => 'A shelter that is too warm heats the filter.',
                ],
                [
                    'code' => 'leak-found', 'kind' => 'entries', 'before' => 'inlet-cleaned', 'title' => 'Leak test as found',
                    'instruction' => 'Before anything is cleaned: close the inlet, write what leaks and what is allowed.',
                    'why' => 'Cleaned first, nobody knows whether the last samples leaked.',
                ],
                [
                    'code' => 'sensors', 'kind' => 'entries', 'after' => 'pressure',
                    'title' => 'Constants of the sensors', 'optional' => true,
                    'instruction' => 'Write raw, slope and offset of each sensor before anything is changed, and the operating vacuum.',
                    'why' => 'A vacuum outside of its usual band means a leak or a restriction.',
                ],
                [
                    'code' => 'flows', 'kind' => 'entries', 'after' => 'as-found',
                    'title' => 'Both flows on the display', 'optional' => true,
                    'instruction' => 'Write the total flow and that of the mass-flow controller: they are judged apart. '
                        .'Volumetric or standard: write which the reference showed.',
                    'why' => 'A total that is right may be two wrong parts.',
                ],
                [
                    'code' => 'leak-left', 'kind' => 'entries', 'after' => 'leak-again', 'title' => 'Leak test again, with numbers',
                    'instruction' => 'Everything refitted: write what leaks now.',
                    'why' => 'What was opened may not have closed.',
                ],
            ],
            'writes' => [
                ['step' => 'site', 'label' => 'Shelter', 'unit' => '°C'],
                ['step' => 'site', 'label' => 'Owner of the reference'],
                ['step' => 'site', 'label' => 'Second person'],
                ['step' => 'leak-found', 'label' => 'Leak', 'unit' => 'L/min'],
                ['step' => 'leak-found', 'label' => 'Allowed', 'unit' => 'L/min'],
                ['step' => 'sensors', 'label' => 'Raw, slope, offset'],
                ['step' => 'sensors', 'label' => 'Operating vacuum'],
                ['step' => 'flows', 'label' => 'Total'],
                ['step' => 'flows', 'label' => 'Mass-flow controller'],
                ['step' => 'flows', 'label' => 'Volumetric or standard'],
                ['step' => 'leak-left', 'label' => 'Leak', 'unit' => 'L/min'],
            ],
            'reasons' => [
                ['step' => 'self-test', 'reason' => 'this model has none'],
                ['step' => 'leak-again', 'reason' => 'nothing was reseated'],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function highVolume(): array
    {
        return [
            'code' => 'template-high-volume',
            'name' => 'High-volume sampler with an orifice',
            'family' => 'air-sampler',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '45',
            'layOut' => [
                ['what' => 'orifice with its certificate, tubing, manometer and its fluid'],
                ['what' => 'gaskets, spare brushes, gloves'],
            ],
            'steps' => [
                [
                    'code' => 'seated', 'kind' => 'confirm', 'after' => 'reference', 'in' => 'multi-point', 'title' => 'Orifice seated',
                    'instruction' => 'Cover off, gaskets seen, orifice seated evenly, stopper out.',
                    'why' => 'A gasket that is folded leaks beside the orifice.',
                ],
                [
                    'code' => 'manometer', 'kind' => 'confirm', 'after' => 'reference', 'in' => 'multi-point', 'title' => 'Manometer',
                    'instruction' => 'Valves open, one leg to the air, level; a reading at rest that is not zero is written and '
                        .'subtracted.',
                    'why' => 'Both legs are read, or one twice; afterwards the valves are closed.',
                ],
                [
                    'code' => 'run-in', 'kind' => 'wait', 'after' => 'shaft-locked', 'in' => 'multi-point', 'seconds' => '300',
                    'title' => 'Run in',
                    'instruction' => 'Let it run some minutes before the first point.',
                    'why' => 'A cold motor draws another flow.',
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function pump(): array
    {
        return [
            'code' => 'template-pump',
            'name' => 'Personal sampling pump',
            'family' => 'air-sampler',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '15',
            'layOut' => [
                ['what' => 'flow standard on its battery, tubing, adapter'],
                ['what' => 'the medium of the same lot, or one like it'],
                ['what' => 'thermometer and barometer'],
            ],
            'steps' => [
                [
                    'code' => 'shown', 'kind' => 'entries', 'after' => 'as-found',
                    'title' => 'What the standard showed', 'optional' => true,
                    'instruction' => 'Volumetric or standard flow: write which. A quick standard and a slow pump: both given time, done '
                        .'twice.',
                    'why' => 'A standard litre is no litre of this room.',
                ],
            ],
            'writes' => [['step' => 'shown', 'label' => 'Volumetric or standard'], ['step' => 'shown', 'label' => 'Who wrote']],
            'messages' => [
                ['shows' => 'flow fault', 'means' => 'line pinched, medium too tight, or low battery',
                    'do' => 'free the line, start again, say so'],
            ],
        ];
    }
}
