<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\App\Shown\TraitsLine;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\RecallList;
use Footnote\Core\Record\TellsWhatIsLeft;

/** A reference with its certificates and recalls, and what is left of it where checks use it up. */
final readonly class ReferencePresenter
{
    public function __construct(
        private Logbook $logbook,
        private Kit $kit,
        private EvidenceReader $reader,
        private Formats $families,
        private SiteClock $site,
        private KitPolicy $policy,
    ) {
    }

    /** @return array<string, mixed> */
    public function registered(string $id): array
    {
        return $this->reference(
            $this->logbook->referenceRecords([$id])[$id] ?? throw Problem::missing('Reference '.$id),
            DueDates::at($this->site),
            $this->policy->policy(),
        );
    }

    /**
     * @param array<string, mixed> $record
     * @param Policy|null          $policy that says how often a laboratory is to see such a reference
     *
     * @return array<string, mixed>
     */
    public function reference(array $record, DueDates $dates, ?Policy $policy): array
    {
        $reference = $this->reader->reference(Fields::of($record));
        $certificate = $reference->certificateAt($dates->now);
        $kind = $this->families->referenceKind($reference->kind);
        $due = DueDates::told(CertifiedTerm::ofReference($reference, $policy, $dates->now));

        return [
            'id' => $reference->id,
            'kind' => $reference->kind,
            'kindTitle' => $kind === null ? $reference->kind : $kind->title,
            'model' => $reference->model,
            'about' => $kind === null ? '' : TraitsLine::line($reference->traits, $kind->entries),
            'valueUnit' => $kind->table->unit->value ?? '',
            'errorUnit' => $kind?->error === null ? '' : $kind->error->value,
            'nominal' => $kind === null ? '' : $kind->table->nominal ?? 'nominal value',
            'beside' => Entry::all($kind->table->beside ?? []),
            'constants' => $certificate === null || $kind === null ? [] : TraitsLine::shown($certificate->constants, $kind->constants),
            'recalls' => RecallList::of(Fields::of($record))->told(),
            ...CorrectedLines::of($record, $kind->entries ?? [], $reference->upkeep),
            'intervals' => $record['intervals'] ?? [],
            'settable' => array_map(static fn (CommonRoutine $routine): string => $routine->id(), CommonRoutine::cases()),
            ...$due,
            'dueState' => $dates->state($due['due']),
        ];
    }

    /**
     * What the checks say is left of a reference that they use up; null where none does.
     *
     * @param array<string, mixed> $record
     */
    public function left(array $record): ?string
    {
        foreach ($this->families->all() as $format) {
            if ($format instanceof TellsWhatIsLeft && \in_array(Cells::text($record, 'kind'), $format->usedUp(), true)) {
                $reference = $this->reader->reference(Fields::of($record));

                return $format->left($reference, array_map(
                    fn (array $check): Check => $this->reader->check(Fields::of($check), $format),
                    $this->kit->checksOn($reference->id),
                ));
            }
        }

        return null;
    }
}
