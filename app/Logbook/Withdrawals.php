<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;

/** Runs that were begun in error and withdrawn: in no ledger, and never left out in silence. */
final readonly class Withdrawals
{
    public function __construct(private Logbook $logbook)
    {
    }

    /**
     * @param string $campaign empty: of all
     *
     * @return list<array{
     *     run: string, instrument: string, person: string, task: string, start: string, by: string, at: string, reason: string,
     * }>
     */
    public function of(string $campaign): array
    {
        // By the index of the few that count in no campaign: every page of the ledger asks.
        $where = "r.id IN (SELECT s.run_id FROM run_state s WHERE s.campaign_id = '')";
        $runs = $campaign === ''
            ? $this->logbook->runRecords($where, [])
            : $this->logbook->runRecords('r.campaign_id = ? AND '.$where, [$campaign]);

        return array_map(static function (array $run): array {
            $word = \is_array($run['withdrawn'] ?? null) ? $run['withdrawn'] : [];
            $said = static fn (string $name): string => \is_string($word[$name] ?? null) ? $word[$name] : '';

            return [
                'run' => Cells::text($run, 'id'),
                'instrument' => Cells::text($run, 'instrument'),
                'person' => Cells::text($run, 'person'),
                'task' => Cells::text($run, 'task'),
                'start' => Cells::text($run, 'start'),
                'by' => $said('by'),
                'at' => $said('at'),
                'reason' => $said('reason'),
            ];
        }, array_values($runs));
    }
}
