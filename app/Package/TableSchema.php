<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\Column;

/** What each table of a package holds, for programs (published: Frictionless Tabular Data Package, version 1). */
final readonly class TableSchema
{
    public const FILE = 'datapackage.json';

    /** How moments are written, as the profile says it. */
    private const MOMENT = '%Y-%m-%dT%H:%M:%S%z';

    /**
     * @param string                                            $of what it is of, such as a campaign's code
     * @param array<string, array{bytes: int, sha256: string}> $laid what was laid down, by the name of the table
     *
     * @return array<string, mixed>
     */
    public static function of(string $of, string $title, array $laid): array
    {
        return [
            'profile' => 'tabular-data-package',
            // A name there is of small letters, digits and a few signs.
            'name' => 'package-'.preg_replace('/[^a-z0-9._-]/', '-', strtolower($of)),
            'title' => $title,
            'resources' => array_map(
                static fn (Sheet $sheet): array => self::resource($sheet, $laid[$sheet->value]),
                array_values(array_filter(Sheet::cases(), static fn (Sheet $sheet): bool => isset($laid[$sheet->value]))),
            ),
        ];
    }

    /**
     * @param array{bytes: int, sha256: string} $laid
     *
     * @return array<string, mixed>
     */
    private static function resource(Sheet $sheet, array $laid): array
    {
        $leads = [];
        foreach ($sheet->leads() as $column => $to) {
            $leads[] = ['fields' => $column, 'reference' => ['resource' => $to->value, 'fields' => $column]];
        }

        return [
            'profile' => 'tabular-data-resource',
            'name' => $sheet->value,
            'title' => $sheet->meaning(),
            'path' => $sheet->file(),
            'format' => 'csv',
            'mediatype' => 'text/csv',
            'encoding' => 'utf-8',
            'bytes' => $laid['bytes'],
            'hash' => 'sha256:'.$laid['sha256'],
            'dialect' => ['delimiter' => ',', 'lineTerminator' => "\n", 'doubleQuote' => true, 'header' => true],
            'schema' => [
                'fields' => array_map(static fn (Column $column): array => [
                    'name' => $column->name,
                    'type' => $column->type,
                    ...($column->type === Column::MOMENT ? ['format' => self::MOMENT] : []),
                    'description' => $column->meaning,
                ], $sheet->columns()),
                'missingValues' => [''],
                ...($sheet->key() === [] ? [] : ['primaryKey' => $sheet->key()]),
                ...($leads === [] ? [] : ['foreignKeys' => $leads]),
            ],
        ];
    }
}
