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

    public function takeBack(User $by, string $id, int $place, Fields $told): void
    {
        $back = RecallTakenBack::of($place, $told);
        $entry = ['instrument' => $id, ...$back->entry()];
        $this->journal->during($by->code, 'recall of instrument taken back', $entry, function () use ($by, $id, $back): void {
            $record = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
            $now = $this->clock->now();
            $this->entities->persist(new RecalledUnit($id, $back->word($record, $by, $now), $by->code, $now));
            $this->touches->unit($id, null);
        });
    }
}
