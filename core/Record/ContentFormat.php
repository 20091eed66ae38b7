<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Procedure\Entry;

/**
 * How one family's instruments, references, checks and runs stand in the record format. What not every family has is a role of
 * its own, taken beside it: ExaminesUnits, KeepsLogs, KeepsShelves, HasCriteria, ShipsYardsticks, TranslatesAnswers.
 */
interface ContentFormat
{
    /** @return list<Entry> what is asked of a unit */
    public function instrument(): array;

    /** @return non-empty-list<InterventionKind> what may be done to a unit between its checks */
    public function interventions(): array;

    /** @return list<Routine> what is done to its units again and again beside what is done to any */
    public function routines(): array;

    /** @return list<RemarkKind> what may be reported of a run of its units beside what may be of any */
    public function remarks(): array;

    /** @return list<ReferenceKind> what its units are checked against */
    public function referenceKinds(): array;

    /** The name under which its content stands in a check. */
    public function section(): string;

    /** @return list<Entry> what its section of a check holds */
    public function check(): array;

    public function readCheck(Fields $check): CheckContent;

    /**
     * A check in words for a table of evidence.
     *
     * @return list<array{label: string, shown: string}>
     */
    public function describeCheck(CheckContent $content): array;

    /** How long a run is planned for where nobody says otherwise, min; null: as long as it takes. */
    public function usualMinutes(): ?int;

    /**
     * What is written of a run beside unit, person, task, place and times.
     *
     * @param Instrument|null $unit where it is known: what may be chosen can depend on it
     *
     * @return list<Entry>
     */
    public function run(?Instrument $unit = null): array;

    public function readRun(Fields $run, RunSurroundings $around): RunContent;

    /**
     * What a limit can be set for.
     *
     * @param list<string>          $criteria   identifiers of the campaign's criteria of this family
     * @param array<string, string> $substances names by code
     *
     * @return list<array{value: string, words: string, unit: string}>
     */
    public function quantities(array $criteria, array $substances): array;
}
