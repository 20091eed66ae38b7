<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\Shelf;

/** The library of model sheets: what a site does with a model beside what every unit of its family wants. */
final class SheetShelf
{
    public const ID = 'model-sheets';

    /**
     * @param list<string>               $families  that there are
     * @param list<array<string, mixed>> $templates that come with Footnote: no model is named in them, so that none applies until
     *                                              it is taken over
     */
    public static function with(array $families, array $templates): Shelf
    {
        $family = Entry::choice('family', 'Family', array_combine($families, $families), help: 'Not said: of any');

        $entries = [$family, ...self::entries()];

        return new Shelf(self::ID, 'Model sheets', 'model sheet', $entries, $templates, new SheetInspection(), 'replaces');
    }

    /**
     * The same as it is asked for a model: its steps, procedures and lists of readings are chosen and not typed.
     *
     * @param list<Procedure>      $procedures of a unit of the model, as the family has them
     * @param array<array-key, string> $rows what its lists of readings tell their rows by, such as channels
     *
     * @return list<Entry>
     */
    public static function entriesFor(array $procedures, array $rows): array
    {
        $names = $steps = $waits = $lists = [];
        foreach ($procedures as $procedure) {
            $names[$procedure->id] = $procedure->title;
            foreach ($procedure->steps as $step) {
                $title = $step->words->title;
                // Procedures may call the same step otherwise.
                $known = $steps[$step->id] ?? $title;
                $steps[$step->id] = \in_array($title, explode(' / ', $known), true) ? $known : $known.' / '.$title;
                if ($step->kind === StepKind::Wait) {
                    $waits[$step->id] ??= $title;
                }
                if ($step->kind === StepKind::Readings && $step->readings !== null) {
                    $lists[$step->readings->name] ??= $step->words->title;
                }
            }
        }
        $chosen = [
            'steps/before' => $steps,
            'steps/after' => $steps,
            'steps/in' => $names,
            'waits/step' => $waits,
            'keys/step' => $steps,
            'reasons/step' => $steps,
            'expected/list' => $lists,
            'expected/of' => $rows,
        ];

        return array_map(static fn (Entry $entry): Entry => $entry->choosing($chosen), self::entries());
    }

    /** @return list<Entry> */
    public static function entries(): array
    {
        return [
            Entry::rows('models', 'Models', [Entry::text('model', 'Model', true)], 'As they stand at the units; none: a template'),
            Entry::text('replaces', 'Takes the place of', help: 'The code of a sheet that is asked no more'),
            Entry::text('source', 'Source', true, 'Manual, edition, page; or who decided it and when'),
            Entry::decimal('minutes', 'How long the check takes, min', '1', '1000'),
            Entry::decimal('gasMinutes', 'How long gas is on at a check, min', '0.1', '1000'),
            Entry::decimal('batteryHours', 'How long its battery lasts, h', '0.1', '1000'),
            Entry::decimal('chargeMinutes', 'How long it charges, min', '1', '2000'),
            Entry::rows('layOut', 'Laid out before', [Entry::text('what', 'What', true)]),
            Entry::rows('steps', 'Own steps', [
                Entry::text('code', 'Code', true),
                Entry::text('before', 'Before the step', help: 'Only this or the other'),
                Entry::text('after', 'After the step', help: 'Neither: at the beginning'),
                Entry::text('in', 'Of the procedure', help: 'Empty: of every one that has that step'),
                Entry::choice('kind', 'Kind', [
                    StepKind::Confirm->value => 'confirm',
                    StepKind::Wait->value => 'wait',
                    StepKind::Entries->value => 'write down',
                ], true),
                Entry::text('title', 'Title', true),
                Entry::text('instruction', 'What to do', true),
                Entry::text('why', 'Why'),
                Entry::text('caution', 'Caution'),
                Entry::decimal('seconds', 'Wait', '1', '86400', CommonUnit::Second)->onlyWith('kind', StepKind::Wait->value),
                Entry::flag('optional', 'Leaving it out is no finding'),
                Entry::flag('onlyAdjusted', 'Only where it was adjusted'),
            ]),
            Entry::rows('writes', 'Written down', [
                Entry::text('step', 'Own step', true),
                Entry::text('label', 'What', true),
                Entry::text('unit', 'Unit'),
                Entry::decimal('least', 'Usually at least', '-1000000', '1000000'),
                Entry::decimal('most', 'Usually at most', '-1000000', '1000000'),
                Entry::text('otherwise', 'What else it means'),
            ]),
            Entry::rows('waits', 'Longer waits', [
                Entry::text('step', 'Step', true),
                Entry::decimal('seconds', 'At least', '1', '86400', CommonUnit::Second, true),
            ]),
            Entry::rows('expected', 'Expected readings', [
                Entry::text('list', 'Readings', true),
                Entry::text('of', 'Of', help: 'Channel, tone or size; empty: all'),
                Entry::text('unit', 'Unit'),
                Entry::decimal('least', 'At least', '-1000000', '1000000'),
                Entry::decimal('most', 'At most', '-1000000', '1000000'),
                Entry::text('otherwise', 'What else it means'),
            ]),
            Entry::rows('keys', 'Keys to press', [Entry::text('step', 'Step', true), Entry::text('press', 'Press', true)]),
            Entry::rows('messages', 'What the display says', [
                Entry::text('shows', 'It shows', true),
                Entry::text('means', 'It means', true),
                Entry::text('do', 'What to do'),
            ]),
            Entry::rows('reasons', 'Why a step may not apply', [Entry::text('step', 'Step', true), Entry::text('reason', 'Reason', true)]),
        ];
    }
}
