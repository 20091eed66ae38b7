<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\RecalledUnit;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\SupposedRecall;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\RecallList;
use Psr\Clock\ClockInterface;

/** A unit itself turned out wrong: what it showed meanwhile shows nothing, in runs as in checks. */
final readonly class RecallUnit
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Touches $touches,
        private EvidenceReader $reader,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $id, Fields $told): void
    {
        if ($this->entities->find(RegisteredInstrument::class, $id) === null) {
            throw Problem::missing('Instrument '.$id);
        }
        $record = SupposedRecall::record($this->reader->unitRecall($told));
        $this->journal->during(
            $by->code,
            'instrument recalled',
            ['instrument' => $id, ...$record],
            function () use ($id, $record, $by): void {
                $this->entities->persist(new RecalledUnit($id, $record, $by->code, $this->clock->now()));
                $this->touches->unit($id, null);
            },
        );
    }

    /** A recall that was made in error is taken back by another word; it stays on record. */
    public function takeBack(User $by, string $id, int $place, Fields $told): void
    {
        $reason = RecallReference::reason($told);
        $entry = ['instrument' => $id, RecallList::TAKES_BACK => $place, 'reason' => $reason];
        $this->journal->during($by->code, 'recall of instrument taken back', $entry, function () use ($by, $id, $place, $reason): void {
            $record = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
            if (!isset(RecallList::of(Fields::of($record))->open()[$place])) {
                throw new Problem(409, 'This recall is not there, or was taken back already. Nothing was changed.');
            }
            $now = $this->clock->now();
            $this->entities->persist(new RecalledUnit($id, RecallList::back($place, $reason, $by->code, $now), $by->code, $now));
            $this->touches->unit($id, null);
        });
    }
}
