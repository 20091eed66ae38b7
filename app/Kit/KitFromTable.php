<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;

/**
 * Units of one family or references of one kind out of a table, a line for each, or several units like one that is there: looked at
 * first, line by line; then all of them are registered, but those lines that somebody leaves out by name, or none.
 *
 * @phpstan-type Item array{line: int, id: string, model: string, problems: list<array{field: string, problem: string}>}
 */
final readonly class KitFromTable
{
    /** What a unit like another does not take over. */
    private const OF_ITSELF = ['id', 'serial', 'certificates', 'intervals', 'corrections', 'recalls'];

    /** So many lines at most. */
    private const MOST = 500;

    public function __construct(
        private RegisterInstrument $instruments,
        private RegisterReference $references,
        private Formats $families,
        private Logbook $logbook,
    ) {
    }

    /**
     * @return array{fields: list<array{name: string, label: string, required: bool}>, columns: array<string, int>, items: list<Item>}
     */
    public function look(Fields $told): array
    {
        $read = $this->read($told);

        return ['fields' => $read['fields']->all(), 'columns' => $read['columns'], 'items' => array_column($read['units'], 'item')];
    }

    /**
     * @return list<string> what was registered
     *
     * @throws Problem where a line that is not left out cannot be registered
     */
    public function keep(User $by, Fields $told): array
    {
        if ($told->has('kind') && !$by->has(Role::Steward)) {
            throw new Problem(403, 'Only a steward registers references. Nothing was registered.');
        }
        $read = $this->read($told);
        $out = $told->has('leaveOut') ? self::list($told, 'leaveOut') : [];
        $units = array_values(array_filter(
            $read['units'],
            static fn (array $unit): bool => !\in_array($unit['item']['line'], $out, true),
        ));
        $bad = array_filter($units, static fn (array $unit): bool => $unit['item']['problems'] !== []);
        if ($bad !== [] || $units === []) {
            $lines = implode(', ', array_map(static fn (array $unit): int => $unit['item']['line'], $bad));

            throw new Problem(422, $units === []
                ? 'No line is left. Nothing was registered.'
                : \sprintf('Lines %s cannot be registered. Correct them, or leave them out by name; nothing was registered.', $lines));
        }
        $like = $told->optionalText('like', 40);
        $from = $like === null ? \sprintf('a table of %d lines', \count($read['units'])) : $like;
        $this->register($told)->several($by, array_column($units, 'fields'), $from);

        return array_map(static fn (array $unit): string => $unit['item']['id'], $units);
    }

    /** @return array{fields: TableFields, columns: array<string, int>, units: list<array{item: Item, fields: Fields}>} */
    private function read(Fields $told): array
    {
        $base = $this->base($told);
        $fields = $this->fields($told, $base);
        $register = $this->register($told);
        $rows = self::list($told, 'rows');
        if (\count($rows) > self::MOST) {
            throw Problem::field('/rows', \sprintf('may be %d at most.', self::MOST));
        }
        $header = $rows === [] || $told->flag('headless') ? [] : self::cells($rows[0]);
        $columns = $told->has('columns') ? $this->columns($told, $fields) : $fields->guess($header);
        $units = [];
        $lines = [];
        foreach ($rows as $place => $row) {
            $cells = self::cells($row);
            if (($place === 0 && !$told->flag('headless')) || implode('', $cells) === '') {
                continue;
            }
            $record = $this->record($base, $cells, $columns, $fields);
            $own = Fields::of($record['record']);
            $problems = $this->problems($register, $own, $record['problems']);
            $id = Cells::text($record['record'], 'id');
            foreach ($id === '' ? [] : $lines['='.$id] ?? [] as $line) {
                $problems[] = ['field' => 'id', 'problem' => \sprintf('stands in line %d already.', $line)];
            }
            $lines['='.$id][] = $place + 1;
            $units[] = ['item' => [
                'line' => $place + 1,
                'id' => $id,
                'model' => Cells::text($record['record'], 'model'),
                'problems' => $problems,
            ], 'fields' => $own];
        }

        return ['fields' => $fields, 'columns' => $columns, 'units' => $units];
    }

    private function register(Fields $told): RegistersSeveral
    {
        return $told->has('kind') ? $this->references : $this->instruments;
    }

    /** @param array<string, mixed> $base */
    private function fields(Fields $told, array $base): TableFields
    {
        if ($told->has('kind')) {
            return TableFields::ofKind($this->families->referenceKind(Cells::text($base, 'kind'))
                ?? throw Problem::field('/kind', 'is no kind of reference that there is.'));
        }

        return TableFields::ofFamily($this->families->find(Cells::text($base, 'family'))
            ?? throw Problem::field('/family', 'is no kind of instrument that there is.'));
    }

    /** @return array<string, mixed> what every line of the table has */
    private function base(Fields $told): array
    {
        if ($told->has('kind')) {
            return ['kind' => $told->text('kind')];
        }
        $like = $told->optionalText('like', 40);
        if ($like === null) {
            return ['family' => $told->text('family')];
        }
        $record = $this->logbook->instrumentRecord($like) ?? throw Problem::field('/like', 'is not in the kit.');

        return array_diff_key($record, array_flip(self::OF_ITSELF));
    }

    /** @return array<string, int> */
    private function columns(Fields $told, TableFields $fields): array
    {
        $known = array_column($fields->all(), 'name');
        $columns = [];
        foreach ($told->object('columns')->data() as $name => $place) {
            if (!\in_array($name, $known, true) || !\is_int($place) || $place < 0) {
                throw Problem::field('/columns', 'name fields and the places of their columns, from 0.');
            }
            $columns[$name] = $place;
        }

        return $columns;
    }

    /**
     * @param array<string, mixed> $base
     * @param list<string>         $cells
     * @param array<string, int>   $columns
     *
     * @return array{record: array<string, mixed>, problems: list<array{field: string, problem: string}>}
     */
    private function record(array $base, array $cells, array $columns, TableFields $fields): array
    {
        $record = $base;
        $certificate = [];
        $row = [];
        $problems = [];
        foreach ($columns as $name => $place) {
            $cell = trim($cells[$place] ?? '');
            if ($cell === '') {
                continue;
            }
            if (isset(TableFields::CERTIFICATE[$name])) {
                $isDay = $name === 'issued' || $name === 'due';
                $certificate[TableFields::CERTIFICATE[$name]] = $isDay ? self::day($cell) : $cell;
            } elseif ($fields->isOfValues($name)) {
                $row[$name] = str_replace(',', '.', $cell);
            } else {
                $entry = $fields->entry($name) ?? $fields->constant($name);
                $value = $entry === null ? $cell : self::value($entry, $cell);
                if ($value === null) {
                    $choices = implode(', ', $entry->among->choices ?? []);
                    $problems[] = ['field' => $name, 'problem' => \sprintf('“%s” is none of: %s.', $cell, $choices)];
                } elseif ($fields->constant($name) === null) {
                    $record[$name] = $value;
                } else {
                    $certificate[$name] = $value;
                }
            }
        }
        if ($row !== []) {
            $certificate['values'] = [$row];
        }
        if ($certificate !== []) {
            $record['certificates'] = [$certificate];
        }

        return ['record' => $record, 'problems' => $problems];
    }

    /**
     * @param list<array{field: string, problem: string}> $known
     *
     * @return list<array{field: string, problem: string}>
     */
    private function problems(RegistersSeveral $register, Fields $own, array $known): array
    {
        try {
            $register->read($own);
        } catch (InvalidRecord $problem) {
            $found = $problem->fields();
        } catch (Problem $problem) {
            $found = $problem->fields;
        }
        $told = array_map(
            static fn (array $one): array => ['field' => self::column($one['field']), 'problem' => $one['problem']],
            $found ?? [],
        );

        // What is said of a cell itself says more than that nothing stands there.
        return [...$known, ...array_values(array_filter(
            $told,
            static fn (array $one): bool => !\in_array($one['field'], array_column($known, 'field'), true),
        ))];
    }

    /** The field of a table by its place in a record: "/certificates/0/due" is when it is due, "/certificates/0/slope" a constant of it. */
    private static function column(string $path): string
    {
        $parts = explode('/', ltrim($path, '/'));
        $last = end($parts);
        if ($parts[0] !== 'certificates' || ctype_digit($last)) {
            return $parts[0];
        }
        $ofCertificate = array_search($last, TableFields::CERTIFICATE, true);

        return $ofCertificate !== false ? $ofCertificate : ($last === 'values' ? 'certified' : $last);
    }

    /** What stands in a cell, as a record has it; null where it is none of the choices. */
    private static function value(Entry $entry, string $cell): mixed
    {
        $plain = mb_strtolower($cell);

        return match ($entry->kind) {
            EntryKind::Flag => \in_array($plain, ['yes', 'y', 'true', '1', 'x'], true),
            EntryKind::Decimal => str_replace(',', '.', $cell),
            EntryKind::Measured => self::measured($entry, $cell),
            EntryKind::Choice => self::choice($entry, $plain),
            default => $cell,
        };
    }

    private static function choice(Entry $entry, string $plain): ?string
    {
        foreach ($entry->among->choices as $value => $words) {
            if (\in_array($plain, [mb_strtolower((string) $value), mb_strtolower($words)], true)) {
                return (string) $value;
            }
        }

        return null;
    }

    /** @return array{value: string, unit: string} "2,0 L/min"; without a unit the usual one */
    private static function measured(Entry $entry, string $cell): array
    {
        $found = preg_match('/^([-+]?[\d.,]+)\s*(.*)$/u', $cell, $parts) === 1;
        $usual = $entry->scale->units === [] ? '' : $entry->scale->units[0]->value;

        return $found
            ? ['value' => str_replace(',', '.', $parts[1]), 'unit' => $parts[2] === '' ? $usual : $parts[2]]
            : ['value' => $cell, 'unit' => $usual];
    }

    /** 31.12.2026 is 2026-12-31; whatever else is no day stays as it is, and is refused. */
    private static function day(string $cell): string
    {
        return preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{4})$/D', $cell, $parts) === 1
            ? \sprintf('%s-%02d-%02d', $parts[3], (int) $parts[2], (int) $parts[1])
            : $cell;
    }

    /** @return list<mixed> */
    private static function list(Fields $told, string $name): array
    {
        $value = $told->raw($name);

        return \is_array($value) && array_is_list($value) ? $value : throw Problem::field('/'.$name, 'must be a list.');
    }

    /** @return list<string> */
    private static function cells(mixed $row): array
    {
        return array_map(
            static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '',
            \is_array($row) ? array_values($row) : [],
        );
    }
}
