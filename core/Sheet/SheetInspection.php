<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Record\EntryInspection;
use Footnote\Core\Record\Fields;

/** Whether a model sheet holds together: its steps have codes of their own, waits say how long, what is written is of one of its steps. */
final readonly class SheetInspection implements EntryInspection
{
    public function inspect(Fields $item, Traits $entry): void
    {
        if ($entry->text('replaces') === $entry->text('code')) {
            $item->refuse('replaces', 'names the sheet itself.');
        }
        $kinds = [];
        foreach ($item->objects('steps') as $place => $step) {
            $code = $step->id('code');
            $kind = $entry->rows('steps')[$place]->text('kind') ?? '';
            if (isset($kinds['='.$code]) || $code === ModelSheet::LAY_OUT) {
                $step->refuse('code', 'stands twice: each step has a code of its own, and "lay-out" is taken.');
            }
            $kinds['='.$code] = $kind;
            if ($step->optionalText('before', 200) !== null && $step->optionalText('after', 200) !== null) {
                $step->refuse('after', 'stands beside another place: a step is before one, or after one.');
            }
            if ($kind === StepKind::Wait->value && $entry->rows('steps')[$place]->decimal('seconds') === null) {
                $step->refuse('seconds', 'is missing: how long is waited?');
            }
        }
        foreach ($item->objects('writes') as $place => $written) {
            if (($kinds['='.$written->text('step')] ?? '') !== StepKind::Entries->value) {
                $written->refuse('step', 'names no step of this sheet at which something is written down.');
            }
            self::refuseEmpty($written, Band::of($entry->rows('writes')[$place]));
        }
        foreach ($item->objects('expected') as $place => $expected) {
            $band = Band::of($entry->rows('expected')[$place]);
            if ($band->isOpen()) {
                $expected->refuse('least', 'is missing, and so is an upper end: nothing would be expected.');
            }
            self::refuseEmpty($expected, $band);
        }
    }

    private static function refuseEmpty(Fields $item, Band $band): void
    {
        if ($band->least !== null && $band->most !== null && $band->least->value->compareTo($band->most->value) > 0) {
            $item->refuse('most', 'lies below the lower end.');
        }
    }
}
