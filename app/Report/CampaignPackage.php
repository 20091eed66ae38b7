<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\ShippedLibrary;
use Footnote\App\Logbook\Withdrawals;
use Footnote\App\Refusal\Problem;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * A campaign as one ZIP that is read without Footnote: the record with its logs and files, the results as a table with its schema, what
 * they were assessed to be, the script that works each figure out again, and the digest of each of these files. Nothing of practice units.
 */
final readonly class CampaignPackage
{
    private const JSON = \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES;
    /** What works figures out again, as it lies in the project. */
    private const SCRIPTS = 'tools/recompute/';

    public function __construct(
        private CampaignRecord $record,
        private ReportedResults $results,
        private Campaigns $campaigns,
        private Withdrawals $withdrawals,
        private ShippedLibrary $library,
        private ClientReports $reports,
        private Journal $journal,
        private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%')]
        private string $project,
    ) {
    }

    /**
     * @param string $path of a file that is not there yet
     *
     * @return int number of runs
     *
     * @throws Problem where the campaign is not there, or cannot all be worked out just now
     */
    public function zip(string $campaign, string $path): int
    {
        $this->campaigns->one($campaign);
        $zip = new PackedFiles($path);
        // First of all: it works out what was not yet, and says where that cannot be.
        $table = $zip->lay(ResultTable::FILE, function (\SplFileObject $file) use ($campaign): void {
            $sheet = new CsvSheet($file, ResultTable::columns(), false);
            foreach ($this->results->lines(new LedgerChoice($campaign)) as $line) {
                $sheet->add($line);
            }
        });
        $record = '';
        $runs = $this->record->export($campaign, static function (string $name, string $content) use ($zip, &$record): void {
            $record = $name === CampaignRecord::NAME ? hash('sha256', $content) : $record;
            $zip->add($name, $content);
        }, false);
        $zip->add('datapackage.json', $this->described($campaign, $table));
        $zip->lay('assessment.json', fn (\SplFileObject $file) => $this->assess($campaign, $record, $file));
        $zip->add('library.json', $this->library->json()."\n");
        foreach (['recompute.R', 'equations.R', 'evidence.R'] as $script) {
            $zip->add($script, $this->read(self::SCRIPTS.$script));
        }
        $this->issued($campaign, $zip);
        $zip->add('README.txt', $this->read('docs/package.txt'));
        $zip->close('manifest.json', [
            'format' => 'footnote-package/1',
            'campaign' => $campaign,
            'made' => $this->clock->now()->setTimezone(new \DateTimeZone('UTC'))->format(\DATE_ATOM),
            'journal' => json_decode($this->journal->anchor()->line(), true, 4, \JSON_THROW_ON_ERROR),
        ]);

        return $runs;
    }

    /** The reports that were issued of it: what each edition says, to the letter, and as it was printed. */
    private function issued(string $campaign, PackedFiles $zip): void
    {
        foreach ($this->reports->all() as $report) {
            foreach ($report['campaign'] === $campaign ? $this->reports->editions($report['id']) : [] as $edition) {
                $name = \sprintf('reports/%s-edition-%d', $report['id'], $edition['edition']);
                $zip->add($name.'.lines', $this->reports->content($report['id'], $edition['edition']));
                foreach ($edition['printed'] as $printed) {
                    $pdf = $this->reports->printed($report['id'], $edition['edition'], $printed['paper']);
                    $zip->add(\sprintf('%s-%s.pdf', $name, $printed['paper']), (string) $pdf);
                }
            }
        }
    }

    /**
     * The table's schema (published: Frictionless Tabular Data Package, version 1).
     *
     * @param array{bytes: int, sha256: string} $table
     */
    private function described(string $campaign, array $table): string
    {
        return json_encode([
            'profile' => 'tabular-data-package',
            // A name there is of small letters, digits and a few signs.
            'name' => 'campaign-'.preg_replace('/[^a-z0-9._-]/', '-', strtolower($campaign)),
            'title' => 'Results of campaign '.$campaign,
            'resources' => [[
                'profile' => 'tabular-data-resource',
                'name' => 'results',
                'path' => ResultTable::FILE,
                'format' => 'csv',
                'mediatype' => 'text/csv',
                'encoding' => 'utf-8',
                'bytes' => $table['bytes'],
                'hash' => 'sha256:'.$table['sha256'],
                'dialect' => ['delimiter' => ',', 'lineTerminator' => "\n", 'doubleQuote' => true, 'header' => true],
                'schema' => [
                    'fields' => array_map(static fn (Column $column): array => [
                        'name' => $column->name,
                        'type' => $column->type,
                        ...($column->type === Column::MOMENT ? ['format' => '%Y-%m-%dT%H:%M:%S%z'] : []),
                        'description' => $column->meaning,
                    ], ResultTable::columns()),
                    'missingValues' => [''],
                ],
            ]],
        ], self::JSON)."\n";
    }

    /** What the runs of the record were assessed to be, as footnote:assess prints it. */
    private function assess(string $campaign, string $record, \SplFileObject $file): void
    {
        $withdrawn = array_map(
            static fn (array $run): array => ['run' => $run['run'], 'by' => $run['by'], 'reason' => $run['reason']],
            $this->withdrawals->of($campaign),
        );
        $file->fwrite(\sprintf(
            "{\"format\":\"footnote-assessment/1\",\"record\":%s,\"withdrawn\":%s,\"assessments\":[\n",
            json_encode($record, \JSON_THROW_ON_ERROR),
            json_encode($withdrawn, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        ));
        $before = '';
        foreach ($this->results->assessments(new LedgerChoice($campaign)) as $one) {
            $file->fwrite($before.$one);
            $before = ",\n";
        }
        $file->fwrite("\n]}\n");
    }

    private function read(string $file): string
    {
        $content = file_get_contents($this->project.'/'.$file);
        if ($content === false) {
            throw new \RuntimeException($file.' of the release cannot be read.');
        }

        return $content;
    }
}
