<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Log\LogColumnKind;
use Footnote\Core\Procedure\Entry;

/** How one family's instruments, references, checks, runs and criteria stand in the record format. */
interface ContentFormat
{
    /** @return list<Entry> what is asked of a unit */
    public function instrument(): array;

    /**
     * What the entries of a unit alone cannot say of it.
     *
     * @throws InvalidRecord naming the field
     */
    public function checkInstrument(Fields $unit, Traits $traits): void;

    /** @return non-empty-list<InterventionKind> what may be done to a unit between its checks */
    public function interventions(): array;

    /** @return list<LogColumnKind> what a column of its log may hold; none where its units keep no log */
    public function logColumns(): array;

    /** @return list<string> the names that columns of a unit's log may be of: channels, sizes */
    public function logChannels(Instrument $unit): array;

    /** @return list<ReferenceKind> what its units are checked against */
    public function referenceKinds(): array;

    /** @return list<Shelf> the libraries that its runs look things up in */
    public function shelves(): array;

    /** The name under which its content stands in a check. */
    public function section(): string;

    /** @return list<Entry> what its section of a check holds */
    public function check(): array;

    public function readCheck(Fields $check): CheckContent;

    /**
     * The section of a check, from the answers of a half-done one.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public function fromAnswers(array $answers): array;

    /**
     * A check in words for a table of evidence.
     *
     * @return list<array{label: string, shown: string}>
     */
    public function describeCheck(CheckContent $content): array;

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
     * The criteria and limits that come with Footnote, as examples with their sources.
     *
     * @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>}
     */
    public function shipped(): array;

    /**
     * What a limit can be set for.
     *
     * @param list<string>          $criteria   identifiers of the campaign's criteria of this family
     * @param array<string, string> $substances names by code
     *
     * @return list<array{value: string, words: string, unit: string}>
     */
    public function quantities(array $criteria, array $substances): array;

    /** @return list<Entry> what a criterion of its own holds beside its name and source; none where it has none */
    public function criterion(): array;

    /** Whether a criterion is one of its own. */
    public function knowsCriterion(Fields $criterion): bool;

    public function readCriterion(Fields $criterion): Criterion;
}
