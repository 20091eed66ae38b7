<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** The template of a model sheet for gas and vapour monitors. Common practice; the manual stands above it. */
final class GasSheet
{
    /** @return array<string, mixed> */
    public static function template(): array
    {
        return [
            'code' => 'template-gas-monitor',
            'name' => 'Gas and vapour monitor with cylinders',
            'family' => 'gas-monitor',
            'source' => 'common practice; the manual stands above it',
            'minutes' => '25',
            'layOut' => [
                ['what' => 'cylinders with date, pressure and the right values'],
                ['what' => 'regulator for the coupling and the unit: demand flow for a pump, fixed flow for diffusion, '
                    .'a T-piece where only a fixed one is there'],
                ['what' => 'cap or cup, tubing of the right bore, adapter'],
                ['what' => 'filters, the inlet filter too'],
            ],
            'steps' => [
                [
                    'code' => 'rating', 'kind' => 'confirm', 'title' => 'Rating', 'optional' => true,
                    'instruction' => 'See that the unit\'s rating for explosive atmospheres is that which the place asks for.',
                    'why' => 'A unit that measures well may still set alight what it measures.',
                ],
                [
                    'code' => 'start-zero', 'kind' => 'entries', 'before' => 'zero-found', 'title' => 'Start-up zero', 'optional' => true,
                    'instruction' => 'Write whether it zeroed itself at the start, and where. Indoors only where somebody knows why: '
                        .'write it.',
                    'why' => 'A unit that zeroed itself in foul air calls it clean all day.',
                ],
                [
                    'code' => 'seals-off', 'kind' => 'confirm', 'after' => 'zero-source',
                    'title' => 'Caps off the filter', 'optional' => true,
                    'instruction' => 'Take both caps off the charcoal or zero filter; put them on again afterwards.',
                    'why' => 'A capped filter starves the pump; an open one is spent by the next day.',
                ],
                [
                    'code' => 'gas-order', 'kind' => 'entries', 'after' => 'mix-bottle',
                    'title' => 'Gas on, in which order', 'optional' => true,
                    'instruction' => 'Demand regulator: connector, then valve, so that the pump does not starve. '
                        .'Fixed flow: valve, then connector. '
                        .'Write which.',
                    'why' => 'Gas reaches the unit before its countdown starts: the tubing takes seconds.',
                ],
                [
                    'code' => 'school', 'kind' => 'entries', 'after' => 'mix-found', 'title' => 'Plateau or seconds', 'optional' => true,
                    'instruction' => 'Write whether the plateau was waited for, or a fixed number of seconds, and how many.',
                    'why' => 'Both are done; who compares two checks must know which.',
                ],
                [
                    'code' => 'lamp', 'kind' => 'entries', 'before' => 'isobutylene-found',
                    'title' => 'Lamp, filter, bag', 'optional' => true,
                    'instruction' => 'Lamp checked by the unit before span, inlet filter on, humidity and its compensation, '
                        .'the span gas by name. '
                        .'A bag is filled, emptied once, filled again.',
                    'why' => 'A dirty lamp spans low; another span gas is another factor. It is not zeroed a second time here.',
                    'caution' => 'What flows past at a T-piece or out of a bag is let out where nobody breathes it.',
                ],
                [
                    'code' => 'slope', 'kind' => 'entries', 'after' => 'saved', 'title' => 'Slope and offset', 'optional' => true,
                    'instruction' => 'Of carbon dioxide and other two-point channels: write slope and offset as shown at the end.',
                    'why' => 'They tell a cell that ages before its reading does.',
                ],
                [
                    'code' => 'said', 'kind' => 'entries', 'after' => 'saved', 'title' => 'What the unit said', 'optional' => true,
                    'instruction' => 'Pass or fail per sensor as the unit said it, and which calibration set is used: own or factory.',
                    'why' => 'A sensor that the unit failed may still have shown a number.',
                ],
                [
                    'code' => 'peaks', 'kind' => 'confirm', 'after' => 'purged',
                    'title' => 'Alarms acknowledged, peaks cleared', 'optional' => true,
                    'instruction' => 'Acknowledge a latched alarm, clear peak, STEL and TWA of the check.',
                    'why' => 'The next reader would take the test gas for the day.',
                ],
                [
                    'code' => 'settings', 'kind' => 'entries', 'after' => 'purged', 'title' => 'Settings that travel', 'optional' => true,
                    'instruction' => 'Write interval, what is logged, what happens when memory is full, alarm set-points, latching, site '
                        .'and user.',
                    'why' => 'The log says what it was told to log.',
                ],
            ],
            'writes' => [
                ['step' => 'gas-order', 'label' => 'Order'],
                ['step' => 'start-zero', 'label' => 'Zeroed at the start'],
                ['step' => 'start-zero', 'label' => 'Why here'],
                ['step' => 'lamp', 'label' => 'Lamp'],
                ['step' => 'lamp', 'label' => 'Humidity'],
                ['step' => 'lamp', 'label' => 'Span gas'],
                ['step' => 'slope', 'label' => 'Slope'],
                ['step' => 'slope', 'label' => 'Offset'],
                ['step' => 'school', 'label' => 'Waited for'],
                ['step' => 'said', 'label' => 'Pass or fail, per sensor'],
                ['step' => 'said', 'label' => 'Calibration set'],
                ['step' => 'settings', 'label' => 'Interval', 'unit' => 's'],
                ['step' => 'settings', 'label' => 'Alarms low, high, STEL, TWA'],
                ['step' => 'settings', 'label' => 'Memory full'],
            ],
            'messages' => [
                ['shows' => 'fault of a fixed monitor that reset clears', 'means' => 'a nuisance, once',
                    'do' => 'reset; where it comes back, call'],
                ['shows' => 'low flow after a restart', 'means' => 'the sampling flow drifted', 'do' => 'trim it, and write it'],
                ['shows' => 'pump fault while gas is on', 'means' => 'the pump starves',
                    'do' => 'open the valve before the connector, or use a T-piece'],
                ['shows' => 'CO alarm after isobutylene', 'means' => 'its filter gives the vapour back',
                    'do' => 'purge until the reading is down'],
                ['shows' => 'lamp fault', 'means' => 'the photoionisation lamp did not strike',
                    'do' => 'off and on once; then no vapour channel'],
                ['shows' => 'adjustment refused', 'means' => 'low battery, wrong gas, or a spent cell',
                    'do' => 'charge, look at the label; then the cell'],
            ],
            'reasons' => [
                ['step' => 'inlet-blocked', 'reason' => 'diffusion unit: it has no pump'],
                ['step' => 'saved', 'reason' => 'nothing was adjusted'],
                ['step' => 'alarms', 'reason' => 'alarms are tested monthly by the site\'s rule'],
                ['step' => 'labelled', 'reason' => 'the site labels by list'],
            ],
        ];
    }
}
