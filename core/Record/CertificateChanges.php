<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** What is another in a certificate that stands in the place of one that was written wrongly. */
final class CertificateChanges
{
    private const FIELDS = ['number' => 'Number', 'laboratory' => 'Laboratory', 'issued' => 'Issued', 'due' => 'Due'];

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     * @param ReferenceKind|null   $kind what its reference is; null for a certificate of a unit
     *
     * @return list<array{label: string, was: string, is: string}>
     */
    public static function between(array $was, array $is, ?ReferenceKind $kind): array
    {
        $before = self::told($was, $kind);
        $after = self::told($is, $kind);
        $changes = [];
        foreach (array_keys([...$before, ...$after]) as $label) {
            if (($before[$label] ?? '') !== ($after[$label] ?? '')) {
                $changes[] = ['label' => (string) $label, 'was' => $before[$label] ?? '', 'is' => $after[$label] ?? ''];
            }
        }

        return $changes;
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<array-key, string> by label
     */
    private static function told(array $record, ?ReferenceKind $kind): array
    {
        $told = [];
        foreach (self::FIELDS as $name => $label) {
            $told[$label] = \is_string($record[$name] ?? null) ? $record[$name] : '';
        }
        $unit = $kind->table->unit->value ?? '';
        foreach (\is_array($record['values'] ?? null) ? $record['values'] : [] as $value) {
            $row = array_filter(\is_array($value) ? $value : [], \is_string(...));
            $beside = array_diff_key($row, ['nominal' => 1, 'certified' => 1, 'uncertainty' => 1]);
            $name = 'Certified at '.implode(', ', [$row['nominal'] ?? '', ...array_values($beside)]);
            $uncertainty = ($row['uncertainty'] ?? '') === '' ? '' : ' ± '.$row['uncertainty'];
            $told[$name] = trim(($told[$name] ?? '').' '.($row['certified'] ?? '').$uncertainty.' '.$unit);
        }
        foreach (WrittenValues::of($kind->constants ?? [], $record, '') as $value) {
            $told[$value->label] = $value->shown();
        }

        return $told;
    }
}
