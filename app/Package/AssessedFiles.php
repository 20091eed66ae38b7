<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\Withdrawals;
use Footnote\App\Report\ReportedResults;

/** What the runs of a package were assessed to be: whole, as footnote:assess prints it, and as tables. */
final readonly class AssessedFiles
{
    public const FILE = 'assessment.json';
    private const FORMAT = 'footnote-assessment/1';

    public function __construct(private ReportedResults $results, private Withdrawals $withdrawals)
    {
    }

    /**
     * @param string             $record   SHA-256 of the record that it is of
     * @param \Closure(int): void $progress told after each run how many are done
     */
    public function lay(PackedFiles $zip, PackedRuns $of, string $record, \Closure $progress): void
    {
        $file = $zip->file(self::FILE);
        $limits = $zip->sheet(Sheet::Limits);
        $findings = $zip->sheet(Sheet::Findings);
        $brackets = $zip->sheet(Sheet::Brackets);
        $file->fwrite(\sprintf(
            "{\"format\":\"%s\",\"record\":\"%s\",\"withdrawn\":%s,\"assessments\":[\n",
            self::FORMAT,
            $record,
            json_encode($this->withdrawn($of), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        ));
        $done = 0;
        foreach ($this->results->assessments($of->choice) as $one) {
            $file->fwrite(($done > 0 ? ",\n" : '').$one->json);
            $rows = new AssessedRows($one->body());
            foreach ($rows->limits() as $row) {
                $limits->add($row);
            }
            foreach ($rows->findings() as $row) {
                $findings->add($row);
            }
            foreach ($rows->brackets() as $row) {
                $brackets->add($row);
            }
            $progress(++$done);
        }
        $file->fwrite("\n]}\n");
    }

    /** @return list<array<string, mixed>> */
    private function withdrawn(PackedRuns $of): array
    {
        return array_map(
            static fn (array $run): array => ['run' => $run['run'], 'by' => $run['by'], 'reason' => $run['reason']],
            $of->choice->isOfAll() ? $this->withdrawals->of($of->choice->sought->campaign) : [],
        );
    }
}
