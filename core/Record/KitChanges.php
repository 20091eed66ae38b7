<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/**
 * What is another in what the kit says of a unit, a reference or a certificate, in words.
 *
 * @phpstan-type Change array{label: string, was: string, is: string}
 */
final class KitChanges
{
    private const CERTIFICATE = ['number' => 'Number', 'laboratory' => 'Laboratory', 'issued' => 'Issued', 'due' => 'Due'];
    private const PIECE = ['model' => 'Model', 'serial' => 'Serial number'];

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     * @param list<Entry>          $asked of it
     *
     * @return list<Change>
     */
    public static function ofPiece(array $was, array $is, array $asked): array
    {
        $told = static fn (array $record): array => self::told($record, self::PIECE, $asked);

        return self::between($told($was), $told($is));
    }

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     * @param ReferenceKind|null   $kind what its reference is; null for a certificate of a unit
     *
     * @return list<Change>
     */
    public static function ofCertificate(array $was, array $is, ?ReferenceKind $kind): array
    {
        $told = static fn (array $record): array => [
            ...self::told($record, self::CERTIFICATE, $kind->constants ?? []),
            ...self::table($record, $kind),
        ];

        return self::between($told($was), $told($is));
    }

    /**
     * @param array<array-key, string> $before by label
     * @param array<array-key, string> $after
     *
     * @return list<Change>
     */
    private static function between(array $before, array $after): array
    {
        $changes = [];
        foreach (array_keys([...$before, ...$after]) as $label) {
            if (($before[$label] ?? '') !== ($after[$label] ?? '')) {
                $changes[] = ['label' => (string) $label, 'was' => $before[$label] ?? '', 'is' => $after[$label] ?? ''];
            }
        }

        return $changes;
    }

    /**
     * @param array<array-key, mixed> $record
     * @param array<string, string>   $fields labels by name
     * @param list<Entry>             $asked
     *
     * @return array<array-key, string> by label
     */
    private static function told(array $record, array $fields, array $asked): array
    {
        $told = [];
        foreach ($fields as $name => $label) {
            $told[$label] = \is_string($record[$name] ?? null) ? $record[$name] : '';
        }
        foreach (WrittenValues::of($asked, $record, '') as $value) {
            $told[$value->label] = $value->shown();
        }

        return $told;
    }

    /**
     * @param array<array-key, mixed> $record of a certificate
     *
     * @return array<array-key, string> by label
     */
    private static function table(array $record, ?ReferenceKind $kind): array
    {
        $told = [];
        $unit = $kind->table->unit->value ?? '';
        foreach (\is_array($record['values'] ?? null) ? $record['values'] : [] as $value) {
            $row = array_filter(\is_array($value) ? $value : [], \is_string(...));
            $beside = array_diff_key($row, ['nominal' => 1, 'certified' => 1, 'uncertainty' => 1]);
            $name = 'Certified at '.implode(', ', [$row['nominal'] ?? '', ...array_values($beside)]);
            $uncertainty = ($row['uncertainty'] ?? '') === '' ? '' : ' ± '.$row['uncertainty'];
            $told[$name] = trim(($told[$name] ?? '').' '.($row['certified'] ?? '').$uncertainty.' '.$unit);
        }

        return $told;
    }
}
