<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Reports;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Air\Substances;
use Footnote\Core\Flow\LaboratoryStandIn;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;

/** The chain of custody: every medium of a campaign as it goes to the laboratory. */
final readonly class CustodyPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Reports $reports,
        private Workings $workings,
        private PracticeUnits $practice,
        private Libraries $libraries,
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
        $practice = $this->practice->all();
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
                'practice' => isset($practice['='.Cells::text($record, 'instrument')]),
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
                'practice' => false,
            ];
        }

        return [
            'campaign' => array_intersect_key($campaign, ['id' => 1, 'title' => 1, 'site' => 1, 'zone' => 1]),
            'media' => $media,
            'standIn' => [
                'title' => LaboratoryStandIn::title(),
                'faults' => array_map(
                    static fn (Fault $one): array => ['id' => $one->id, 'words' => $one->words],
                    LaboratoryStandIn::faults(),
                ),
            ],
        ];
    }

    /**
     * The table that a laboratory's stand-in sends for the practice media of a campaign.
     *
     * @param string $substance its code in the library
     * @param string $fault     of the stand-in; empty: as it comes
     *
     * @throws Problem where there is nothing to answer
     */
    public function answered(string $id, string $substance, string $fault): string
    {
        $media = [];
        foreach (Cells::rows($this->of($id), 'media') as $one) {
            if (($one['practice'] ?? false) === true && \is_string($one['stop'] ?? null)) {
                $media[] = Cells::text($one, 'medium');
            }
        }
        if ($media === []) {
            throw new Problem(
                422,
                'No practice unit of this campaign has drawn air through a medium yet: a stand-in answers for those alone.',
            );
        }
        $name = $this->libraries->names(Substances::SHELF)[$substance] ?? throw Problem::field('/substance', 'is not in the library.');
        try {
            // The same media have the same masses, however often they are asked for.
            return (new LaboratoryStandIn(crc32($id.' '.$substance)))->answer($media, [$name], $fault === '' ? null : $fault);
        } catch (NoSuchFault $problem) {
            throw Problem::field('/fault', $problem->getMessage());
        }
    }
}
