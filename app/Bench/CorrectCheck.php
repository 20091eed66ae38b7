<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Logbook\Row\ReplacedCheck;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\InPlaceOf;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Record\CheckCorrection;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/**
 * What was written of a check and was wrong is written rightly by another in its place: a reading, a moment, the reference, or the
 * unit that it was made of. Both stay on record, and whoever rests on them is judged again.
 */
final readonly class CorrectCheck
{
    private CheckCorrection $correction;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Touches $touches,
        private KeepCheck $keep,
        private EvidenceReader $reader,
        private Formats $families,
        private Numbers $numbers,
        private KeptFiles $files,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
        $this->correction = new CheckCorrection($families);
    }

    /** @return string the number of the check that stands in its place */
    public function __invoke(User $by, string $id, CorrectionAsked $asked): string
    {
        $old = $this->entities->find(RecordedCheck::class, $id) ?? throw Problem::missing('Check '.$id);
        $unit = $asked->instrument ?? $old->instrument;
        $of = $this->logbook->instrument($old->instrument) ?? throw Problem::missing('Instrument '.$old->instrument);
        $family = $of->family;
        $this->refuse($by, $old, $of, $unit);
        if ($asked->how === Provenance::Photographed && !$this->files->hasPicture(FileOf::Check, $id)) {
            throw Problem::field('/how', 'says that it was photographed: add the photo to this check first. Nothing was changed.');
        }
        $why = new InPlaceOf($id, $old->instrument, $this->clock->now(), $by->code, $asked->reason, $asked->how);
        // Its number is given within the lock; the rest of it is written and read before.
        $written = $this->written($old, $family, $asked, $unit, $why);
        $changes = $this->correction->changes($old->record, $written, $family);
        if ($changes === []) {
            throw new Problem(422, 'Nothing of it is another than before. Nothing was changed.');
        }
        $kind = $unit === $old->instrument ? 'check corrected' : 'check moved';
        $told = [
            'check' => $id,
            'from' => $old->instrument,
            'instrument' => $unit,
            'changes' => $changes,
            'how' => $asked->how->value,
            'reason' => $asked->reason,
        ];

        return $this->journal->during($by->code, $kind, $told, function () use ($by, $old, $unit, $family, $written): string {
            if ($this->entities->find(ReplacedCheck::class, $old->id) !== null
                || $this->entities->find(RecordedSetAside::class, $old->id) !== null) {
                throw new Problem(409, 'This check was corrected or set aside meanwhile. Look at it again; nothing was changed.');
            }
            $number = $this->numbers->next('check_record', 'C-%05d');
            $record = [...$written, 'id' => $number];
            $check = $this->keep->read($record, $family);
            $this->keep->keep($check, $record, $by);
            $this->entities->persist(
                new ReplacedCheck($old->id, $old->instrument, $number, $unit, $by->code, $this->clock->now()),
            );
            $this->touches->unit($old->instrument, min($old->at, $check->at));
            $this->touches->unit($unit, min($old->at, $check->at));

            return $number;
        });
    }

    private function refuse(User $by, RecordedCheck $old, Instrument $of, string $unit): void
    {
        $told = $this->logbook->checkRecords([$old->id])[0] ?? $old->record;
        $check = $this->reader->check(Fields::of($told), $this->families->of($of->family));
        $refusal = MayCorrect::refusal($by, $check, $this->entities->find(ReplacedCheck::class, $old->id) !== null);
        if ($refusal !== null) {
            throw new Problem($refusal->status, $refusal->getMessage().' Nothing was changed.');
        }
        if ($unit === $of->id) {
            return;
        }
        $to = $this->logbook->instrument($unit);
        if ($to?->family !== $of->family) {
            throw Problem::field('/instrument', $to === null
                ? 'is not in the kit.'
                : 'is of another kind: a check of the one is none of the other.');
        }
        if ($of->isPractice() !== $to->isPractice()) {
            throw Problem::field('/instrument', 'is practice where the other is not: set this check aside and write it anew.');
        }
    }

    /** @return array<string, mixed> */
    private function written(
        RecordedCheck $old,
        string $family,
        CorrectionAsked $asked,
        string $unit,
        InPlaceOf $why,
    ): array {
        try {
            $files = array_filter(['files' => $this->files->numbersOf(FileOf::Check, $old->id)]);
            $record = [
                ...$this->correction->write($old->record, $family, $asked->changes, $old->id, $unit, $why),
                ...$files,
            ];
            Strangers::toRecord($this->families)->inPiece('check', $record);
            $this->site->refuseFuture($this->keep->read($record, $family)->at, '/at');

            return $record;
        } catch (InvalidRecord $problem) {
            throw new Problem(422, 'Nothing was changed. '.$problem->getMessage(), $problem->fields());
        }
    }
}
