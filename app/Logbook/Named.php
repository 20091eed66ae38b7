<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/** What things of the logbook are called, and those in whose names something stands. */
final readonly class Named
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * The persons and tasks of the runs that count.
     *
     * @param string $campaign empty: of all
     *
     * @return array{persons: list<string>, tasks: list<string>} each once, by the alphabet
     */
    public function ofRuns(string $campaign = ''): array
    {
        return ['persons' => $this->column('person', $campaign), 'tasks' => $this->column('task', $campaign)];
    }

    /** @return list<array<string, mixed>> states of runs that count, the newest first, by whatever stands of them */
    public function runs(string $text, int $limit): array
    {
        [$where, $values] = (new LedgerChoice(new RunsSought(text: $text)))->runs($this->connection->getDatabasePlatform());

        return $this->connection->fetchAllAssociative(
            "SELECT s.* FROM run_state s WHERE $where ORDER BY s.started_at DESC, s.run_id LIMIT $limit",
            $values,
        );
    }

    /** @return list<array<string, mixed>> number, unit and moment of checks, the newest first, by their numbers, which have a digit */
    public function checks(string $text, int $limit): array
    {
        if (preg_match('/\d/', $text) !== 1) {
            return [];
        }
        $number = new Containing($this->connection->getDatabasePlatform(), trim($text));

        // The numbers are looked through without the records, which are large.
        return $this->connection->fetchAllAssociative(
            'SELECT c.id, c.instrument_id, c.checked_at FROM check_record c WHERE c.id IN (SELECT n.id FROM check_record n WHERE '
                ."{$number->in('n.id')}) ORDER BY c.checked_at DESC LIMIT $limit",
            [$number->pattern],
        );
    }

    /** @return list<array<string, mixed>> id, title and site of each */
    public function campaigns(): array
    {
        return $this->connection->fetchAllAssociative('SELECT id, title, site FROM campaign ORDER BY id');
    }

    /**
     * @param 'person'|'task' $column
     *
     * @return list<string>
     */
    private function column(string $column, string $campaign): array
    {
        $names = $campaign === ''
            ? $this->connection->fetchFirstColumn(EachName::in($column))
            : $this->connection->fetchFirstColumn(EachName::in($column, 's.campaign_id = ?'), [$campaign, $campaign]);

        return array_values(array_filter($names, \is_string(...)));
    }
}
