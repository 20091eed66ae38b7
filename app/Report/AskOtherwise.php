<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Row\ReportWord;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Content\Asked;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A report is asked to be otherwise than before: another title, other runs of the same campaign. Its editions stay as they are. */
final readonly class AskOtherwise
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ClientReports $reports,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $report, Fields $told): void
    {
        $asked = Asked::of($told);
        if ($asked->campaign !== $this->reports->one($report)['campaign']) {
            throw Problem::field('/campaign', 'stays that of the report; begin another report for another campaign.');
        }
        $entry = ['report' => $report, ...$asked->told()];
        $this->journal->during($by->code, 'report asked otherwise', $entry, function () use ($by, $report, $asked): void {
            $this->entities->persist(new ReportWord($report, ReportWord::ASKED, $asked->told(), $by->code, $this->clock->now()));
        });
    }
}
