<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Reports;
use Footnote\App\Logbook\Workings;
use Footnote\App\Storage\Cells;

/** The chain of custody: every medium of a campaign as it goes to the laboratory. */
final readonly class CustodyPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Reports $reports,
        private Workings $workings,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(string $id): array
    {
        $campaign = $this->campaigns->one($id);
        $runs = $this->logbook->runRecords(
            'r.campaign_id = ? AND EXISTS (SELECT 1 FROM run_state s WHERE s.run_id = r.id AND s.medium IS NOT NULL)',
            [$id],
        );
        $key = $campaign['policy'];
        $this->workings->workOut(array_map(strval(...), array_keys($runs)), $key);
        $volumes = [];
        foreach ($this->workings->summaries(array_map(strval(...), array_keys($runs)), $key) as $run => $summary) {
            foreach (Cells::rows($summary, 'results') as $result) {
                if (($result['key'] ?? '') === 'volume') {
                    $volumes[$run] = Cells::text($result, 'shown');
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
        foreach ($this->reports->blanksOf($id) as $row) {
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

        return [
            'campaign' => array_intersect_key($campaign, ['id' => 1, 'title' => 1, 'site' => 1, 'zone' => 1]),
            'media' => $media,
        ];
    }
}
