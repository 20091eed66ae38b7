<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\LibraryEntry;
use Footnote\App\Logbook\Row\RecordedRecall;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** The units, the references and the libraries of a record; what is here already stays as it is. */
final readonly class KitIntake
{
    public function __construct(private Intake $intake, private Formats $families)
    {
    }

    /** @return bool whether an entry of a library came that stands over one that came with Footnote */
    public function take(Fields $record, string $actor): bool
    {
        foreach ($record->objects('instruments') as $item) {
            if (!$this->intake->has(RegisteredInstrument::class, $item->id('id'))) {
                $this->instrument($item, $actor);
            }
        }
        foreach ($record->objects('references') as $item) {
            if (!$this->intake->has(RegisteredReference::class, $item->id('id'))) {
                $this->reference($item, $actor);
            }
        }
        $stands = $this->library($record, $actor);
        $this->intake->flush();

        return $stands;
    }

    private function instrument(Fields $item, string $actor): void
    {
        $now = $this->intake->now();
        $id = $item->id('id');
        $written = Intake::without($item, 'certificates');
        $this->intake->add(new RegisteredInstrument($id, $item->text('family'), $written, $actor, $now));
        $this->intake->flush();
        foreach ($item->objects('certificates') as $certificate) {
            $this->intake->add(new AddedCertificate($id, null, $certificate->data(), $actor, $now));
        }
    }

    private function reference(Fields $item, string $actor): void
    {
        $now = $this->intake->now();
        $id = $item->id('id');
        $written = Intake::without($item, 'certificates', 'recalls');
        $this->intake->add(new RegisteredReference($id, $item->text('kind'), $written, $actor, $now));
        $this->intake->flush();
        foreach ($item->objects('certificates') as $certificate) {
            $this->intake->add(new AddedCertificate(null, $id, $certificate->data(), $actor, $now));
        }
        foreach ($item->objects('recalls') as $recall) {
            $this->intake->add(new RecordedRecall($id, $recall->data(), $actor, $now));
        }
    }

    private function library(Fields $record, string $actor): bool
    {
        $stands = false;
        $library = $record->optionalObject('library');
        foreach ($this->families->shelves() as $shelf) {
            foreach ($library?->objects($shelf->id) ?? [] as $item) {
                $code = $item->id('code');
                $shelf->read($item);
                if (!$this->intake->has(LibraryEntry::class, ['shelf' => $shelf->id, 'code' => $code])) {
                    $this->intake->add(new LibraryEntry($shelf->id, $code, $item->data(), $actor, $this->intake->now()));
                    $stands = $stands || isset($shelf->shipped()[$code]);
                }
            }
        }

        return $stands;
    }
}
