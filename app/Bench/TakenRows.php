<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\ReadingEntries;
use Footnote\Core\Source\Taken;

/** Readings from a source as rows of a step's list: in the rows that wait for them, else in new ones. */
final readonly class TakenRows
{
    /**
     * @param string                  $file  the number that the stretch is kept under
     * @param \DateTimeImmutable|null $began when the clock of the step was started; null: it has none, or nobody did
     */
    public function __construct(private string $file, private Provenance $how, private ?\DateTimeImmutable $began)
    {
    }

    /**
     * @param list<array<array-key, mixed>> $rows  as they were answered, or as the step begins
     * @param list<Taken>                   $taken of the rows' columns
     *
     * @return list<array<array-key, mixed>>
     */
    public function in(array $rows, array $taken): array
    {
        // What goes into one row is one reading: a volume and its time.
        $groups = [];
        foreach ($taken as $one) {
            $groups[json_encode($one->feed->row, \JSON_THROW_ON_ERROR)][] = $one;
        }
        foreach ($groups as $group) {
            $readings = max(array_map(static fn (Taken $one): int => \count($one->samples), $group));
            for ($reading = 0; $reading < $readings; ++$reading) {
                $rows = $this->one($rows, $group, $reading);
            }
        }

        return $rows;
    }

    /**
     * @param list<array<array-key, mixed>> $rows
     * @param non-empty-list<Taken>         $group
     *
     * @return list<array<array-key, mixed>>
     */
    private function one(array $rows, array $group, int $reading): array
    {
        $row = $group[0]->feed->row;
        $lines = [];
        foreach ($group as $one) {
            $sample = $one->samples[$reading] ?? null;
            if ($sample === null) {
                continue;
            }
            $row[$one->feed->column] = $one->feed->written($sample);
            $lines[] = $sample->line;
            if ($this->began !== null) {
                $row['seconds'] = number_format(max(0.0, Span::secondsBetween($this->began, $sample->at)), 1, '.', '');
            }
        }
        $row[ReadingEntries::PROVENANCE] = $this->how->value;
        $row += $lines === [] ? [] : [ReadingEntries::LINE => (new TakenLine($this->file, $lines))->written()];
        foreach ($rows as $place => $there) {
            if ($this->waits($there, $group)) {
                return array_values(array_replace($rows, [$place => [...$there, ...$row]]));
            }
        }

        return self::behindItsLike($rows, $row, array_keys($group[0]->feed->row));
    }

    /**
     * A new row stands behind the last of its channel.
     *
     * @param list<array<array-key, mixed>> $rows
     * @param array<array-key, mixed>       $row
     * @param list<string>                  $names of what tells rows apart
     *
     * @return list<array<array-key, mixed>>
     */
    private static function behindItsLike(array $rows, array $row, array $names): array
    {
        $alike = static fn (array $one): array => array_map(static fn (string $name): mixed => $one[$name] ?? null, $names);
        $behind = \count($rows);
        foreach ($rows as $place => $there) {
            $behind = $alike($there) === $alike($row) ? $place + 1 : $behind;
        }

        return [...\array_slice($rows, 0, $behind), $row, ...\array_slice($rows, $behind)];
    }

    /**
     * Whether a row is of that channel, holds nothing of it yet, and counts.
     *
     * @param array<array-key, mixed> $row
     * @param non-empty-list<Taken>   $group
     */
    private function waits(array $row, array $group): bool
    {
        foreach ($group[0]->feed->row as $name => $value) {
            if (($row[$name] ?? null) !== $value) {
                return false;
            }
        }
        foreach ($group as $one) {
            $there = $row[$one->feed->column] ?? '';
            if ((\is_array($there) ? $there['value'] ?? '' : $there) !== '') {
                return false;
            }
        }

        return !isset($row['struck']);
    }
}
