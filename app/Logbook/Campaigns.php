<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/** Campaigns, as they are looked up. */
final readonly class Campaigns
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return array{id: string, policy: string} the campaign of a unit's newest run, else the newest campaign */
    public function ofUnit(string $instrument): array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT c.id, c.policy_key FROM campaign c LEFT JOIN run r ON r.campaign_id = c.id AND r.instrument_id = ?'
                .' ORDER BY CASE WHEN r.id IS NULL THEN 1 ELSE 0 END, r.started_at DESC, c.id DESC LIMIT 1',
            [$instrument],
        );
        if ($row === false) {
            throw new Problem(409, 'There is no campaign yet. A hygienist or steward makes one under Policies.');
        }

        return ['id' => Cells::text($row, 'id'), 'policy' => Cells::text($row, 'policy_key')];
    }
}
