<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** Units are registered, with the certificates that they come with: one, or several at once, all of them or none. */
final readonly class RegisterInstrument implements RegistersSeveral
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

    /** @return string its asset number */
    public function __invoke(User $by, Fields $told): string
    {
        $instrument = $this->read($told);

        return $this->journal->during($by->code, 'instrument registered', $told->data(), function () use ($instrument, $told, $by): string {
            $this->keep($by, $instrument, $told);

            return $instrument->id;
        });
    }

    public function several(User $by, array $several, string $from): void
    {
        $units = array_map(static fn (Fields $told): array => $told->data(), $several);
        $entry = ['from' => $from, 'units' => $units];
        $this->journal->during($by->code, 'instruments registered', $entry, function () use ($several, $by): void {
            foreach ($several as $told) {
                $this->keep($by, $this->read($told), $told);
            }
        });
    }

    public function read(Fields $told): Instrument
    {
        $instrument = $this->reader->instrument($told);
        Strangers::toRecord($this->families)->inPiece('instrument', $told->data());
        if ($told->has('intervals')) {
            throw Problem::field($told->at('intervals'), 'are set by a steward, once it is registered.');
        }
        if ($this->entities->find(RegisteredInstrument::class, $instrument->id) !== null) {
            throw Problem::field($told->at('id'), 'an instrument with this asset number is registered already.');
        }

        return $instrument;
    }

    private function keep(User $by, Instrument $instrument, Fields $told): void
    {
        $record = array_diff_key($told->data(), ['certificates' => 1]);
        $this->entities->persist(
            new RegisteredInstrument($instrument->id, $instrument->family, $record, $by->code, $this->clock->now()),
        );
        $this->entities->flush();
        foreach ($told->objects('certificates') as $certificate) {
            $this->entities->persist(
                new AddedCertificate($instrument->id, null, $certificate->data(), $by->code, $this->clock->now()),
            );
        }
        // Logs that name it may be its own, and no other's.
        foreach (array_filter([$instrument->id, $instrument->serial], \is_string(...)) as $name) {
            $this->touches->logsNaming($name);
        }
    }
}
