<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** References are registered, with the certificates that they come with: one, or several at once, all of them or none. */
final readonly class RegisterReference implements RegistersSeveral
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /** @return string its asset number */
    public function __invoke(User $by, Fields $told): string
    {
        $reference = $this->read($told);
        $this->journal->during($by->code, 'reference registered', $told->data(), fn () => $this->keep($by, $reference, $told));

        return $reference->id;
    }

    public function several(User $by, array $several, string $from): void
    {
        $entry = ['from' => $from, 'references' => array_map(static fn (Fields $told): array => $told->data(), $several)];
        $this->journal->during($by->code, 'references registered', $entry, function () use ($several, $by): void {
            foreach ($several as $told) {
                $this->keep($by, $this->read($told), $told);
            }
        });
    }

    public function read(Fields $told): Reference
    {
        $reference = $this->reader->reference($told);
        Strangers::toRecord($this->families)->inPiece('reference', $told->data());
        if ($told->has('intervals')) {
            throw Problem::field($told->at('intervals'), 'are set by a steward, once it is registered.');
        }
        if ($this->entities->find(RegisteredReference::class, $reference->id) !== null) {
            throw Problem::field($told->at('id'), 'a reference with this asset number is registered already.');
        }
        foreach ($reference->certificates as $place => $certificate) {
            $kind = $this->families->referenceKind($reference->kind);
            WholeCertificate::check($certificate, $kind, $told->at('certificates').'/'.$place);
        }

        return $reference;
    }

    private function keep(User $by, Reference $reference, Fields $told): void
    {
        $record = array_diff_key($told->data(), ['certificates' => 1, 'recalls' => 1]);
        $this->entities->persist(
            new RegisteredReference($reference->id, $reference->kind, $record, $by->code, $this->clock->now()),
        );
        $this->entities->flush();
        foreach ($told->objects('certificates') as $certificate) {
            $this->entities->persist(
                new AddedCertificate(null, $reference->id, $certificate->data(), $by->code, $this->clock->now()),
            );
        }
    }
}
