<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\Shelf;
use Footnote\Core\Record\UnitEntries;

/** What the kit asks: of units by family, of references by kind, of library entries by shelf. */
final readonly class FormsPresenter
{
    public function __construct(private Assessor $assessor, private Formats $families)
    {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        return [
            'families' => array_map(
                fn (Family $family): array => [
                    'id' => $family->id(),
                    'title' => $family->title(),
                    'entries' => Entry::all($this->families->of($family->id())->instrument()),
                    'run' => Entry::all($this->families->of($family->id())->run()),
                    'interventions' => array_map(
                        static fn (InterventionKind $kind): string => $kind->id(),
                        $this->families->of($family->id())->interventions(),
                    ),
                    'keepsLog' => $this->families->of($family->id()) instanceof KeepsLogs,
                ],
                $this->assessor->families(),
            ),
            'ofAnyUnit' => Entry::all(UnitEntries::once()),
            'references' => array_map(
                static fn (ReferenceKind $kind): array => [
                    'id' => $kind->id,
                    'title' => $kind->title,
                    'entries' => Entry::all($kind->entries),
                    'constants' => Entry::all($kind->constants),
                    'valueUnit' => $kind->table->unit->value ?? '',
                    'nominal' => $kind->table->nominal ?? 'nominal value',
                    'beside' => Entry::all($kind->table->beside ?? []),
                    'table' => $kind->table->required ?? false,
                ],
                array_values($this->families->referenceKinds()),
            ),
            'shelves' => array_map(
                static fn (Shelf $shelf): array => [
                    'id' => $shelf->id,
                    'title' => $shelf->title,
                    'one' => $shelf->one,
                    'entries' => Entry::all($shelf->entries),
                ],
                array_values($this->families->shelves()),
            ),
        ];
    }
}
