<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\CheckLeaning;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedIntervention;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Storage\Moments;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** The checks of a record, what they lean on, and what was done to units between them. */
final readonly class CheckIntake
{
    public function __construct(private Intake $intake, private Formats $families)
    {
    }

    public function take(Fields $record, string $actor): void
    {
        $now = $this->intake->now();
        $families = [];
        foreach ($record->objects('instruments') as $item) {
            $families['='.$item->id('id')] = $item->text('family');
        }
        $leaning = [];
        foreach ($record->objects('checks') as $place => $item) {
            $this->intake->inBatches($place);
            $this->check($item, $actor);
            foreach ($this->leansOn($item, $families['='.$item->id('instrument')] ?? '') as $reference) {
                $leaning[] = new CheckLeaning(
                    $item->id('id'),
                    $reference,
                    $item->id('instrument'),
                    Moments::text($item->moment('at')),
                );
            }
        }
        // The logbook knows a check before what it leans on.
        $this->intake->flush();
        foreach ($leaning as $place => $one) {
            $this->intake->inBatches($place);
            $this->intake->add($one);
        }
        foreach ($record->objects('interventions') as $item) {
            $this->intake->mustBeNew(RecordedIntervention::class, $item);
            $at = Intake::utc($item->moment('at'));
            $this->intake->add(new RecordedIntervention($item->id('id'), $item->id('instrument'), $at, $item->data(), $actor, $now));
        }
    }

    private function check(Fields $item, string $actor): void
    {
        $now = $this->intake->now();
        $this->intake->mustBeNew(RecordedCheck::class, $item);
        $this->intake->add(new RecordedCheck(
            $item->id('id'),
            $item->id('instrument'),
            $item->optionalText('reference'),
            Intake::utc($item->moment('at')),
            Intake::without($item, 'setAside'),
            $actor,
            $now,
        ));
        $aside = $item->optionalObject('setAside');
        if ($aside !== null) {
            $this->intake->flush();
            $this->intake->add(new RecordedSetAside($item->id('id'), $aside->data(), $actor, $now));
        }
    }

    /** @return list<string> every reference, each once */
    private function leansOn(Fields $item, string $family): array
    {
        $content = $this->families->of($family)->readCheck($item);

        return array_values(array_unique(
            array_filter([$item->optionalText('reference'), ...$content->leansOn()], \is_string(...)),
        ));
    }
}
