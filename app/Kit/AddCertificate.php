<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** A certificate of a unit or of a reference is added; what was worked out with those before is worked out again. */
final readonly class AddCertificate
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

    public function ofInstrument(User $by, string $id, Fields $told): void
    {
        $unit = $this->entities->find(RegisteredInstrument::class, $id) ?? throw Problem::missing($id);
        $this->asked('instrument', ['family' => $unit->family], $told);
        $this->reader->certificate($told, null);
        $this->journal->during($by->code, 'certificate added', [...$told->data(), 'of' => $id], function () use ($by, $unit, $told): void {
            $this->entities->persist(new AddedCertificate($unit->id, null, $told->data(), $by->code, $this->clock->now()));
            $this->touches->unit($unit->id, null);
        });
    }

    public function ofReference(User $by, string $id, Fields $told): void
    {
        if (!$by->has(Role::Steward)) {
            throw new Problem(403, 'Only a steward adds certificates of references. Nothing was changed.');
        }
        $reference = $this->entities->find(RegisteredReference::class, $id) ?? throw Problem::missing($id);
        $this->asked('reference', ['kind' => $reference->kind], $told);
        $kind = $this->families->referenceKind($reference->kind);
        WholeCertificate::check($this->reader->certificate($told, $kind), $kind, '');
        $this->journal->during(
            $by->code,
            'certificate added',
            [...$told->data(), 'of' => $id],
            function () use ($by, $reference, $told): void {
                $this->entities->persist(new AddedCertificate(null, $reference->id, $told->data(), $by->code, $this->clock->now()));
                $this->touches->reference($reference->id);
            },
        );
    }

    /** @param array<string, string> $of what tells the certificates of one kind from those of another */
    private function asked(string $piece, array $of, Fields $told): void
    {
        Strangers::toRecord($this->families)->inCertificate($piece, $of, $told->data());
    }
}
