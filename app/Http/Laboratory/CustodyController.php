<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Doctrine\DBAL\Connection;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** The chain of custody: every medium of a campaign as it goes to the laboratory. */
final readonly class CustodyController
{
    public function __construct(private Connection $connection, private Logbook $logbook, private Workings $workings)
    {
    }

    #[Route('/api/campaigns/{id}/custody', methods: ['GET'])]
    public function custody(string $id): JsonResponse
    {
        $campaign = $this->connection->fetchAssociative('SELECT id, title, site, zone, policy_key FROM campaign WHERE id = ?', [$id]);
        if ($campaign === false) {
            throw Problem::missing('Campaign '.$id);
        }
        $runs = $this->logbook->runRecords('r.campaign_id = ? AND r.medium IS NOT NULL', [$id]);
        $key = Cells::text($campaign, 'policy_key');
        $this->workings->workOut(array_map(strval(...), array_keys($runs)), $key);
        $volumes = [];
        foreach (array_chunk(array_map(strval(...), array_keys($runs)), 500) as $some) {
            foreach ($this->connection->fetchAllAssociative(
                'SELECT run_id, summary FROM worked_run WHERE policy_key = ? AND run_id IN ('.implode(', ', array_fill(0, \count($some), '?')).')',
                [$key, ...$some],
            ) as $row) {
                $results = Cells::json($row, 'summary')['results'] ?? [];
                foreach (\is_array($results) ? $results : [] as $result) {
                    if (\is_array($result) && ($result['key'] ?? '') === 'volume') {
                        /** @var array<string, mixed> $result */
                        $volumes[Cells::text($row, 'run_id')] = Cells::text($result, 'shown');
                    }
                }
            }
        }
        $media = [];
        foreach ($runs as $run => $record) {
            $media[] = [
                'medium' => Cells::text($record, 'medium'),
                'kind' => 'sample',
                'run' => (string) $run,
                'unit' => Cells::text($record, 'instrument'),
                'person' => Cells::text($record, 'person'),
                'task' => Cells::text($record, 'task'),
                'sampler' => Cells::text($record, 'sampler'),
                'method' => Cells::text($record, 'method'),
                'start' => Cells::text($record, 'start'),
                'stop' => $record['stop'] ?? null,
                'volume' => $volumes[$run] ?? null,
            ];
        }
        foreach ($this->connection->fetchAllAssociative(
            'SELECT medium, record FROM blank WHERE campaign_id = ? ORDER BY medium',
            [$id],
        ) as $row) {
            $record = Cells::json($row, 'record');
            $media[] = [
                'medium' => Cells::text($row, 'medium'),
                'kind' => Cells::text($record, 'kind') === 'media' ? 'media blank' : 'field blank',
                'run' => null,
                'unit' => '',
                'person' => '',
                'task' => Cells::text($record, 'note'),
                'sampler' => '',
                'method' => '',
                'start' => null,
                'stop' => null,
                'volume' => null,
            ];
        }

        return new JsonResponse([
            'campaign' => [
                'id' => $id,
                'title' => Cells::text($campaign, 'title'),
                'site' => Cells::text($campaign, 'site'),
                'zone' => Cells::text($campaign, 'zone'),
            ],
            'media' => $media,
        ]);
    }
}
