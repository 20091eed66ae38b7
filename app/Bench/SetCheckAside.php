<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\ReplacedCheck;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/** A check that shows nothing of its unit is set aside, with the reason; it stays on record. */
final readonly class SetCheckAside
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $id, string $reason): void
    {
        $check = $this->entities->find(RecordedCheck::class, $id) ?? throw Problem::missing('Check '.$id);
        $family = $this->entities->find(RegisteredInstrument::class, $check->instrument)->family ?? '';
        if ($this->reader->check(Fields::of($check->record), $this->families->of($family))->content->wasAdjusted()) {
            throw new Problem(409, 'The instrument was adjusted at this check: setting it aside would hide that. Nothing was changed.');
        }
        if ($this->entities->find(ReplacedCheck::class, $id) !== null) {
            throw new Problem(409, 'Another check stands in its place: set that one aside. Nothing was changed.');
        }
        if ($this->entities->find(RecordedSetAside::class, $id) !== null) {
            throw new Problem(409, 'This check was set aside already.');
        }
        $record = ['at' => $this->clock->now()->format(\DATE_ATOM), 'by' => $by->code, 'reason' => $reason];
        $this->journal->during(
            $by->code,
            'check set aside',
            ['check' => $id, ...$record],
            function () use ($id, $record, $by, $check): void {
                $this->entities->persist(new RecordedSetAside($id, $record, $by->code, $this->clock->now()));
                $this->touches->unit($check->instrument, $check->at);
            },
        );
    }
}
