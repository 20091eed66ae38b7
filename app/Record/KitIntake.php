<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\AddedInterval;
use Footnote\App\Logbook\Row\AddedRetirement;
use Footnote\App\Logbook\Row\KitCorrected;
use Footnote\App\Logbook\Row\LibraryEntry;
use Footnote\App\Logbook\Row\RecalledUnit;
use Footnote\App\Logbook\Row\RecordedRecall;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\Core\Evidence\UnitName;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** The units, the references and the libraries of a record; what is here already stays as it is. */
final readonly class KitIntake
{
    public function __construct(private Intake $intake, private Formats $families)
    {
    }

    /** What is new of it to this logbook. */
    public function take(Fields $record, string $actor): NewKit
    {
        $units = $this->missing(RegisteredInstrument::class, $record->objects('instruments'));
        $references = $this->missing(RegisteredReference::class, $record->objects('references'));
        $now = $this->intake->now();
        foreach ($units as $item) {
            $written = Intake::without($item, 'certificates', 'intervals', 'recalls', 'retirements', 'corrections');
            $this->intake->addMissing(new RegisteredInstrument($item->id('id'), $item->text('family'), $written, $actor, $now));
        }
        foreach ($references as $item) {
            $written = Intake::without($item, 'certificates', 'intervals', 'recalls', 'retirements', 'corrections');
            $this->intake->addMissing(new RegisteredReference($item->id('id'), $item->text('kind'), $written, $actor, $now));
        }
        // The logbook knows a unit or a reference before what was certified of it.
        foreach ($units as $item) {
            $this->added($item, $item->id('id'), null, $actor);
            foreach ($item->objects('recalls') as $recall) {
                $this->intake->add(new RecalledUnit($item->id('id'), $recall->data(), $actor, $now));
            }
        }
        foreach ($references as $item) {
            $this->added($item, null, $item->id('id'), $actor);
            foreach ($item->objects('recalls') as $recall) {
                $this->intake->add(new RecordedRecall($item->id('id'), $recall->data(), $actor, $now));
            }
        }
        $names = array_map(static fn (Fields $item): UnitName => new UnitName($item->id('id'), $item->optionalText('serial', 40)), $units);

        return new NewKit($names, $this->library($record, $actor));
    }

    /** What was certified of a unit or a reference, and the intervals that were set for it. */
    private function added(Fields $item, ?string $unit, ?string $reference, string $actor): void
    {
        foreach ($item->objects('certificates') as $certificate) {
            $this->intake->add(new AddedCertificate($unit, $reference, $certificate->data(), $actor, $this->intake->now()));
        }
        foreach ($item->objects('intervals') as $interval) {
            $this->intake->add(new AddedInterval($unit, $reference, $interval->data(), $actor, $this->intake->now()));
        }
        foreach ($item->objects('corrections') as $word) {
            // What it says now stands in the record already.
            $this->intake->add(new KitCorrected($unit, $reference, $word->data(), $actor, $this->intake->now()));
        }
        foreach ($item->objects('retirements') as $word) {
            $this->intake->add(new AddedRetirement($unit, $reference, $word->data(), $actor, $this->intake->now()));
        }
    }

    /**
     * @param class-string $class
     * @param list<Fields> $items
     *
     * @return list<Fields> those that this logbook does not have
     */
    private function missing(string $class, array $items): array
    {
        return array_values(array_filter($items, fn (Fields $item): bool => !$this->intake->has($class, $item->id('id'))));
    }

    /** @return bool whether an entry came that stands over one that came with Footnote */
    private function library(Fields $record, string $actor): bool
    {
        $stands = false;
        $library = $record->optionalObject('library');
        foreach ($this->families->shelves() as $shelf) {
            foreach ($library?->objects($shelf->id) ?? [] as $item) {
                $code = $item->id('code');
                $shelf->read($item);
                if (!$this->intake->has(LibraryEntry::class, ['shelf' => $shelf->id, 'code' => $code])) {
                    $this->intake->addMissing(new LibraryEntry($shelf->id, $code, $item->data(), $actor, $this->intake->now()));
                    $stands = $stands || isset($shelf->shipped()[$code]);
                }
            }
        }

        return $stands;
    }
}
