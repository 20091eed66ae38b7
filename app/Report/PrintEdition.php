<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Errands\Errands;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Row\PrintedReport;
use Footnote\App\Report\Content\ReportFile;
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
        } elseif ($this->reports->printed($report, $edition, $paper->value) === null) {
            $this->edition($report, $edition, $paper, $progress);
        }
    }

    /** Where a draft lies once it is printed as it stands now. */
    public function draftPath(string $report, PaperSize $paper): string
    {
        return \sprintf('%s.%s.pdf', $this->drafts->of($report)->path, $paper->value);
    }

    /** @param \Closure(string, int, int): void $progress */
    private function draft(string $report, PaperSize $paper, \Closure $progress): void
    {
        $file = $this->drafts->of($report, static fn (int $done, int $of) => $progress('written', $done, $of));
        $path = $this->draftPath($report, $paper);
        $beside = $this->errands->beside($path);
        ($this->print)(
            $file,
            $this->imprints->ofDraft($file),
            $paper,
            $beside,
            static fn (int $done, int $of) => $progress('printed', $done, $of),
        );
        rename($beside, $path);
    }

    /** @param \Closure(string, int, int): void $progress */
    private function edition(string $report, int $edition, PaperSize $paper, \Closure $progress): void
    {
        $path = $this->errands->beside($this->errands->path(\sprintf('%s.edition-%d.%s', $report, $edition, $paper->value)));
        try {
            file_put_contents($path, $this->reports->content($report, $edition));
            $file = new ReportFile($path);
            $told = $this->reports->edition($report, $edition);
            $pages = ($this->print)(
                $file,
                $this->imprints->ofEdition($file, $told),
                $paper,
                $path.'.pdf',
                static fn (int $done, int $of) => $progress('printed', $done, $of),
            );
            $bytes = (string) file_get_contents($path.'.pdf');
        } finally {
            array_map(static fn (string $one): bool => !is_file($one) || unlink($one), [$path, $path.'.pdf']);
        }
        $entry = [
            'report' => $report,
            'edition' => $edition,
            'paper' => $paper->value,
            'pages' => $pages,
            'sha256' => hash('sha256', $bytes),
        ];
        $this->journal->during('footnote', self::PRINTED, $entry, function () use ($report, $edition, $paper, $told, $pages, $bytes): void {
            // Another may have printed it meanwhile: what is kept already stays.
            if ($this->reports->printed($report, $edition, $paper->value) === null) {
                $this->entities->persist(PrintedReport::of($told['id'], $paper->value, $pages, $bytes, $this->clock->now()));
            }
        });
    }
}
