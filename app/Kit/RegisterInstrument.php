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
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** A unit is registered, with the certificates that it comes with. */
final readonly class RegisterInstrument
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
        $instrument = $this->reader->instrument($told);
        Strangers::toRecord($this->families)->inPiece('instrument', $told->data());
        if ($told->has('intervals')) {
            throw Problem::field('/intervals', 'are set by a steward, once it is registered.');
        }
        if ($this->entities->find(RegisteredInstrument::class, $instrument->id) !== null) {
            throw Problem::field('/id', 'an instrument with this asset number is registered already.');
        }
        $this->journal->during($by->code, 'instrument registered', $told->data(), function () use ($instrument, $told, $by): void {
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
        });

        return $instrument->id;
    }
}
