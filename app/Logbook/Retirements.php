<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Reference;

/**
 * What is out of use: the last word that was said of each counts.
 *
 * @phpstan-type Retired array{at: string, by: string, reason: string}
 */
final readonly class Retirements
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return array<string, Retired> by = and the unit */
    public function instruments(): array
    {
        return $this->standing('instrument_id');
    }

    /** @return array<string, Retired> by = and the reference */
    public function references(): array
    {
        return $this->standing('reference_id');
    }

    /**
     * @param array<int|string, Reference> $references
     *
     * @return list<Reference> those that are in use
     */
    public function inUse(array $references): array
    {
        $retired = $this->references();

        return array_values(array_filter($references, static fn (Reference $one): bool => !isset($retired['='.$one->id])));
    }

    /** @throws Problem where the unit is out of use: nothing new begins on it */
    public function refuseInstrument(string $id, string $field): void
    {
        $retired = $this->instruments()['='.$id] ?? null;
        if ($retired !== null) {
            throw Problem::field($field, \sprintf('%s is out of use: %s. A steward can take it back into use.', $id, $retired['reason']));
        }
    }

    /** @return array<string, Retired> */
    private function standing(string $column): array
    {
        $standing = [];
        foreach ($this->connection->fetchAllAssociative(
            "SELECT $column AS of_id, record FROM retirement WHERE $column IS NOT NULL ORDER BY id",
        ) as $row) {
            $record = Cells::json($row, 'record');
            $key = '='.Cells::text($row, 'of_id');
            unset($standing[$key]);
            if (($record['back'] ?? null) !== true) {
                $standing[$key] = [
                    'at' => Cells::text($record, 'at'),
                    'by' => Cells::text($record, 'by'),
                    'reason' => Cells::text($record, 'reason'),
                ];
            }
        }

        return $standing;
    }
}
