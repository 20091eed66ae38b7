<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\RecordedIntervention;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** Something was done to a unit that changes how it responds. */
final readonly class RecordIntervention
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private EvidenceReader $reader,
        private Numbers $numbers,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<string, mixed> $told as the record has it
     *
     * @return string its number
     */
    public function __invoke(User $by, string $instrument, array $told): string
    {
        $unit = $this->entities->find(RegisteredInstrument::class, $instrument) ?? throw Problem::missing('Instrument '.$instrument);

        return $this->journal->during(
            $by->code,
            'intervention',
            [...$told, 'instrument' => $instrument],
            function () use ($by, $unit, $told): string {
                $number = $this->numbers->next('intervention', 'I-%05d');
                $record = [...$told, 'id' => $number, 'instrument' => $unit->id, 'by' => $by->code];
                $event = $this->reader->intervention(Fields::of($record), $unit->family);
                $this->site->refuseFuture($event->at, '/at');
                $this->entities->persist(new RecordedIntervention(
                    $event->id,
                    $unit->id,
                    $event->at->setTimezone(new \DateTimeZone('UTC')),
                    $record,
                    $by->code,
                    $this->clock->now(),
                ));
                $this->touches->unit($unit->id, $event->at);

                return $event->id;
            },
        );
    }
}
