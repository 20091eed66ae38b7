<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;
use Footnote\Core\Sheet\SheetShelf;

/** Model sheets: which there are, what is asked of one for a model, and how a check is walked with it. */
final readonly class ModelSheetsPresenter
{
    public function __construct(
        private ModelSheets $sheets,
        private Kit $kit,
        private Logbook $logbook,
        private LibraryPresenter $library,
        private Assessor $assessor,
        private EvidenceReader $reader,
        private Formats $families,
    ) {
    }

    /** @return array<string, mixed> every sheet, and the models of the kit with those that are asked of them */
    public function all(): array
    {
        $all = $this->sheets->all();
        $models = [];
        foreach ($this->units() as $unit) {
            $key = $unit->family.' '.$unit->model;
            $models[$key] ??= [
                'model' => $unit->model,
                'family' => $unit->family,
                'units' => [],
                'sheets' => $all->of($unit->family, $unit->model)->codes(),
            ];
            $models[$key]['units'][] = $unit->id;
        }
        ksort($models, \SORT_STRING);
        $by = $this->by();

        return [
            'sheets' => array_map(
                fn (ModelSheet $sheet): array => $this->line($sheet, $all, $by[$sheet->code] ?? ''),
                $all->sheets,
            ),
            'models' => array_values($models),
        ];
    }

    /** @return array<string, mixed> a sheet as it stands, and how checks of each of its models are walked with it */
    public function page(string $code): array
    {
        $all = $this->sheets->all();
        $record = $this->library->entry(SheetShelf::ID, $code);
        $sheet = $this->read($record);
        $units = $this->units();
        $walks = [];
        foreach ($sheet->models() as $model) {
            $unit = self::among($units, $model);
            $walks[] = $unit === null
                ? ['model' => $model, 'unit' => null, 'procedures' => [], 'misplaced' => []]
                : $this->walk($sheet, $unit);
        }

        return [...$this->line($sheet, $all, $this->by()[$code] ?? ''), 'entry' => (object) $record, 'walks' => $walks];
    }

    /** @return array<string, mixed> what a sheet of the model asks, its steps and readings to choose from */
    public function form(string $model): array
    {
        $unit = $this->unitOf($model);
        $procedures = $this->assessor->family($unit->family)->procedures($unit);

        return [
            'model' => $unit->model,
            'family' => $unit->family,
            'entries' => Entry::all(array_values(array_filter(
                SheetShelf::entriesFor($procedures, $this->rowNames($unit, $procedures)),
                static fn (Entry $entry): bool => !\in_array($entry->name, ['models', 'replaces'], true),
            ))),
        ];
    }

    /** @return array<string, mixed> how a check of the model would be walked with a sheet that is still being written */
    public function preview(string $model, Fields $entry): array
    {
        Strangers::toRecord($this->families)->inEntry(SheetShelf::ID, $entry->data());
        $sheet = $this->read($entry->data());

        return $this->walk($sheet, $this->unitOf($model));
    }

    /** @param array<string, mixed> $record */
    private function read(array $record): ModelSheet
    {
        $shelf = $this->families->shelf(SheetShelf::ID) ?? throw new \LogicException('There is no shelf of model sheets.');

        return new ModelSheet($shelf->read(Fields::of($record)));
    }

    /** @return array<string, mixed> */
    private function line(ModelSheet $sheet, Sheets $all, string $by): array
    {
        return [
            'code' => $sheet->code,
            'name' => $sheet->name(),
            'source' => $sheet->source(),
            'minutes' => $sheet->minutes(),
            'models' => $sheet->models(),
            'by' => $by,
            'replacedBy' => $all->replacing($sheet)?->code,
            'steps' => \count($sheet->steps()),
        ];
    }

    /** @return array<string, mixed> */
    private function walk(ModelSheet $sheet, Instrument $unit): array
    {
        $one = new Sheets([$sheet]);
        $frame = $this->assessor->family($unit->family)->procedures($unit);

        return [
            'model' => $unit->model,
            'unit' => $unit->id,
            'procedures' => array_map(static fn (Procedure $procedure): array => [
                'id' => $procedure->id,
                'title' => $procedure->title,
                'steps' => array_map(static fn (Step $step): array => [
                    'id' => $step->id,
                    'title' => $step->words->title,
                    'instruction' => $step->words->instruction,
                    'seconds' => $step->seconds,
                    'isOwn' => $one->added($step->id),
                    'press' => $one->keysAt($step->id),
                    'writes' => array_map(static fn (Entry $entry): string => $entry->words->label, $one->fields($step)),
                ], $procedure->steps),
            ], $one->over($frame)),
            'misplaced' => $one->misplaced($frame),
        ];
    }

    /** @return list<Instrument> */
    private function units(): array
    {
        return array_map(
            fn (array $record): Instrument => $this->reader->instrument(Fields::of($record)),
            array_values($this->logbook->instrumentRecords()),
        );
    }

    private function unitOf(string $model): Instrument
    {
        return self::among($this->units(), $model) ?? throw Problem::missing('The model '.$model);
    }

    /** @param list<Instrument> $units */
    private static function among(array $units, string $model): ?Instrument
    {
        foreach ($units as $unit) {
            if ($unit->model === $model) {
                return $unit;
            }
        }

        return null;
    }

    /** @return array<array-key, string> who added each own sheet, by its code */
    private function by(): array
    {
        return array_column($this->kit->entries(SheetShelf::ID), 'by', 'code');
    }

    /**
     * What tells the rows of its readings apart: channels, sizes.
     *
     * @param list<Procedure> $procedures
     *
     * @return array<array-key, string>
     */
    private function rowNames(Instrument $unit, array $procedures): array
    {
        $bench = $this->assessor->family($unit->family)->bench();
        $names = [];
        foreach ($procedures as $procedure) {
            foreach ($procedure->steps as $step) {
                foreach ($bench->columns($step, $unit, null) as $column) {
                    $names += $column->kind === EntryKind::Choice && $column->required ? $column->among->choices : [];
                }
            }
        }

        return $names;
    }
}
