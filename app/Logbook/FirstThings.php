<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/** What of a new logbook is there: few questions, asked at every look as long as nothing was signed. */
final readonly class FirstThings
{
    /** Whoever recorded more runs than these knows the way. */
    private const RUNS = 3;

    public function __construct(private Connection $connection)
    {
    }

    /** Whether a result was ever decided, here or in the logbook that runs were taken over from, or many runs were recorded. */
    public function areBehind(): bool
    {
        foreach (['decision', 'decision_elsewhere'] as $decided) {
            if ($this->connection->fetchOne('SELECT 1 FROM '.$decided.' LIMIT 1') !== false) {
                return true;
            }
        }

        return $this->connection->fetchOne(
            "SELECT 1 FROM run_state WHERE campaign_id <> '' LIMIT 1 OFFSET ".self::RUNS,
        ) !== false;
    }

    /** Whether anybody beside the first person was let in. */
    public function hasOthers(): bool
    {
        return $this->connection->fetchOne('SELECT 1 FROM person LIMIT 1 OFFSET 1') !== false;
    }

    /** @return array{run: string, unit: string, stopped: bool}|null the run that was recorded last, and counts */
    public function newestRun(): ?array
    {
        $row = $this->connection->fetchAssociative(
            "SELECT s.run_id, s.instrument_id, s.stopped_at FROM run_state s WHERE s.campaign_id <> ''"
                .' ORDER BY s.started_at DESC, s.run_id DESC LIMIT 1',
        );

        return $row === false ? null : [
            'run' => Cells::text($row, 'run_id'),
            'unit' => Cells::text($row, 'instrument_id'),
            'stopped' => $row['stopped_at'] !== null,
        ];
    }
}
