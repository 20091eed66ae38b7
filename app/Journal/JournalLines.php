<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Footnote\App\Storage\BoundTables;
use Footnote\App\Storage\Cells;

/** Reads the journal, the newest entry first. */
final readonly class JournalLines
{
    /** Who came and went: entries that say nothing of evidence. */
    public const AT_THE_DOOR = [
        'signed in', 'signed out', 'signed out everywhere', 'sign-in refused', 'one-time code made', 'password chosen',
    ];

    public const AT_ONCE = 100;

    /** Rows of evidence that are named of an entry; an import has thousands. */
    private const ROWS = 6;

    public function __construct(private Connection $connection, private BoundTables $tables)
    {
    }

    /** @return list<array<string, mixed>> sequence, at, actor, kind, payload, binds, hash */
    public function chosen(JournalChoice $choice): array
    {
        $where = [];
        $given = [];
        $types = [];
        $add = static function (string $sql, mixed $value, string $type = 'string') use (&$where, &$given, &$types): void {
            $where[] = $sql;
            $given[] = $value;
            $types[] = $type;
        };
        if ($choice->before !== null) {
            $add('e.sequence < ?', min($choice->before, 2147483647), 'integer');
        }
        if ($choice->from !== null) {
            $add('e.at >= ?', JournalEntry::moment($choice->from));
        }
        if ($choice->to !== null) {
            $add('e.at < ?', JournalEntry::moment($choice->to));
        }
        if ($choice->actor !== '') {
            $add('e.actor = ?', $choice->actor);
        }
        if ($choice->about !== '') {
            $names = array_map(static fn ($table): string => $table->name, array_values($this->tables->all()));
            $add(
                "(e.payload LIKE ? ESCAPE '!' OR e.sequence IN"
                    .' (SELECT b.sequence FROM evidence_bound b WHERE b.table_name IN (?) AND b.row_key = ?))',
                '%"'.addcslashes(strtr($choice->about, ['!' => '!!', '%' => '!%', '_' => '!_']), '"').'"%',
            );
            array_push($given, $names, $choice->about);
            array_push($types, ArrayParameterType::STRING, 'string');
        }

        return $this->connection->fetchAllAssociative(
            'SELECT e.sequence, e.at, e.actor, e.kind, e.payload, e.binds, e.hash FROM journal_entry e'
                .($where === [] ? '' : ' WHERE '.implode(' AND ', $where)).' ORDER BY e.sequence DESC LIMIT '.self::AT_ONCE,
            $given,
            $types,
        );
    }

    /**
     * The hash of the newest entry but those of some kinds: it is of no other state of any logbook, whatever was restored since.
     *
     * @param non-empty-list<string> $besides kinds
     */
    public function last(array $besides): string
    {
        $last = $this->connection->fetchOne(
            'SELECT hash FROM journal_entry WHERE kind NOT IN (?) ORDER BY sequence DESC LIMIT 1',
            [$besides],
            [ArrayParameterType::STRING],
        );

        return \is_string($last) ? $last : Journal::ROOT;
    }

    /**
     * The first rows of evidence that entries wrote.
     *
     * @param list<int> $sequences
     *
     * @return array<int, list<string>> table and key, by sequence
     */
    public function rows(array $sequences): array
    {
        $rows = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT sequence, table_name, row_key FROM (SELECT b.id, b.sequence, b.table_name, b.row_key,'
                .' ROW_NUMBER() OVER (PARTITION BY b.sequence ORDER BY b.id) AS place FROM evidence_bound b WHERE b.sequence IN (?)) f'
                .' WHERE place <= '.self::ROWS.' ORDER BY id',
            [$sequences],
            [ArrayParameterType::INTEGER],
        ) as $row) {
            $rows[(int) Cells::text($row, 'sequence')][] = Cells::text($row, 'table_name').' '.Cells::text($row, 'row_key');
        }

        return $rows;
    }

    /** @return list<string> whoever did anything, for a filter */
    public function actors(): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn('SELECT DISTINCT actor FROM journal_entry ORDER BY actor'),
            \is_string(...),
        ));
    }
}
