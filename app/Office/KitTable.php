<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Report\Column;
use Footnote\App\Report\CsvSheet;
use Footnote\App\Storage\Cells;

/** The kit as a table: a line for each instrument and each reference, those out of use as well. */
final class KitTable
{
    public const FILE = 'kit.csv';

    /** @return non-empty-list<Column> names stand for good: who reads the table relies on them */
    public static function columns(): array
    {
        return [
            Column::text('list', 'instrument, or reference'),
            Column::text('id', 'Asset number'),
            Column::text('what', 'Family of the instrument, or kind of the reference'),
            Column::text('model', 'Model code'),
            Column::text('serial', 'Serial number; empty: nobody has stated it'),
            Column::text('about', 'What else was registered of it, in words'),
            Column::text('certificate', 'Number of the certificate that was issued last; empty: there is none'),
            Column::text('laboratory', 'Laboratory that issued it'),
            Column::day('issued', 'Day on which it was issued'),
            Column::day('certificate_due', 'Last day that it states'),
            Column::day('counts_until', 'Last day on which it counts: that of the certificate, or of an interval that ends sooner'),
            Column::text('state', 'fit, check first, held, recalled, out of use; in use: a reference; not known: nothing says so yet'),
            Column::text('against', 'What is against it going out, or why it is out of use'),
            Column::moment('last', 'Last check of an instrument, last use of a reference'),
            Column::text('left', 'What is left of a reference that checks use up'),
        ];
    }

    /**
     * @param array<string, mixed> $shown as the list of the kit has it
     *
     * @return array<string, string> cells by column
     */
    public static function instrument(array $shown): array
    {
        $fit = Cells::map($shown, 'fit');

        return [
            'list' => 'instrument',
            'what' => Cells::text($shown, 'familyTitle'),
            'last' => Cells::text($shown, 'lastCheck'),
            'state' => Cells::text($fit, 'state') === '' ? 'not known' : Cells::text($fit, 'state'),
            'against' => implode(CsvSheet::NEXT, Cells::texts($fit, 'against')),
            ...self::either($shown),
        ];
    }

    /**
     * @param array<string, mixed> $shown as the list of the kit has it
     *
     * @return array<string, string> cells by column
     */
    public static function reference(array $shown): array
    {
        return [
            'list' => 'reference',
            'what' => Cells::text($shown, 'kindTitle'),
            'last' => Cells::text($shown, 'lastUse'),
            'left' => Cells::text($shown, 'left'),
            ...self::recalled($shown),
            ...self::either($shown),
        ];
    }

    /**
     * @param array<string, mixed> $shown
     *
     * @return array{state: string, against: string}
     */
    private static function recalled(array $shown): array
    {
        $standing = array_filter(Cells::rows($shown, 'recalls'), static fn (array $one): bool => ($one['takenBack'] ?? null) === null);

        return [
            'state' => $standing === [] ? 'in use' : 'recalled',
            'against' => implode(CsvSheet::NEXT, array_map(static fn (array $one): string => Cells::text($one, 'reason'), $standing)),
        ];
    }

    /**
     * @param array<string, mixed> $shown
     *
     * @return array<string, string>
     */
    private static function either(array $shown): array
    {
        // One that was withdrawn has a word that says so; it counts for nothing.
        $counting = array_values(array_filter(
            Cells::rows($shown, 'certificates'),
            static fn (array $one): bool => Cells::text($one, 'word') === '',
        ));
        usort($counting, static fn (array $one, array $other): int => Cells::text($other, 'issued') <=> Cells::text($one, 'issued'));
        $newest = $counting[0] ?? [];
        $retired = Cells::map($shown, 'retired');
        $written = $shown['written'] ?? [];

        return [
            'id' => Cells::text($shown, 'id'),
            'model' => Cells::text($shown, 'model'),
            'serial' => Cells::text(\is_object($written) ? get_object_vars($written) : Cells::map($shown, 'written'), 'serial'),
            'about' => Cells::text($shown, 'about'),
            'certificate' => Cells::text($newest, 'number'),
            'laboratory' => Cells::text($newest, 'laboratory'),
            'issued' => Cells::text($newest, 'issued'),
            'certificate_due' => Cells::text($newest, 'due'),
            'counts_until' => Cells::text($shown, 'due'),
            ...($retired === [] ? [] : ['state' => 'out of use', 'against' => Cells::text($retired, 'reason')]),
        ];
    }
}
