<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\CheckLeaning;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedIntervention;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Logbook\Row\ReplacedCheck;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Record\Fields;

/** The checks of a record, what they lean on, and what was done to units between them. */
final readonly class CheckIntake
{
    public function __construct(private Intake $intake)
    {
    }

    /** @param array<int|string, Check> $read the checks of the record by their number */
    public function take(Fields $record, array $read, string $actor): void
    {
        $now = $this->intake->now();
        foreach ($record->objects('checks') as $item) {
            $this->check($item, $read[$item->id('id')], $actor, $now);
        }
        foreach ($record->objects('interventions') as $item) {
            $at = Intake::utc($item->moment('at'));
            $this->intake->addNew(
                new RecordedIntervention($item->id('id'), $item->id('instrument'), $at, $item->data(), $actor, $now),
                $item,
            );
        }
    }

    private function check(Fields $item, Check $check, string $actor, \DateTimeImmutable $now): void
    {
        $this->intake->addNew(
            new RecordedCheck(
                $check->id,
                $check->instrument,
                $check->reference,
                Intake::utc($check->at),
                Intake::without($item, 'setAside'),
                $actor,
                $now,
            ),
            $item,
        );
        $aside = $item->optionalObject('setAside');
        if ($aside !== null) {
            $this->intake->add(new RecordedSetAside($check->id, $aside->data(), $actor, $now));
        }
        $old = $check->notes->inPlaceOf;
        if ($old !== null) {
            $this->intake->add(new ReplacedCheck($old->check, $old->instrument, $check->id, $check->instrument, $actor, $now));
        }
        foreach ($check->leansOn() as $reference) {
            $this->intake->add(new CheckLeaning($check->id, $reference, $check->instrument, Moments::text($check->at)));
        }
    }
}
