<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Certificates;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KitChanges;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/**
 * A certificate that was typed in wrongly gets another in its place, or is withdrawn where it belongs to something else. It stays on
 * record, and what used it is worked out again.
 */
final readonly class CorrectCertificate
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Touches $touches,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    public function ofInstrument(User $by, string $id, Fields $told): void
    {
        $owner = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
        $record = $this->written($by, $owner, 'instrument', ['family' => Cells::text($owner, 'family')], $told);
        $this->reader->instrument(Fields::of($this->with($owner, $record)));
        $this->keep($by, $id, $record, function () use ($by, $id, $record): void {
            $this->entities->persist(new AddedCertificate($id, null, $record, $by->code, $this->clock->now()));
            $this->touches->unit($id, null);
        });
    }

    public function ofReference(User $by, string $id, Fields $told): void
    {
        if (!$by->has(Role::Steward)) {
            throw new Problem(403, 'Only a steward corrects certificates of references. Nothing was changed.');
        }
        $owner = $this->logbook->referenceRecords([$id])[$id] ?? throw Problem::missing('Reference '.$id);
        $record = $this->written($by, $owner, 'reference', ['kind' => Cells::text($owner, 'kind')], $told);
        $this->reader->reference(Fields::of($this->with($owner, $record)));
        if (!isset($record[Certificates::WITHDRAWS])) {
            $kind = $this->families->referenceKind(Cells::text($owner, 'kind'));
            WholeCertificate::check($this->reader->certificate(Fields::of($record), $kind), $kind, '');
        }
        $this->keep($by, $id, $record, function () use ($by, $id, $record): void {
            $this->entities->persist(new AddedCertificate(null, $id, $record, $by->code, $this->clock->now()));
            $this->touches->reference($id);
        });
    }

    /**
     * @param array<string, mixed>  $owner as it is on record, with its certificates
     * @param array<string, string> $of    what tells the certificates of one kind from those of another
     *
     * @return array<string, mixed> what is added to its certificates
     */
    private function written(User $by, array $owner, string $piece, array $of, Fields $told): array
    {
        $meant = $told->object('corrects');
        $reason = $told->text('reason');
        $before = null;
        foreach (Certificates::of(Fields::of($owner))->told() as ['record' => $one, 'word' => $word]) {
            if ($one['number'] === $meant->text('number') && $one['issued'] === $meant->text('issued') && $word === null) {
                $before = $one;
            }
        }
        if ($before === null) {
            throw new Problem(409, 'There is no such certificate that still counts. Look at it again; nothing was changed.');
        }
        $word = [
            'number' => $meant->text('number'),
            'issued' => $meant->text('issued'),
            'at' => $this->clock->now()->format(\DATE_ATOM),
            'by' => $by->code,
            'reason' => $reason,
        ];
        $certificate = $told->optionalObject('certificate');
        if ($certificate === null) {
            return [Certificates::WITHDRAWS => $word];
        }
        Strangers::toRecord($this->families)->inCertificate($piece, $of, $certificate->data());
        $is = array_diff_key($certificate->data(), [Certificates::CORRECTS => true]);
        $changes = KitChanges::ofCertificate($before, $is, $this->families->referenceKind($of['kind'] ?? ''));
        if ($changes === []) {
            throw new Problem(422, 'Nothing of it is another than before. Nothing was changed.');
        }

        return [...$is, Certificates::CORRECTS => [...$word, 'changes' => $changes]];
    }

    /**
     * @param array<string, mixed> $owner
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private function with(array $owner, array $record): array
    {
        return [...$owner, 'certificates' => [...(\is_array($owner['certificates'] ?? null) ? $owner['certificates'] : []), $record]];
    }

    /**
     * @param array<string, mixed> $record
     * @param \Closure(): void     $change
     */
    private function keep(User $by, string $id, array $record, \Closure $change): void
    {
        $said = Fields::of($record);
        $withdrawn = $said->optionalObject(Certificates::WITHDRAWS);
        $word = $withdrawn ?? $said->object(Certificates::CORRECTS);
        $told = [...$word->data(), 'of' => $id];
        $this->journal->during($by->code, $withdrawn === null ? 'certificate corrected' : 'certificate withdrawn', $told, $change);
    }
}
