<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\RecordedRecall;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\SupposedRecall;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/** A reference turned out wrong: by how much, with its sign, or that nobody knows. */
final readonly class RecallReference
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

    public function takeBack(User $by, string $id, int $place, Fields $told): void
    {
        $back = RecallTakenBack::of($place, $told);
        $entry = ['reference' => $id, ...$back->entry()];
        $this->journal->during($by->code, 'recall taken back', $entry, function () use ($by, $id, $back): void {
            $record = $this->logbook->referenceRecords([$id])[$id] ?? throw Problem::missing('Reference '.$id);
            $now = $this->clock->now();
            $this->entities->persist(new RecordedRecall($id, $back->word($record, $by, $now), $by->code, $now));
            $this->touches->reference($id);
        });
    }

    public function __invoke(User $by, string $id, Fields $told): void
    {
        $reference = $this->entities->find(RegisteredReference::class, $id) ?? throw Problem::missing('Reference '.$id);
        $kind = $this->families->referenceKind($reference->kind) ?? throw Problem::missing('Kind '.$reference->kind);
        if (!\array_key_exists('error', $told->data())) {
            throw Problem::field('/error', 'say how far it was off, with its sign, or that it is not known (null).');
        }
        $recall = $this->reader->recall($told, $kind);
        $record = SupposedRecall::record($recall);
        $this->journal->during(
            $by->code,
            'reference recalled',
            ['reference' => $id, ...$record],
            function () use ($id, $record, $by): void {
                $this->entities->persist(new RecordedRecall($id, $record, $by->code, $this->clock->now()));
                $this->touches->reference($id);
            },
        );
    }
}
