<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\KitWord;

/**
 * What was said last of things of the kit.
 *
 * @phpstan-type Said array{record: array<string, mixed>, by: string, at: string}
 */
final readonly class KitWords
{
    private const NEWEST = 'SELECT w.owner, w.of_id, w.record, w.recorded_by, w.recorded_at FROM kit_word w'
        .' WHERE w.id = (SELECT MAX(o.id) FROM kit_word o WHERE o.owner = w.owner AND o.of_id = w.of_id)';

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param 'instruments'|'references' $owner
     *
     * @return Said|null null where nothing was said
     */
    public function of(string $owner, string $id): ?array
    {
        $row = $this->connection->fetchAssociative(self::NEWEST.' AND w.owner = ? AND w.of_id = ?', [$owner, $id]);

        return $row === false ? null : [
            'record' => Cells::json($row, 'record'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
        ];
    }

    /**
     * @param 'instruments'|'references' $owner
     *
     * @return array<string, KitWord> by = and the thing
     */
    public function all(string $owner): array
    {
        $words = [];
        foreach ($this->connection->fetchAllAssociative(self::NEWEST.' AND w.owner = ?', [$owner]) as $row) {
            $words['='.Cells::text($row, 'of_id')] = KitWord::read(Fields::of(Cells::json($row, 'record')));
        }

        return $words;
    }
}
