<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Journal\Anchor;
use Footnote\App\Journal\Journal;
use Footnote\App\Journal\JournalLines;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\DecisionRecords;
use Footnote\App\Logbook\RecordScope;
use Footnote\App\Logbook\ShippedLibrary;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Content\Pictures;
use Footnote\App\Report\Content\ReportedRuns;
use Footnote\App\Report\ReportedResults;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * A campaign or a report as one ZIP that is read without Footnote: the evidence, the results as tables with their schema and as a
 * spreadsheet, what the runs were assessed to be, pictures, reports as they were issued, the script that works each figure out again, and
 * the digest of each of these files. Nothing of practice units.
 */
final readonly class Packing
{
    private const JSON = \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES;
    public const FORMAT = 'footnote-package/1';
    private const SPREADSHEET = 'tables.ods';
    private const TRIES = 3;
    /** What works figures out again, as it lies in the project. */
    private const SCRIPTS = 'tools/recompute/';

    public function __construct(
        private CampaignRecord $record,
        private Evidence $evidence,
        private ReportedResults $results,
        private AssessedFiles $assessed,
        private RecordRows $rows,
        private OpenDocument $spreadsheet,
        private ReportedRuns $runs,
        private Campaigns $campaigns,
        private DecisionRecords $decisions,
        private ClientReports $reports,
        private ShippedLibrary $library,
        private Journal $journal,
        private JournalLines $lines,
        private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%')]
        private string $project,
    ) {
    }

    /**
     * @param string                           $path     of a file that is not there yet
     * @param \Closure(string, int, int): void $progress told what was done, how many, of how many
     *
     * @return int number of runs that it tells of
     *
     * @throws Problem where what is asked for is not there, or cannot all be worked out just now
     */
    public function zip(Wanted $wanted, string $path, \Closure $progress): int
    {
        for ($tries = 1;; ++$tries) {
            // What is written meanwhile would stand in one file and not in another.
            $state = $this->lines->last(JournalLines::AT_THE_DOOR);
            $journal = $this->journal->anchor();
            $zip = new PackedFiles();
            $count = $this->lay($wanted, $zip, $progress);
            if ($this->lines->last(JournalLines::AT_THE_DOOR) === $state) {
                $zip->close($path, $this->told($wanted, $count, $journal));

                return $count;
            }
            if ($tries === self::TRIES) {
                throw new Problem(503, 'The logbook was written to again and again while it was packed. Pack it again when that is over.');
            }
        }
    }

    /**
     * @param \Closure(string, int, int): void $progress
     *
     * @return int number of runs that it tells of
     */
    private function lay(Wanted $wanted, PackedFiles $zip, \Closure $progress): int
    {
        $campaign = $this->campaigns->one($wanted->campaign);
        $of = $this->evidence->of($wanted);
        // First of all: it works out what was not yet, and says where that cannot be.
        $this->sheet($zip, Sheet::Results, $this->results->lines($of->choice));
        $record = $this->record->export(
            $wanted->campaign,
            static fn (string $name, string $content) => $zip->add($name, $content),
            new RecordScope(false, $of->evidence, $wanted->files),
        );
        $count = \count($of->runs);
        $this->assessed->lay(
            $zip,
            $of,
            $zip->laid(CampaignRecord::NAME)['sha256'],
            static fn (int $done) => $progress('read', $done, $count),
        );
        $this->sheet($zip, Sheet::Checks, $this->rows->checks($record));
        $this->sheet($zip, Sheet::Certificates, $this->rows->certificates($record));
        $this->sheet($zip, Sheet::Decisions, $this->rows->decisions($record));
        $this->spreadsheet($zip);
        $this->described($wanted, $campaign['title'], $zip);
        $this->pictures($of->runs, new \DateTimeZone($campaign['zone']), $zip, static fn (int $done) => $progress('drawn', $done, $count));
        foreach ($this->decisions->snapshots($of->runs) as $digest => $snapshot) {
            $zip->add(\sprintf('decisions/%s.json', $digest), $snapshot);
        }
        $this->issued($wanted, $zip);
        $zip->add('library.json', $this->library->json()."\n");
        foreach (['recompute.R', 'equations.R', 'evidence.R'] as $script) {
            $zip->add($script, $this->read(self::SCRIPTS.$script));
        }
        $zip->add('README.txt', $this->read('docs/package.txt'));

        return $count;
    }

    /** @param iterable<array<string, string>> $rows */
    private function sheet(PackedFiles $zip, Sheet $sheet, iterable $rows): void
    {
        $file = $zip->sheet($sheet);
        foreach ($rows as $row) {
            $file->add($row);
        }
    }

    private function spreadsheet(PackedFiles $zip): void
    {
        $tables = [];
        foreach (Sheet::cases() as $sheet) {
            $tables[$sheet->value] = $zip->path($sheet->file());
        }
        $zip->file(self::SPREADSHEET);
        $this->spreadsheet->write($zip->path(self::SPREADSHEET), $tables);
    }

    private function described(Wanted $wanted, string $title, PackedFiles $zip): void
    {
        $laid = [];
        foreach (Sheet::cases() as $sheet) {
            $laid[$sheet->value] = $zip->laid($sheet->file());
        }
        $of = $wanted->report === '' ? $wanted->campaign : $wanted->report;
        $schema = TableSchema::of($of, \sprintf('%s: %s', $of, $title), $laid);
        $zip->add(TableSchema::FILE, json_encode($schema, self::JSON)."\n");
    }

    /**
     * @param list<string>        $runs
     * @param \Closure(int): void $progress
     */
    private function pictures(array $runs, \DateTimeZone $zone, PackedFiles $zip, \Closure $progress): void
    {
        foreach ($runs as $place => $run) {
            $drawn = 0;
            foreach (Pictures::of($this->runs->of($run, $zone)) as $what => $svg) {
                // Results are named by their place too: names that differ in signs alone would be one name of a file.
                $zip->add(\sprintf('pictures/%s-%d-%s.svg', $run, $drawn++, preg_replace('/[^A-Za-z0-9._-]/', '_', $what)), $svg."\n");
            }
            $progress($place + 1);
        }
    }

    /** The reports that were issued: what each edition says, to the letter, and as it was printed. */
    private function issued(Wanted $wanted, PackedFiles $zip): void
    {
        foreach ($this->reports->all() as $report) {
            $isOne = $report['campaign'] === $wanted->campaign && \in_array($wanted->report, ['', $report['id']], true);
            foreach ($isOne ? $this->reports->editions($report['id']) : [] as $edition) {
                $name = \sprintf('reports/%s-edition-%d', $report['id'], $edition['edition']);
                $zip->add($name.'.lines', $this->reports->content($report['id'], $edition['edition']));
                foreach ($edition['printed'] as $printed) {
                    $pdf = $this->reports->printed($report['id'], $edition['edition'], $printed['paper']);
                    $zip->add(\sprintf('%s-%s.pdf', $name, $printed['paper']), (string) $pdf);
                }
            }
        }
    }

    /** @return array<string, mixed> what stands in the manifest beside the files */
    private function told(Wanted $wanted, int $runs, Anchor $journal): array
    {
        return [
            'format' => self::FORMAT,
            'campaign' => $wanted->campaign,
            ...($wanted->report === '' ? [] : ['report' => $wanted->report]),
            'runs' => $runs,
            'attachments' => $wanted->files ? 'included' : 'left out: photos and documents are not in it',
            'made' => $this->clock->now()->setTimezone(new \DateTimeZone('UTC'))->format(\DATE_ATOM),
            'logbook' => $this->decisions->logbook(),
            'journal' => json_decode($journal->line(), true, 4, \JSON_THROW_ON_ERROR),
        ];
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
