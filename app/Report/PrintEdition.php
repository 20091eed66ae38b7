<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Errands\Errands;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Row\PrintedReport;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Paper\Imprint;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Paper\PrintFailed;
use Footnote\App\Report\Paper\PrintReport;
use Psr\Clock\ClockInterface;

/** Prints what was issued and keeps it, with its digest in the journal; of a draft what is printed only lies there for a while. */
final readonly class PrintEdition
{
    public const PRINTED = 'report printed';

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ClientReports $reports,
        private Drafts $drafts,
        private Editions $editions,
        private Imprints $imprints,
        private PrintReport $print,
        private Errands $errands,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int|null                             $edition  null: the draft
     * @param \Closure(string, int, int): void $progress told while it goes on: what is done, how many results, of how many
     *
     * @throws PrintFailed
     */
    public function __invoke(string $report, ?int $edition, PaperSize $paper, \Closure $progress): void
    {
        if ($edition === null) {
            $this->draft($report, $paper, $progress);
        } elseif (!$this->reports->isPrinted($report, $edition, $paper->value)) {
            $this->edition($report, $edition, $paper, $progress);
        }
    }

    /** @param \Closure(string, int, int): void $progress */
    private function draft(string $report, PaperSize $paper, \Closure $progress): void
    {
        $file = $this->drafts->of($report, static fn (int $done, int $of) => $progress('written', $done, $of));
        $imprint = $this->imprints->ofDraft($file);
        $this->errands->lay($this->drafts->pdf($report, $paper), $this->printing($file, $imprint, $paper, $progress));
    }

    /** @param \Closure(string, int, int): void $progress */
    private function edition(string $report, int $edition, PaperSize $paper, \Closure $progress): void
    {
        $told = $this->reports->edition($report, $edition);
        $file = $this->editions->file($report, $told);
        $path = \sprintf('%s.%s.pdf', $file->path, $paper->value);
        $pages = $this->errands->lay($path, $this->printing($file, $this->imprints->ofEdition($file, $told), $paper, $progress));
        $bytes = (string) file_get_contents($path);
        unlink($path);
        $entry = [
            'report' => $report,
            'edition' => $edition,
            'paper' => $paper->value,
            'pages' => $pages,
            'sha256' => hash('sha256', $bytes),
        ];
        $this->journal->during('footnote', self::PRINTED, $entry, function () use ($report, $edition, $paper, $told, $pages, $bytes): void {
            // Another may have printed it meanwhile: what is kept already stays.
            if (!$this->reports->isPrinted($report, $edition, $paper->value)) {
                $this->entities->persist(PrintedReport::of($told['id'], $paper->value, $pages, $bytes, $this->clock->now()));
            }
        });
    }

    /**
     * @param \Closure(string, int, int): void $progress
     *
     * @return \Closure(string): int to the path that it is handed; how many pages
     */
    private function printing(ReportFile $file, Imprint $imprint, PaperSize $paper, \Closure $progress): \Closure
    {
        $printed = static fn (int $done, int $of) => $progress('printed', $done, $of);

        return fn (string $path): int => ($this->print)($file, $imprint, $paper, $path, $printed);
    }
}
