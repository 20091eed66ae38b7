<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\CampaignRuns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\RunsSought;
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
            return new PackedRuns(new LedgerChoice(new RunsSought($wanted->campaign)), array_column($all, 'run'), null);
        }
        $first = self::having($all, 'run', $this->told($wanted->report));
        $days = self::having($all, 'person', array_column($first, 'person'));
        $evidence = self::having($all, 'instrument', array_column($days, 'instrument'));
        $runs = array_column($first, 'run');

        return new PackedRuns(
            new LedgerChoice(new RunsSought($wanted->campaign), runs: $runs),
            $runs,
            array_column($evidence, 'run'),
        );
    }

    /** @return list<string> runs of the newest edition; where none was issued, of the draft */
    private function told(string $report): array
    {
        $last = $this->reports->last($report);

        return $last === null
            ? $this->content->covered(Asked::of(Fields::of($this->reports->one($report)['asked'])))->in
            : $this->editions->file($report, $last)->runs();
    }

    /**
     * @template T of array<string, mixed>
     *
     * @param list<T>      $runs
     * @param list<string> $wanted
     *
     * @return list<T> those of which that is among the wanted
     */
    private static function having(array $runs, string $what, array $wanted): array
    {
        $among = array_fill_keys(array_map(static fn (string $one): string => '='.$one, $wanted), true);

        return array_values(array_filter($runs, static fn (array $run): bool => isset($among['='.Cells::text($run, $what)])));
    }
}
