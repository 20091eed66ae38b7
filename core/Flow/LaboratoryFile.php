<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/**
 * How a laboratory writes its table: which column holds what. A column may belong to one substance, where the table has a
 * column for each of them. Lines are read one after the other, so that memory does not grow with the file.
 */
final readonly class LaboratoryFile
{
    public const FIELDS = [
        'medium' => 'number of the medium',
        'analyte' => 'substance',
        'front' => 'mass, or mass of the front section',
        'back' => 'mass of the back section',
        'unit' => 'unit of the masses',
        'quantitation' => 'limit of quantitation',
        'detection' => 'limit of detection',
        'desorption' => 'desorption efficiency',
    ];

    /** How laboratories write that they found less than they can quantify, and less than they can detect. */
    private const UNQUANTIFIED = '/^<\s?(loq|rl|ql)$/i';
    private const UNDETECTED = '/^(n\.?\s?d\.?|not detected|none detected|<\s?(lod|mdl))$/i';
    /** What holds masses, each in the unit of its own column. */
    private const MASSES = ['front', 'back', 'quantitation', 'detection'];
    /** A head that is no mass: a concentration in air. */
    private const IN_AIR = '~/\s?m\s?(3|³)|per\s+m|ppm|ppb|conc~iu';
    private const MOST_COMMAS = 100;
    private const DELIMITERS = [',', ';', "\t", '|'];
    private const GUESSES = [
        'medium' => '/medium|sample|cassette|tube|filter|media|field.?(id|no)|client/i',
        'analyte' => '/analyte|substance|compound|component|parameter/i',
        'back' => '/back|rear|section b/i',
        'quantitation' => '/loq|quantitation|reporting|\brl\b/i',
        'detection' => '/lod|detection|mdl/i',
        'desorption' => '/desorp|recovery|\bde\b/i',
        'unit' => '/unit/i',
        'front' => '/front|mass|result|amount|found|weight|µg|ug|mg/i',
    ];

    /**
     * @param int                                                          $skip    lines before the first row
     * @param list<array{place: int, field: string, analyte: string|null, unit: string|null}> $columns the unit is that of their own head
     * @param string                                                       $unit    of masses, where no column says it: "µg" or "mg"
     * @param array<string, string>                                        $codes   of substances, by lower-case name or code
     */
    public function __construct(
        public string $delimiter,
        public int $skip,
        public array $columns,
        public string $unit,
        private array $codes,
    ) {
    }

    /**
     * @param array<string, string> $codes
     *
     * @throws InvalidRecord naming the field
     */
    public static function told(Fields $fields, array $codes): self
    {
        $delimiter = $fields->text('delimiter') === 'tab' ? "\t" : $fields->text('delimiter');
        if (!\in_array($delimiter, self::DELIMITERS, true)) {
            throw new InvalidRecord($fields->at('delimiter'), 'must be comma, semicolon, bar or tab.');
        }
        $columns = [];
        foreach ($fields->objects('columns') as $column) {
            $field = $column->text('field');
            if (!isset(self::FIELDS[$field])) {
                throw new InvalidRecord(
                    $column->at('field'),
                    \sprintf('"%s" is not one of: %s.', $field, implode(', ', array_keys(self::FIELDS))),
                );
            }
            $analyte = $column->optionalText('analyte', 60);
            $own = $column->optionalText('unit', 10);
            if ($own !== null && $own !== '' && !\in_array($own, ['µg', 'mg'], true)) {
                throw new InvalidRecord($column->at('unit'), 'must be µg or mg.');
            }
            $columns[] = [
                'place' => (int) ($column->optionalNumber('place', 0, 200) ?? throw new InvalidRecord($column->at('place'), 'is missing.')),
                'field' => $field,
                'analyte' => $analyte === '' ? null : $analyte,
                'unit' => $own === '' ? null : $own,
            ];
        }
        $has = static fn (string $field): bool => array_filter(
            $columns,
            static fn (array $column): bool => $column['field'] === $field,
        ) !== [];
        foreach (['medium', 'front'] as $needed) {
            if (!$has($needed)) {
                throw new InvalidRecord($fields->at('columns'), \sprintf('no column holds the %s.', self::FIELDS[$needed]));
            }
        }
        $each = array_filter($columns, static fn (array $column): bool => $column['field'] === 'front' && $column['analyte'] === null);
        if (!$has('analyte') && $each !== []) {
            throw new InvalidRecord($fields->at('columns'), 'no column holds the substance: name the substance of each column of masses.');
        }
        $unit = $fields->optionalText('unit') ?? 'µg';
        if (!\in_array($unit, ['µg', 'mg'], true)) {
            throw new InvalidRecord($fields->at('unit'), 'must be µg or mg.');
        }

        return new self($delimiter, (int) ($fields->optionalNumber('skip', 0, 200) ?? 0), $columns, $unit, $codes);
    }

    /**
     * A guess from the first lines; a person confirms.
     *
     * @param list<string>          $lines
     * @param array<string, string> $codes
     */
    public static function guess(array $lines, array $codes): self
    {
        $delimiter = ',';
        $skip = 0;
        $best = [0, 0];
        foreach (self::DELIMITERS as $one) {
            $counts = array_map(
                static fn (string $line): int => \count(self::cells($line, $one)),
                array_filter($lines, static fn (string $line): bool => trim($line) !== ''),
            );
            $tally = array_count_values(array_filter($counts, static fn (int $count): bool => $count > 1));
            arsort($tally);
            $cells = array_key_first($tally);
            // The table is where most lines have the same number of cells; its first line is its head.
            if ($cells !== null && [$tally[$cells], $cells] > $best) {
                $best = [$tally[$cells], $cells];
                $delimiter = $one;
                $skip = 1 + (int) array_search($cells, $counts, true);
            }
        }
        $columns = [];
        $taken = [];
        $header = self::cells($lines[$skip - 1] ?? '', $delimiter);
        foreach ($header as $place => $title) {
            if (preg_match(self::IN_AIR, $title) === 1) {
                continue;
            }
            $own = self::unitOf($title);
            $code = self::code(trim((string) preg_replace('/[(\[].*|,.*/u', '', $title)), $codes);
            if ($code !== null) {
                $columns[] = ['place' => $place, 'field' => 'front', 'analyte' => $code, 'unit' => $own];
                continue;
            }
            foreach (self::GUESSES as $field => $pattern) {
                if (!isset($taken[$field]) && preg_match($pattern, $title) === 1) {
                    $columns[] = [
                        'place' => $place,
                        'field' => $field,
                        'analyte' => null,
                        'unit' => \in_array($field, self::MASSES, true) ? $own : null,
                    ];
                    $taken[$field] = true;
                    break;
                }
            }
        }

        return new self($delimiter, $skip, $columns, 'µg', $codes);
    }

    /** The unit of mass that a head names; null where it names none. */
    private static function unitOf(string $title): ?string
    {
        return match (true) {
            preg_match('/(?<![a-zµμ])mg(?![a-z])/iu', $title) === 1 => 'mg',
            preg_match('/(?<![a-z])(µg|μg|ug|mcg)(?![a-z])/iu', $title) === 1 => 'µg',
            default => null,
        };
    }

    /**
     * @return array{
     *     delimiter: string,
     *     skip: int,
     *     unit: string,
     *     columns: list<array{place: int, field: string, analyte: string|null, unit: string|null}>,
     * }
     */
    public function describe(): array
    {
        return [
            'delimiter' => $this->delimiter === "\t" ? 'tab' : $this->delimiter,
            'skip' => $this->skip,
            'unit' => $this->unit,
            'columns' => $this->columns,
        ];
    }

    /**
     * The rows of each line, by its number from 1; a line without any cell is passed over. What cannot be read comes as
     * the problem it is; a comma within a number, where other numbers carry points, comes as one once a point was seen.
     *
     * @param iterable<string> $lines
     *
     * @return \Generator<int, list<array<string, string>>|InvalidRecord>
     */
    public function read(iterable $lines): \Generator
    {
        $number = 0;
        $points = $this->delimiter === ',';
        $commas = [];
        foreach ($lines as $line) {
            ++$number;
            $fault = $number === $this->skip ? $this->against($line) : null;
            if ($fault !== null) {
                yield $number => new InvalidRecord('/line/'.$number.'/unit', $fault);
            }
            if ($number <= $this->skip || trim($line, " \t\r\n,;|\"") === '') {
                continue;
            }
            $cells = self::cells($line, $this->delimiter);
            foreach ($this->columns as $column) {
                $cell = $cells[$column['place']] ?? '';
                if (!\in_array($column['field'], [...self::MASSES, 'desorption'], true)) {
                    continue;
                }
                $points = $points || preg_match('/\d\.\d/', $cell) === 1;
                if (preg_match('/\d,\d/', $cell) === 1 && \count($commas) < self::MOST_COMMAS) {
                    $commas[$number] ??= new InvalidRecord(
                        '/line/'.$number.'/'.$column['field'],
                        \sprintf(
                            '"%s" holds a comma, in a table whose numbers carry points: is it a decimal comma, or does '
                                .'it part thousands? Write it with a point, or without.',
                            $cell,
                        ),
                    );
                }
            }
            if ($this->delimiter === ',' && isset($commas[$number])) {
                yield $number => $commas[$number];
                continue;
            }
            try {
                yield $number => $this->rows($cells, $number);
            } catch (InvalidRecord $problem) {
                yield $number => $problem;
            }
        }
        if ($points && $this->delimiter !== ',') {
            yield from $commas;
        }
    }

    /**
     * What the head of a table has against being read so: a laboratory that wrote milligrams yesterday may write micrograms today.
     *
     * @param string $head the line above the first row
     *
     * @return string|null null where it has nothing
     */
    public function against(string $head): ?string
    {
        $cells = self::cells($head, $this->delimiter);
        $saidByRows = \in_array('unit', array_column($this->columns, 'field'), true);
        foreach ($this->columns as $column) {
            $title = $cells[$column['place']] ?? null;
            if ($title === null) {
                return \sprintf('The head has %d columns, and one of the masses or names is looked for in a later one.', \count($cells));
            }
            $said = \in_array($column['field'], self::MASSES, true) ? self::unitOf($title) : null;
            $read = $column['unit'] ?? ($saidByRows ? $said : $this->unit);
            if ($said !== null && $said !== $read) {
                return \sprintf('The head of column %d says "%s"; it is read as %s.', $column['place'] + 1, $title, $read);
            }
        }

        return null;
    }

    /** @return list<string> */
    public static function cells(string $line, string $delimiter): array
    {
        return array_map(static fn (?string $cell): string => trim($cell ?? ''), str_getcsv(rtrim($line, "\r\n"), $delimiter, '"', ''));
    }

    /**
     * @param list<string> $cells
     *
     * @return list<array<string, string>>
     */
    private function rows(array $cells, int $number): array
    {
        $place = '/line/'.$number;
        $shared = [];
        $own = [];
        foreach ($this->columns as $column) {
            $cell = $cells[$column['place']] ?? '';
            if ($cell === '') {
                continue;
            }
            if ($column['analyte'] === null) {
                $shared[$column['field']] = $cell;
            } else {
                $own['='.$column['analyte']][$column['field']] = $cell;
            }
        }
        $rowUnit = isset($shared['unit']) ? self::unit($shared['unit']) : null;
        if (($shared['medium'] ?? '') === '') {
            throw new InvalidRecord($place.'/medium', 'is missing.');
        }
        $rows = [];
        foreach ($own === [] ? ['=' => []] : $own as $analyte => $fields) {
            $row = [...$shared, ...$fields];
            $name = $analyte === '=' ? ($row['analyte'] ?? '') : substr($analyte, 1);
            $row['analyte'] = self::code($name, $this->codes) ?? $name;
            $row = $this->plain($this->inOneUnit($row, $analyte === '=' ? null : substr($analyte, 1), $rowUnit, $place), $place);
            LaboratoryRows::check(Fields::of($row, $place));
            $rows[] = $row;
        }

        return $rows;
    }

    /**
     * A row keeps one unit: that of its columns where they have one alike, else micrograms, to which milligrams are brought by
     * moving the point.
     *
     * @param array<string, string> $row
     *
     * @return array<string, string>
     *
     * @throws InvalidRecord where heads and the row's own cell name different units
     */
    private function inOneUnit(array $row, ?string $analyte, ?string $rowUnit, string $place): array
    {
        $units = [];
        $front = array_values(
            array_filter(
                $this->columns,
                static fn (array $column): bool => $column['field'] === 'front'
                    && ($column['analyte'] === null || $column['analyte'] === $analyte),
            ),
        )[0]['unit'] ?? null;
        foreach ($this->columns as $column) {
            if (isset($row[$column['field']])
                && \in_array($column['field'], self::MASSES, true)
                && ($column['analyte'] === null || $column['analyte'] === $analyte)) {
                if ($column['unit'] !== null && $rowUnit !== null && $column['unit'] !== $rowUnit) {
                    throw new InvalidRecord(
                        $place.'/unit',
                        \sprintf('says %s, and the head of the column says %s.', $rowUnit, $column['unit']),
                    );
                }
                // A limit whose head names none is in the unit of the masses.
                $units[$column['field']] = $column['unit'] ?? $rowUnit ?? $front ?? $this->unit;
            }
        }
        $alike = \count(array_unique($units)) <= 1;
        foreach ($alike ? [] : $units as $field => $unit) {
            if ($unit === 'mg' && preg_match('/^(<?)\s*([+-]?)(\d+)(?:\.(\d+))?$/D', $row[$field] ?? '', $part) === 1) {
                $decimals = str_pad($part[4] ?? '', 3, '0');
                $row[$field] = $part[1].$part[2].(string) preg_replace(
                    '/^0+(?=\d)/',
                    '',
                    $part[3].substr($decimals, 0, 3),
                ).(\strlen($decimals) > 3 ? '.'.substr($decimals, 3) : '');
            }
        }
        $row['unit'] = $alike ? (array_values($units)[0] ?? $rowUnit ?? $this->unit) : 'µg';

        return $row;
    }

    /**
     * FC-G1: what laboratories write for "nothing found" as "less than" what they could have found: the limit that they name,
     * and the other only where the row has no own.
     *
     * @param array<string, string> $row
     *
     * @return array<string, string>
     *
     * @throws InvalidRecord where the row has no limit at all
     */
    private function plain(array $row, string $place): array
    {
        foreach (['front', 'back'] as $name) {
            $limits = match (true) {
                !isset($row[$name]) => null,
                preg_match(self::UNQUANTIFIED, $row[$name]) === 1 => [$row['quantitation'] ?? null, $row['detection'] ?? null],
                preg_match(self::UNDETECTED, $row[$name]) === 1 => [$row['detection'] ?? null, $row['quantitation'] ?? null],
                default => null,
            };
            if ($limits !== null) {
                $limit = $limits[0] ?? $limits[1] ?? throw new InvalidRecord(
                    $place.'/'.$name,
                    \sprintf('"%s" is no number, and the row gives no limit that it could stand for.', $row[$name]),
                );
                $row[$name] = '<'.ltrim($limit, '< ');
            }
        }

        return $row;
    }

    private static function unit(string $unit): string
    {
        return match (mb_strtolower(trim($unit))) {
            'ug', 'µg', 'μg', 'mcg', 'microgram', 'micrograms' => 'µg',
            'mg', 'milligram', 'milligrams' => 'mg',
            default => $unit,
        };
    }

    /** @param array<string, string> $codes */
    private static function code(string $name, array $codes): ?string
    {
        return $codes[mb_strtolower(trim($name))] ?? null;
    }
}
