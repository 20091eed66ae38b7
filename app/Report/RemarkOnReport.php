<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Row\ReportWord;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** Somebody remarks on a paragraph of a draft; somebody settles it and says how. Nothing is issued over a remark that is not settled. */
final readonly class RemarkOnReport
{
    public const MADE = 'report remarked on';
    public const SETTLED = 'remark settled';
    private const LONGEST = 2000;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ClientReports $reports,
        private Drafts $drafts,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $report, Fields $told): void
    {
        $text = self::text($told);
        $block = $told->text('block');
        // What it was said of stays with it, whatever the paragraph says later.
        $record = ['block' => $block, 'words' => $this->drafts->of($report)->words($block), 'text' => $text];
        $this->keep($by, self::MADE, $report, ReportWord::REMARK, $record);
    }

    public function settle(User $by, string $report, int $remark, Fields $told): void
    {
        $text = self::text($told);
        $known = array_column($this->reports->remarks($report), null, 'id')[$remark] ?? throw Problem::missing('This remark');
        if ($known['settled'] !== null) {
            throw new Problem(409, \sprintf('%s has settled this remark already. Nothing was changed.', $known['settled']['by']));
        }
        $this->keep($by, self::SETTLED, $report, ReportWord::SETTLED, ['remark' => (string) $remark, 'text' => $text]);
    }

    /** @param array<string, string> $record */
    private function keep(User $by, string $kind, string $report, string $word, array $record): void
    {
        $this->journal->during($by->code, $kind, ['report' => $report, ...$record], function () use ($by, $report, $word, $record): void {
            $this->entities->persist(new ReportWord($report, $word, $record, $by->code, $this->clock->now()));
        });
    }

    private static function text(Fields $told): string
    {
        $text = $told->optionalText('text', self::LONGEST) ?? '';

        return $text === '' ? throw Problem::field('/text', 'is missing.') : $text;
    }
}
