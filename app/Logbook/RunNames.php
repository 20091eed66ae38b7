<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/** The persons and tasks of the runs that count. */
final readonly class RunNames
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param string $campaign empty: of all
     *
     * @return array{persons: list<string>, tasks: list<string>} each once, by the alphabet
     */
    public function of(string $campaign): array
    {
        return ['persons' => $this->named('person', $campaign), 'tasks' => $this->named('task', $campaign)];
    }

    /**
     * @param 'person'|'task' $column
     *
     * @return list<string>
     */
    private function named(string $column, string $campaign): array
    {
        $names = $this->connection->fetchFirstColumn(
            "SELECT DISTINCT $column FROM run_state WHERE $column <> '' AND ".($campaign === '' ? "campaign_id <> ''" : 'campaign_id = ?')
                ." ORDER BY $column",
            $campaign === '' ? [] : [$campaign],
        );

        return array_values(array_filter($names, \is_string(...)));
    }
}
