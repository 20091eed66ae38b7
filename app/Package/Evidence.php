<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\CampaignRuns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Report\Content\Asked;
use Footnote\App\Report\Content\ReportContent;
use Footnote\App\Report\Editions;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;

/**
 * Which runs a package tells of, and which others these were worked out of. A report may tell of one person alone: a day is made of all
 * that this person did in the campaign, and a bracket ends where the unit was used by others, so these runs lie in the record as well.
 */
final readonly class Evidence
{
    public function __construct(
        private CampaignRuns $runs,
        private ClientReports $reports,
        private Editions $editions,
        private ReportContent $content,
    ) {
    }

    public function of(Wanted $wanted): PackedRuns
    {
        $all = array_values(array_filter($this->runs->of($wanted->campaign), static fn (array $run): bool => !$run['practice']));
        if ($wanted->report === '') {
            return new PackedRuns(new LedgerChoice($wanted->campaign), array_column($all, 'run'), null);
        }
        $told = $this->told($wanted->report);
        $first = array_filter($all, static fn (array $run): bool => \in_array($run['run'], $told, true));
        $days = array_filter($all, static fn (array $run): bool => \in_array($run['person'], array_column($first, 'person'), true));
        $units = array_column($days, 'instrument');
        $evidence = array_filter($all, static fn (array $run): bool => \in_array($run['instrument'], $units, true));

        return new PackedRuns(
            new LedgerChoice($wanted->campaign, runs: array_column($first, 'run')),
            array_column($first, 'run'),
            array_column($evidence, 'run'),
        );
    }

    /** @return list<string> runs of the newest edition; where none was issued, of the draft */
    private function told(string $report): array
    {
        $last = $this->reports->last($report);
        if ($last === null) {
            return $this->content->covered(Asked::of(Fields::of($this->reports->one($report)['asked'])))->in;
        }
        $parts = Cells::rows($this->editions->file($report, $last)->head(), 'parts');
        $runs = array_filter(
            array_map(static fn (array $part): string => Cells::text($part, 'part'), $parts),
            static fn (string $part): bool => str_starts_with($part, 'run:'),
        );

        return array_values(array_map(static fn (string $part): string => substr($part, 4), $runs));
    }
}
