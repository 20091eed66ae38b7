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

    private const NOTHING = '/^(n\.?\s?d\.?|not detected|none detected|<\s?(loq|lod|rl|mdl|ql))$/i';
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
     * @param list<array{place: int, field: string, analyte: string|null}> $columns
     * @param string                                                       $unit    of masses, where no column says it: "µg" or "mg"
     * @param array<string, string>                                        $codes   of substances, by lower-case name or code
     */
    public function __construct(public string $delimiter, public int $skip, public array $columns, public string $unit, private array $codes)
    {
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
                throw new InvalidRecord($column->at('field'), \sprintf('"%s" is not one of: %s.', $field, implode(', ', array_keys(self::FIELDS))));
            }
            $analyte = $column->optionalText('analyte', 60);
            $columns[] = ['place' => (int) ($column->optionalNumber('place', 0, 200) ?? throw new InvalidRecord($column->at('place'), 'is missing.')), 'field' => $field, 'analyte' => $analyte === '' ? null : $analyte];
        }
        $has = static fn (string $field): bool => array_filter($columns, static fn (array $column): bool => $column['field'] === $field) !== [];
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
        [$delimiter, $skip, $best] = [',', 0, [0, 0]];
        foreach (self::DELIMITERS as $one) {
            $counts = array_map(static fn (string $line): int => \count(self::cells($line, $one)), array_filter($lines, static fn (string $line): bool => trim($line) !== ''));
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
        $unit = preg_match('/\bmg\b/i', implode(' ', $header)) === 1 ? 'mg' : 'µg';
        foreach ($header as $place => $title) {
            $code = self::code(trim((string) preg_replace('/[(\[].*|,.*/u', '', $title)), $codes);
            if ($code !== null) {
                $columns[] = ['place' => $place, 'field' => 'front', 'analyte' => $code];
                continue;
            }
            foreach (self::GUESSES as $field => $pattern) {
                if (!isset($taken[$field]) && preg_match($pattern, $title) === 1) {
                    $columns[] = ['place' => $place, 'field' => $field, 'analyte' => null];
                    $taken[$field] = true;
                    break;
                }
            }
        }

        return new self($delimiter, $skip, $columns, $unit, $codes);
    }

    /** @return array{delimiter: string, skip: int, unit: string, columns: list<array{place: int, field: string, analyte: string|null}>} */
    public function describe(): array
    {
        return ['delimiter' => $this->delimiter === "\t" ? 'tab' : $this->delimiter, 'skip' => $this->skip, 'unit' => $this->unit, 'columns' => $this->columns];
    }

    /**
     * The rows of each line, by its number from 1; a line without any cell is passed over. What cannot be read comes as
     * the problem it is.
     *
     * @param iterable<string> $lines
     *
     * @return \Generator<int, list<array<string, string>>|InvalidRecord>
     */
    public function read(iterable $lines): \Generator
    {
        $number = 0;
        foreach ($lines as $line) {
            ++$number;
            if ($number <= $this->skip || trim($line, " \t\r\n,;|\"") === '') {
                continue;
            }
            try {
                yield $number => $this->rows(self::cells($line, $this->delimiter), $number);
            } catch (InvalidRecord $problem) {
                yield $number => $problem;
            }
        }
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
        if (($shared['medium'] ?? '') === '') {
            throw new InvalidRecord($place.'/medium', 'is missing.');
        }
        $rows = [];
        foreach ($own === [] ? ['=' => []] : $own as $analyte => $fields) {
            $row = [...$shared, ...$fields];
            $name = $analyte === '=' ? ($row['analyte'] ?? '') : substr($analyte, 1);
            $row['analyte'] = self::code($name, $this->codes) ?? $name;
            $row['unit'] = self::unit($row['unit'] ?? $this->unit);
            $row = $this->plain($row);
            LaboratoryRows::check(Fields::of($row, $place));
            $rows[] = $row;
        }

        return $rows;
    }

    /**
     * What laboratories write for "nothing found" as "less than" what they could have found.
     *
     * @param array<string, string> $row
     *
     * @return array<string, string>
     */
    private function plain(array $row): array
    {
        foreach (['front', 'back'] as $name) {
            if (isset($row[$name]) && preg_match(self::NOTHING, $row[$name]) === 1) {
                $limit = $row['detection'] ?? $row['quantitation'] ?? null;
                if ($limit !== null) {
                    $row[$name] = '<'.ltrim($limit, '< ');
                }
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
