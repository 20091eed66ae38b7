<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\DecisionRecords;
use Footnote\App\Logbook\Decisions;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** One result with everything under it, as JSON. */
final readonly class ResultPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Decisions $decisions,
        private DecisionRecords $records,
        private Workings $workings,
        private Policies $policies,
        private Formats $families,
    ) {
    }

    public function page(string $run): string
    {
        $record = $this->logbook->runRecord($run) ?? throw Problem::missing('Run '.$run);
        if (isset($record['withdrawn'])) {
            throw new Problem(404, 'Run '.$run.' was withdrawn: it has no result. Its page says by whom and why.');
        }
        $unit = $this->logbook->instrumentRecord(Cells::text($record, 'instrument')) ?? [];
        $campaign = $this->campaigns->ofRun($run);
        $key = $campaign['policy'];
        $worked = $this->workings->worked($run, $key);
        $schools = [];
        foreach (array_values(array_unique([$key, ...$this->policies->newest()])) as $other) {
            $schools[] = [
                'key' => $other,
                'chosen' => $other === $key,
                'assessment' => $other === $key ? $worked->school : $this->workings->worked($run, $other)->school,
            ];
        }
        $decisions = $this->decisions->of($run);
        $page = json_encode([
            'run' => [
                'id' => $run,
                'instrument' => Cells::text($record, 'instrument'),
                'start' => Cells::text($record, 'start'),
                'stop' => $record['stop'] ?? null,
                'person' => Cells::text($record, 'person'),
                'task' => Cells::text($record, 'task'),
                'place' => Cells::text($record, 'place'),
                'hasLog' => isset($record['log']),
                'practice' => ($unit[Instrument::PRACTICE] ?? false) === true,
            ],
            'campaign' => array_diff_key($campaign, ['policy' => 1]),
            'digest' => $worked->said,
            'checks' => $this->evidence($worked->checks(), Cells::text($unit, 'family')),
            'schools' => $schools,
            'decisions' => $decisions,
            'elsewhere' => $this->elsewhere($run, $worked->said),
            'changedSinceSigning' => $decisions === [] ? null : $this->decisions->changed($run, $worked),
            'neighbours' => $this->campaigns->neighbours($run),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);

        // The assessment goes out as it was kept, without being taken apart and put together again.
        return '{"assessment":'.$worked->json.','.substr($page, 1);
    }

    /** @return list<array<string, mixed>> what other logbooks decided of it, and whether that saw what is said here */
    private function elsewhere(string $run, string $said): array
    {
        return array_map(static fn (array $one): array => [
            ...array_intersect_key($one, array_flip(['logbook', 'kind', 'verdict', 'proposed', 'policy', 'by', 'at'])),
            'reason' => Cells::text($one, 'reason'),
            'same' => Cells::text($one, 'said') === $said,
        ], $this->records->elsewhere($run));
    }

    /**
     * The checks of a bracket in words.
     *
     * @param list<string> $checks
     *
     * @return list<array<string, mixed>>
     */
    private function evidence(array $checks, string $family): array
    {
        $format = $this->families->of($family);

        return array_map(static fn (array $record): array => [
            'id' => $record['id'] ?? '',
            'at' => $record['at'] ?? '',
            'by' => $record['by'] ?? '',
            'reference' => $record['reference'] ?? null,
            'setAside' => \is_array($record['setAside'] ?? null) ? ($record['setAside']['reason'] ?? '') : null,
            'cells' => $format->describeCheck($format->readCheck(Fields::of($record))),
        ], $this->logbook->checkRecords($checks));
    }
}
