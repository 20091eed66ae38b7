<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Procedure\Caution;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\ReadingsList;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Procedure\StepWords;

/** The checks of gas and vapour monitors, step by step: the whole sequence across channels in one walk. */
final class GasProcedures
{
    public const CALIBRATION = 'gas-calibration';
    public const BUMP = 'bump-test';
    public const FIXED = 'fixed-calibration';

    public const SOURCE = 'zero-source';
    public const REFERENCE = 'mix-bottle';
    public const ISOBUTYLENE_BOTTLE = 'isobutylene-bottle';
    public const SAVE = 'saved';
    public const ALARMS = 'alarms';
    /** The step that ends by readings in clean air, and the list of these. */
    public const PURGED = 'purged';

    /** @return non-empty-list<Procedure> */
    public static function of(Instrument $unit): array
    {
        return $unit->traits->flag('fixed')
            ? [self::calibration($unit, self::FIXED, 'Calibration of a fixed monitor'), self::bump($unit)]
            : [self::calibration($unit, self::CALIBRATION, 'Zero, span and isobutylene'), self::bump($unit)];
    }

    /** The gas that a step is about; null for the steps around it. */
    public static function stageOf(string $step): ?GasStage
    {
        foreach (GasStage::cases() as $stage) {
            if (\in_array($step, [$stage->value.'-bottle', $stage->value.'-found', $stage->value.'-adjust', $stage->value.'-left'], true)) {
                return $stage;
            }
        }

        return null;
    }

    /** @return list<GasStage> the gases that a unit wants, zero first and isobutylene last */
    public static function stages(Instrument $unit): array
    {
        $wanted = array_map(static fn (Channel $channel): GasStage => GasStage::ofSpan($channel->kind), Channel::of($unit));

        return array_values(
            array_filter(
                GasStage::cases(),
                static fn (GasStage $stage): bool => $stage === GasStage::Zero || \in_array($stage, $wanted, true),
            ),
        );
    }

    private static function calibration(Instrument $unit, string $id, string $title): Procedure
    {
        $fixed = $unit->traits->flag('fixed');
        $stages = self::stages($unit);
        $both = \in_array(GasStage::Mix, $stages, true) && \in_array(GasStage::Isobutylene, $stages, true);
        $steps = [
            ...($fixed ? [
                new Step(
                    'compressor-off',
                    StepKind::Confirm,
                    new StepWords(
                        'Compressor off',
                        'Switch the compressor off; leave the cell powered.',
                        'No pressure at the cell is normal while the compressor stands, and a fault while it runs.',
                        new Caution(
                            'A fixed monitor is on the mains and often high up: isolate it by the rules of the site, and no '
                                .'ladder without them.',
                        ),
                    ),
                ),
            ] : []),
            new Step(
                Step::WARM_UP,
                StepKind::Wait,
                new StepWords(
                    'Warm up',
                    self::warmUpWords($unit),
                    'A sensor that is still settling drifts while one reads it.',
                ),
                seconds: self::warmUp($unit),
            ),
            ...($unit->traits->flag('pumped') ? [
                new Step(
                    'inlet-blocked',
                    StepKind::Confirm,
                    new StepWords(
                        'Pump',
                        'Block the inlet: the pump must fault. Block the end of the line as well.',
                        'A leak behind the inlet draws the air of the room.',
                    ),
                ),
            ] : []),
            new Step(
                self::SOURCE,
                StepKind::Entries,
                new StepWords(
                    'Clean air',
                    'Choose what the instrument is zeroed in.',
                    'No source is clean for every cell: charcoal for vapours only, never indoors for vapours, '
                    .'no outdoor or compressed air for carbon dioxide.',
                    new Caution(
                        'Clean gas from a cylinder takes the place of the air: nitrogen suffocates without a warning. Only '
                            .'where it is ventilated.',
                    ),
                ),
            ),
            ...self::stage(
                GasStage::Zero,
                'zero',
                'In clean air, write what each channel reads, even where it shows zero.',
                'Nobody knows where it was last zeroed.',
            ),
            new Step(
                self::REFERENCE,
                StepKind::Reference,
                new StepWords(
                    \in_array(GasStage::Mix, $stages, true) ? 'Cylinder of mix' : 'Cylinder of isobutylene',
                    'Choose the cylinder. Read its date, its pressure and what its label says.',
                    'What the instrument expects must equal what is on the label.',
                    new Caution(
                        'Under pressure, and toxic or flammable: ventilate, lead what flows past out of the room, regulator '
                            .'hand-tight. Nothing is opened where the air may be explosive.',
                    ),
                ),
            ),
        ];
        if (\in_array(GasStage::Mix, $stages, true)) {
            $steps = [
                ...$steps,
                ...self::stage(
                    GasStage::Mix,
                    'mix',
                    'Open the gas, fit the cap tightly, wait for the plateau. '
                        .'Write what each channel reads before anything is adjusted, and what the instrument expects. '
                        .'Readings with their seconds show whether they stand still.',
                    'It closes every run since the last check, and once adjusted it is gone.',
                ),
            ];
        }
        if ($both) {
            $steps[] = new Step(
                self::ISOBUTYLENE_BOTTLE,
                StepKind::Entries,
                new StepWords(
                    'Cylinder of isobutylene',
                    'Choose the cylinder of isobutylene. Mix first, isobutylene last.',
                    'Isobutylene soaks into the filter of the CO cell and comes out of it for ten minutes; CO spanned after it is wrong.',
                    new Caution(
                        'Isobutylene burns: no flame near it, ventilate. Never look into the lamp of a photoionisation '
                            .'detector.',
                    ),
                ),
            );
        }
        if (\in_array(GasStage::Isobutylene, $stages, true)) {
            $steps = [
                ...$steps,
                ...self::stage(
                    GasStage::Isobutylene,
                    'isobutylene',
                    $both
                        ? 'Write what the vapour channel reads, and what CO shows meanwhile.'
                        : 'Open the gas, fit the cap, wait for the plateau. Write the reading before anything is adjusted.',
                    $both
                        ? 'A large answer of CO means that its filter is spent.'
                        : 'It closes every run since the last check, and once adjusted it is gone.',
                ),
            ];
        }

        return new Procedure($id, $title, [
            ...$steps,
            new Step(
                self::SAVE,
                StepKind::Confirm,
                new StepWords(
                    'Saved',
                    'See that the instrument says the adjustment is saved.',
                    'Leaving the menu without saving throws the adjustment away.',
                ),
            ),
            new Step(
                'gas-off',
                StepKind::Confirm,
                new StepWords(
                    'Gas off',
                    'Take the connector off, close the valve, take the regulator off the cylinder.',
                    'A regulator left on a cylinder empties it.',
                    new Caution(
                        'A regulator is never left on a cylinder: close the valve, let the rest out where nobody breathes it, '
                            .'take it off.',
                    ),
                ),
            ),
            self::purged(true),
            ...($fixed
                ? [
                    new Step(
                        'tube-reconnected',
                        StepKind::Confirm,
                        new StepWords(
                            'Tube and valve',
                            'Reconnect the sampling tube and leave the valve open.',
                            'A monitor without its tube watches the room.',
                        ),
                    ),
                    new Step(
                        'labelled',
                        StepKind::Confirm,
                        new StepWords(
                            'Label',
                            'Put on the label with the date and the next date.',
                            'The next one sees when it was done.',
                        ),
                        required: false,
                    ),
                ]
                : [
                    new Step(
                        'log-resumed',
                        StepKind::Confirm,
                        new StepWords(
                            'Measuring again',
                            'See that the instrument measures and logs again.',
                            'Calibration mode pauses the log.',
                            new Caution('A check is no clearance to enter: that is given on the spot, by the rules of the site.'),
                        ),
                    ),
                ]),
        ]);
    }

    private static function bump(Instrument $unit): Procedure
    {
        $steps = [
            new Step(
                self::REFERENCE,
                StepKind::Reference,
                new StepWords(
                    'Cylinder',
                    'Choose the cylinder.',
                    'A bump shows that the sensors answer, not that they are right.',
                    new Caution(
                        'Under pressure, and toxic or flammable: ventilate, lead what flows past out of the room, regulator '
                            .'hand-tight. Nothing is opened where the air may be explosive.',
                    ),
                ),
            ),
        ];
        foreach (self::stages($unit) as $stage) {
            if ($stage !== GasStage::Zero) {
                $steps[] = new Step(
                    $stage->value.'-found',
                    StepKind::Readings,
                    new StepWords(
                        'Gas on',
                        'Write what each channel rises to.',
                        'Every sensor must move and every alarm sound.',
                    ),
                    readings: new ReadingsList($stage->found(), clocked: true),
                );
            }
        }

        return new Procedure(self::BUMP, 'Bump test', [
            ...$steps,
            new Step(
                self::ALARMS,
                StepKind::Confirm,
                new StepWords(
                    'Alarms',
                    'Every alarm sounded, flashed and shook.',
                    'An alarm that nobody notices warns nobody. Mind your ears.',
                    new Caution(
                        'Alarms are loud: a finger over the sounder, ears protected. A monitor that fails a bump test is out '
                            .'of use until it is calibrated.',
                    ),
                ),
            ),
            new Step(
                'gas-off',
                StepKind::Confirm,
                new StepWords(
                    'Gas off',
                    'Take the connector off, close the valve, take the regulator off the cylinder.',
                    'A regulator left on a cylinder empties it.',
                    new Caution(
                        'A regulator is never left on a cylinder: close the valve, let the rest out where nobody breathes it, '
                            .'take it off.',
                    ),
                ),
            ),
            self::purged(false),
        ]);
    }

    /** @param bool $required after a bump it may be left out: many are done a good while before the unit goes out */
    private static function purged(bool $required): Step
    {
        return new Step(
            self::PURGED,
            StepKind::Readings,
            new StepWords(
                'Back to zero',
                'Wait in clean air until every channel has fallen back, and write what each reads then. A burst of clean air '
                    .'helps; after isobutylene CO may alarm for minutes.',
                'Test gas still in the cell would go into the exposure. It ends by a reading, not by a guess.',
            ),
            required: $required,
            readings: new ReadingsList(self::PURGED),
        );
    }

    /** @return list<Step> */
    private static function stage(GasStage $stage, string $in, string $instruction, string $why): array
    {
        return [
            new Step(
                $stage->value.'-found',
                StepKind::Readings,
                new StepWords(
                    ucfirst($in).' as found',
                    $instruction,
                    $why,
                ),
                readings: new ReadingsList($stage->found(), clocked: $stage !== GasStage::Zero),
            ),
            new Step(
                $stage->value.'-adjust',
                StepKind::Adjust,
                new StepWords(
                    'Adjust '.$in,
                    'Adjust where needed, and say whether it was.',
                    'An adjustment changes every later reading.',
                ),
                readings: new ReadingsList($stage->adjusted()),
            ),
            new Step(
                $stage->value.'-left',
                StepKind::Readings,
                new StepWords(
                    ucfirst($in).' as left',
                    'Write what each channel reads after the adjustment, still in the same gas.',
                    'Where nobody looks, nominal can only be assumed.',
                ),
                onlyAfter: $stage->adjusted(),
                readings: new ReadingsList($stage->left(), clocked: $stage !== GasStage::Zero),
            ),
        ];
    }

    /** The longest warm-up of its channels, s. */
    private static function warmUp(Instrument $unit): int
    {
        return max([
            120,
            ...array_map(
                static fn (Channel $channel): int => (int) ($channel->timing->warmUp?->value->toFloat()
                    ?? ($channel->kind === GasKind::Photoionisation ? 300 : 120)),
                Channel::of($unit),
            ),
        ]);
    }

    private static function warmUpWords(Instrument $unit): string
    {
        $slow = array_filter(
            Channel::of($unit),
            static fn (Channel $channel): bool => $channel->timing->warmUp !== null || $channel->kind === GasKind::Photoionisation,
        );
        $each = array_map(
            static fn (Channel $channel): string => \sprintf(
                '%s %s min',
                $channel->name,
                number_format(($channel->timing->warmUp?->value->toFloat() ?? 300) / 60, 0, '.', ''),
            ),
            $slow,
        );

        return $each === []
            ? 'Switch the instrument on and let it warm up.'
            : \sprintf('Switch the instrument on and let it warm up: %s.', implode(', ', $each));
    }
}
