<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/** Samples that were drawn and that no laboratory has told anything of. */
final readonly class WaitingSamples
{
    /** So many are told of; those that were drawn last before the others. */
    private const MOST = 500;

    public function __construct(private Connection $connection)
    {
    }

    /** @return list<string> runs that drew them, as long as they count */
    public function runs(): array
    {
        $runs = $this->connection->fetchFirstColumn(
            "SELECT s.run_id FROM run_state s WHERE s.campaign_id <> '' AND s.medium > '' AND s.stopped_at IS NOT NULL"
                .' AND NOT EXISTS (SELECT 1 FROM laboratory_row l WHERE l.medium = s.medium)'
                .' ORDER BY s.stopped_at DESC, s.run_id LIMIT '.self::MOST,
        );

        return array_values(array_filter($runs, \is_string(...)));
    }
}
