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
use Footnote\Core\Record\RecallList;
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

    /** A recall that was made in error is taken back by another word; it stays on record. */
    public function takeBack(User $by, string $id, int $place, Fields $told): void
    {
        $reason = self::reason($told);
        $entry = ['reference' => $id, RecallList::TAKES_BACK => $place, 'reason' => $reason];
        $this->journal->during($by->code, 'recall taken back', $entry, function () use ($by, $id, $place, $reason): void {
            $record = $this->logbook->referenceRecords([$id])[$id] ?? throw Problem::missing('Reference '.$id);
            if (!isset(RecallList::of(Fields::of($record))->open()[$place])) {
                throw new Problem(409, 'This recall is not there, or was taken back already. Nothing was changed.');
            }
            $now = $this->clock->now();
            $this->entities->persist(new RecordedRecall($id, RecallList::back($place, $reason, $by->code, $now), $by->code, $now));
            $this->touches->reference($id);
        });
    }

    /** Why a recall is taken back. */
    public static function reason(Fields $told): string
    {
        $reason = $told->optionalText('reason', 2000) ?? '';

        return $reason === '' ? throw Problem::field('/reason', 'say why it is taken back.') : $reason;
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
