<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Doctrine\DBAL\Connection;
use Footnote\App\Http\Problem;
use Footnote\App\Judgement\Logbook;
use Footnote\App\Judgement\Workings;
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
        $key = Logbook::text($campaign, 'policy_key');
        $this->workings->workOut(array_map(strval(...), array_keys($runs)), $key);
        $volumes = [];
        foreach (array_chunk(array_map(strval(...), array_keys($runs)), 500) as $some) {
            foreach ($this->connection->fetchAllAssociative(
                'SELECT run_id, summary FROM worked_run WHERE policy_key = ? AND run_id IN ('.implode(', ', array_fill(0, \count($some), '?')).')',
                [$key, ...$some],
            ) as $row) {
                $results = Logbook::json($row, 'summary')['results'] ?? [];
                foreach (\is_array($results) ? $results : [] as $result) {
                    if (\is_array($result) && ($result['key'] ?? '') === 'volume') {
                        /** @var array<string, mixed> $result */
                        $volumes[Logbook::text($row, 'run_id')] = Logbook::text($result, 'shown');
                    }
                }
            }
        }
        $media = [];
        foreach ($runs as $run => $record) {
            $media[] = [
                'medium' => Logbook::text($record, 'medium'),
                'kind' => 'sample',
                'run' => (string) $run,
                'unit' => Logbook::text($record, 'instrument'),
                'person' => Logbook::text($record, 'person'),
                'task' => Logbook::text($record, 'task'),
                'sampler' => Logbook::text($record, 'sampler'),
                'method' => Logbook::text($record, 'method'),
                'start' => Logbook::text($record, 'start'),
                'stop' => $record['stop'] ?? null,
                'volume' => $volumes[$run] ?? null,
            ];
        }
        foreach ($this->connection->fetchAllAssociative(
            'SELECT medium, record FROM blank WHERE campaign_id = ? ORDER BY medium',
            [$id],
        ) as $row) {
            $record = Logbook::json($row, 'record');
            $media[] = [
                'medium' => Logbook::text($row, 'medium'),
                'kind' => Logbook::text($record, 'kind') === 'media' ? 'media blank' : 'field blank',
                'run' => null,
                'unit' => '',
                'person' => '',
                'task' => Logbook::text($record, 'note'),
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
                'title' => Logbook::text($campaign, 'title'),
                'site' => Logbook::text($campaign, 'site'),
                'zone' => Logbook::text($campaign, 'zone'),
            ],
            'media' => $media,
        ]);
    }
}
