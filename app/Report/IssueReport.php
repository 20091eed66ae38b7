<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Row\ReportEdition;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Content\Block;
use Footnote\App\Report\Content\Labels;
use Footnote\App\Report\Content\Line;
use Footnote\App\Report\Content\ReportContent;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Content\Section;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\JsonLines;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/**
 * A person signs a report as it was on the screen, and it is issued: all that it says is frozen under a number, an edition and a digest.
 * What was issued before stays as it is; the new edition says why it follows and what changed.
 */
final readonly class IssueReport
{
    public const ISSUED = 'report issued';

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ClientReports $reports,
        private Drafts $drafts,
        private Editions $editions,
        private SquareCode $code,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string $place by which address others reach the application, without a slash at its end
     *
     * @return int number of the edition
     */
    public function __invoke(User $by, string $report, Fields $told, string $place): int
    {
        $seen = $told->text('digest');
        $after = (int) ($told->optionalNumber('after', 0, 1e6) ?? 0);
        $why = $told->optionalText('why', 2000) ?? '';
        if ($after > 0 && $why === '') {
            throw Problem::field('/why', 'say why this edition follows the one before.');
        }
        // Made before the lock is taken; within it, it is only looked for, unless something came meanwhile.
        $this->drafts->of($report);
        $address = bin2hex(random_bytes(12));
        $url = $place.'/r/'.$address;
        $square = $this->code->of($url);
        $entry = ['report' => $report, 'edition' => $after + 1, 'digest' => $seen, 'why' => $why];
        $printed = ['address' => $url, 'square' => $square];

        return $this->journal->during($by->code, self::ISSUED, $entry, function () use ($by, $report, $entry, $address, $printed): int {
            ['digest' => $seen, 'why' => $why] = $entry;
            $after = $entry['edition'] - 1;
            $draft = $this->drafts->of($report);
            $last = $this->reports->last($report);
            $this->refuse($report, $draft, $seen, [$last['edition'] ?? 0, $after]);
            $changes = $last === null ? [] : Changes::between($this->editions->file($report, $last)->head(), $draft->head());
            $at = $this->clock->now();
            $issue = [
                'edition' => $after + 1,
                'by' => $by->code,
                'at' => $at->format(\DATE_ATOM),
                'draft' => $seen,
                ...$printed,
                ...($last === null ? [] : ['why' => $why]),
            ];
            $content = self::content($draft, $issue, $last === null ? [] : self::changed($last['edition'], $why, $changes));
            $record = array_diff_key($issue, ['square' => 1]);
            $this->entities->persist(ReportEdition::of(
                [$report, $after + 1, $address],
                $last === null ? $record : [...$record, 'changes' => $changes],
                $content,
                $by->code,
                $at,
            ));

            return $after + 1;
        });
    }

    /** @param array{int, int} $editions the last one, and the one that the person knew */
    private function refuse(string $report, ReportFile $draft, string $seen, array $editions): void
    {
        if ($draft->digest() !== $seen) {
            throw new Problem(409, 'The report says something else since this page was opened. Look at it again; nothing was issued.');
        }
        [$last, $after] = $editions;
        if ($last !== $after) {
            throw new Problem(409, \sprintf('Edition %d was issued meanwhile. Look at it again; nothing was issued.', $last));
        }
        $open = \count(array_filter($this->reports->remarks($report), static fn (array $one): bool => $one['settled'] === null));
        if ($open > 0) {
            throw new Problem(409, \sprintf('%d %s not settled. Nothing was issued.', $open, $open === 1 ? 'remark is' : 'remarks are'));
        }
        $sections = array_map(static fn (array $part): string => Cells::text($part, 'part'), Cells::rows($draft->head(), 'parts'));
        if (array_intersect(['section:'.Section::Standing->value, 'section:'.Section::Void->value], $sections) === []) {
            throw new Problem(409, 'Nothing of it is signed: there is no result to report. Nothing was issued.');
        }
    }

    /**
     * @param array<string, mixed> $issue
     * @param list<Block>          $changed what it says otherwise than the edition before
     */
    private static function content(ReportFile $draft, array $issue, array $changed): string
    {
        $head = $draft->head();
        $front = true;
        $parts = Cells::rows($head, 'parts');
        if ($changed !== []) {
            array_splice($parts, 1, 0, [['part' => 'changes', 'title' => Labels::CHANGES]]);
        }
        $lines = [JsonLines::line([...$head, 'issue' => $issue, 'parts' => $parts])];
        foreach ($draft->raw() as $line) {
            $lines[] = $line;
            if ($front && $changed !== []) {
                $lines[] = ReportContent::part('changes', Labels::CHANGES, $changed);
            }
            $front = false;
        }

        return implode('', $lines);
    }

    /**
     * @param list<string> $changes
     *
     * @return non-empty-list<Block>
     */
    private static function changed(int $since, string $why, array $changes): array
    {
        $blocks = [
            Block::heading('title', 1, Line::of(\sprintf(Labels::CHANGED, $since))),
            Block::text('why', $why),
        ];
        foreach ($changes === [] ? ['No result is otherwise than in that edition.'] : $changes as $place => $words) {
            $blocks[] = Block::paragraph('change:'.$place, Line::of($words));
        }

        return $blocks;
    }
}
