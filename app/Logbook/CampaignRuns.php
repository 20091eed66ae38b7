<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/** The runs of a campaign, by their start: who, with what, on which day. */
final readonly class CampaignRuns
{
    public function __construct(private Connection $connection, private Campaigns $campaigns, private PracticeUnits $practice)
    {
    }

    /**
     * @return list<array{run: string, person: string, instrument: string, task: string, day: string, practice: bool}> the day by the
     *                                                                                        clocks of the site, Y-m-d
     */
    public function of(string $campaign): array
    {
        $zone = new \DateTimeZone($this->campaigns->one($campaign)['zone']);
        $practice = $this->practice->all();

        return array_map(static fn (array $row): array => [
            'run' => Cells::text($row, 'run_id'),
            'person' => Cells::text($row, 'person'),
            'instrument' => Cells::text($row, 'instrument_id'),
            'task' => Cells::text($row, 'task'),
            'day' => (new \DateTimeImmutable(Cells::moment($row, 'started_at')))->setTimezone($zone)->format('Y-m-d'),
            'practice' => isset($practice['='.Cells::text($row, 'instrument_id')]),
        ], $this->connection->fetchAllAssociative(
            'SELECT run_id, person, instrument_id, task, started_at FROM run_state WHERE campaign_id = ? ORDER BY started_at, run_id',
            [$campaign],
        ));
    }
}
