<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** A reference is registered, with the certificates that it comes with. */
final readonly class RegisterReference
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
        $reference = $this->reader->reference($told);
        Strangers::toRecord($this->families)->inPiece('reference', $told->data());
        if ($told->has('intervals')) {
            throw Problem::field('/intervals', 'are set by a steward, once it is registered.');
        }
        if ($this->entities->find(RegisteredReference::class, $reference->id) !== null) {
            throw Problem::field('/id', 'a reference with this asset number is registered already.');
        }
        foreach ($reference->certificates as $place => $certificate) {
            WholeCertificate::check($certificate, $this->families->referenceKind($reference->kind), "/certificates/$place");
        }
        $this->journal->during($by->code, 'reference registered', $told->data(), function () use ($reference, $told, $by): void {
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
        });

        return $reference->id;
    }
}
