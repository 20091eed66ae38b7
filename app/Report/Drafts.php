<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Errands\Errands;
use Footnote\App\Journal\JournalLines;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Content\Asked;
use Footnote\App\Report\Content\ReportContent;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\Core\Record\Fields;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What a report says now: laid down once for each state of the logbook. Whatever is written makes another state, and a later release
 * another one again, so that nothing that is stale is shown or signed.
 */
final readonly class Drafts
{
    /** What people do that changes nothing of what a report says. */
    private const BESIDES = [
        ...JournalLines::AT_THE_DOOR,
        RemarkOnReport::MADE, RemarkOnReport::SETTLED, IssueReport::ISSUED, PrintEdition::PRINTED,
    ];

    public function __construct(
        private ClientReports $reports,
        private ReportContent $content,
        private JournalLines $journal,
        private Errands $errands,
        #[Autowire('%footnote.release%')]
        private string $release,
    ) {
    }

    /** @param (\Closure(int, int): void)|null $progress told after each run: how many are done, of how many */
    public function of(string $report, ?\Closure $progress = null): ReportFile
    {
        $kept = $this->reports->one($report);
        $path = $this->path($report);
        if (is_file($path)) {
            return new ReportFile($path);
        }
        $this->errands->tidy();
        $asked = Asked::of(Fields::of($kept['asked']));
        $progress ??= static fn (): null => null;
        $this->errands->lay($path, fn (string $to) => $this->content->lay($report, $asked, new \SplFileObject($to, 'w'), $progress));

        return new ReportFile($path);
    }

    /** Where it lies once it is printed as it stands now. */
    public function pdf(string $report, PaperSize $paper): string
    {
        return \sprintf('%s.%s.pdf', $this->of($report)->path, $paper->value);
    }

    private function path(string $report): string
    {
        $state = substr($this->journal->last(self::BESIDES), 0, 24);

        return $this->errands->path(\sprintf('%s.%s.%s.lines', $report, $state, substr($this->release, 0, 12)));
    }
}
