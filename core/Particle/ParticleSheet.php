<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

/** Templates of model sheets for particle counters. Common practice; the manual stands above it. */
final class ParticleSheet
{
    /** @return list<array<string, mixed>> */
    public static function templates(): array
    {
        return [self::liquid(), self::air()];
    }

    /** @return array<string, mixed> */
    private static function liquid(): array
    {
        return [
            'code' => 'template-liquid-counter',
            'name' => 'Counter for liquids',
            'family' => 'particle-counter',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '60',
            'layOut' => [
                ['what' => 'brush, syringe, cleaner by material and for how long, lint-free cloth'],
                ['what' => 'jug with cap, stiff and soft tubing, clamp'],
                ['what' => 'stopwatch, cylinder'],
            ],
            'steps' => [
                [
                    'code' => 'brushed', 'kind' => 'confirm', 'after' => 'cleaned', 'title' => 'Brushed from both ends',
                    'instruction' => 'Brush from both ends, fully in, never by force; cleaner where the brush does not do, brush again; '
                        .'rinse the tubing outside too.',
                    'why' => 'What is left in the cell is counted as a spike.',
                ],
                [
                    'code' => 'overflow', 'kind' => 'confirm', 'after' => 'flow-standard', 'title' => 'Constant head',
                    'instruction' => 'Overflow runs, sight glass half full, jug seated on top. Stop the flow by the clamp, not at the '
                        .'supply.',
                    'why' => 'The head sets the flow: a supply that is touched sets another.',
                ],
                [
                    'code' => 'float', 'kind' => 'entries', 'after' => 'flow-found', 'title' => 'Edge of the float', 'optional' => true,
                    'instruction' => 'Throttle after the flow meter. Read the same edge of the float each time, and write which; '
                        .'look again as the level falls.',
                    'why' => 'Bubbles lift the float; two edges are two flows.',
                ],
            ],
            'writes' => [['step' => 'float', 'label' => 'Edge']],
        ];
    }

    /** @return array<string, mixed> */
    private static function air(): array
    {
        return [
            'code' => 'template-air-counter',
            'name' => 'Counter for air',
            'family' => 'particle-counter',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '25',
            'layOut' => [['what' => 'zero filter, flow standard, inlet as used, lint-free cloth']],
            'steps' => [
                [
                    'code' => 'cap', 'kind' => 'confirm', 'after' => 'flow-left',
                    'title' => 'Cap on for the zero count', 'optional' => true,
                    'instruction' => 'Cap or zero filter on; the inlet as it is used stays for the flow alone.',
                    'why' => 'Flow is that of the inlet as used; zero is that of clean air.',
                ],
            ],
        ];
    }
}
