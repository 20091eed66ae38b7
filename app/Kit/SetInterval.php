<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedInterval;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/** The site sets how often something is wanted of one unit or one reference, in place of what the policy says, from a day on. */
final readonly class SetInterval
{
    private const ASKED = ['routine', 'every', 'unit', 'since', 'source'];

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    public function ofInstrument(User $by, string $id, Fields $told): void
    {
        $unit = $this->entities->find(RegisteredInstrument::class, $id) ?? throw Problem::missing('Instrument '.$id);
        $record = self::record($by, $told);
        $this->reader->interval(Fields::of($record), $this->families->routines($unit->family));
        $this->journal->during($by->code, 'interval set', [...$record, 'of' => $id], function () use ($by, $unit, $record): void {
            $this->entities->persist(new AddedInterval($unit->id, null, $record, $by->code, $this->clock->now()));
            $this->touches->unit($unit->id, null);
        });
    }

    public function ofReference(User $by, string $id, Fields $told): void
    {
        $reference = $this->entities->find(RegisteredReference::class, $id) ?? throw Problem::missing('Reference '.$id);
        $record = self::record($by, $told);
        $this->reader->interval(Fields::of($record), CommonRoutine::cases());
        $this->journal->during($by->code, 'interval set', [...$record, 'of' => $id], function () use ($by, $reference, $record): void {
            $this->entities->persist(new AddedInterval(null, $reference->id, $record, $by->code, $this->clock->now()));
            $this->touches->reference($reference->id);
        });
    }

    /** @return array<string, mixed> who set it is who is signed in */
    private static function record(User $by, Fields $told): array
    {
        return [...array_intersect_key($told->data(), array_flip(self::ASKED)), 'by' => $by->code];
    }
}
