<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Evidence\OwnStep;
use Footnote\Core\Evidence\OwnValue;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/**
 * The steps that model sheets added to a check, as they stand in the record: a row for each value that was written down, or one
 * for the step where nothing was.
 */
final class OwnSteps
{
    public const NAME = 'own';

    private const STEPS = 200;

    public static function entry(): Entry
    {
        return Entry::rows(self::NAME, 'Steps of the model sheet', [
            Entry::text('step', 'Step', true),
            Entry::text('sheet', 'Model sheet', true),
            Entry::text('title', 'Title', true),
            Entry::flag('required', 'Required'),
            Entry::text('label', 'What'),
            Entry::text('value', 'Value'),
            Entry::text('unit', 'Unit'),
            Entry::decimal('least', 'Usually at least', '-1000000', '1000000'),
            Entry::decimal('most', 'Usually at most', '-1000000', '1000000'),
            Entry::text('otherwise', 'What else it means'),
        ]);
    }

    /**
     * The values, each called as its sheet calls it: they are what may be corrected of it.
     *
     * @param array<string, mixed> $record of a check
     *
     * @return list<WrittenValue>
     */
    public static function values(array $record): array
    {
        $values = [];
        $rows = $record[self::NAME] ?? [];
        foreach (\is_array($rows) ? $rows : [] as $place => $row) {
            $row = \is_array($row) ? array_filter($row, \is_string(...)) : [];
            if (isset($row['value'])) {
                $label = $row['label'] ?? '';
                $path = \sprintf('/%s/%s/value', self::NAME, $place);
                $values[] = (new WrittenValue($path, $label, $row['value'], $row['unit'] ?? '', Entry::text('value', $label)))
                    ->in(new TableRow('Model sheet', $row['title'] ?? '', false, null));
            }
        }

        return $values;
    }

    /** @return list<OwnStep> */
    public static function read(Fields $check): array
    {
        $steps = [];
        foreach (EntryReader::read($check, [self::entry()])->rows(self::NAME) as $place => $row) {
            $id = $row->text('step') ?? '';
            $steps['='.$id] ??= new OwnStep($id, $row->text('sheet') ?? '', $row->text('title') ?? '', $row->flag('required'));
            $value = $row->text('value');
            if ($value !== null) {
                $own = new OwnValue($row->text('label') ?? '', $value, Band::of($row));
                self::refuse($check, $place, $own);
                $steps['='.$id] = $steps['='.$id]->with($own);
            }
        }
        if (\count($steps) > self::STEPS) {
            throw new InvalidRecord($check->at(self::NAME), \sprintf('holds more than %d steps.', self::STEPS));
        }

        return array_values($steps);
    }

    /** What is held against a band is a number. */
    private static function refuse(Fields $check, int $place, OwnValue $value): void
    {
        if ($value->band->isOpen()) {
            return;
        }
        try {
            Decimal::parse($value->written);
        } catch (MalformedDecimal) {
            throw new InvalidRecord(
                \sprintf('%s/%d/value', $check->at(self::NAME), $place),
                \sprintf('%s: "%s" is no decimal number.', $value->label, $value->written),
            );
        }
    }
}
