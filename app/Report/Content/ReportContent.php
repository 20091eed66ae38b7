<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Logbook\CampaignRuns;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\GoingOn;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Sources;
use Footnote\App\Logbook\Withdrawals;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\JsonLines;
use Footnote\Core\Record\Formats;

/**
 * All that a report says, as a document of lines: the first tells what it is and its parts in their order, each other one is a part.
 * Pages are laid down as they are made, so that there may be many.
 */
final readonly class ReportContent
{
    public const FORMAT = 'footnote-report/1';

    public function __construct(
        private CampaignRuns $runs,
        private Campaigns $campaigns,
        private Judging $judging,
        private Logbook $logbook,
        private Policies $policies,
        private Sources $sources,
        private Withdrawals $withdrawals,
        private GoingOn $goingOn,
        private ReportedRuns $reported,
        private ClientReports $reports,
        private Formats $families,
    ) {
    }

    public function covered(Asked $asked): Covered
    {
        $in = [];
        $out = [];
        $practice = 0;
        foreach ($this->runs->of($asked->campaign) as $run) {
            if ($run['practice']) {
                ++$practice;
            } elseif ($asked->takes($run['run'], $run['person'], $run['instrument'], $run['day'])) {
                $in[] = $run['run'];
            } else {
                $out[] = $run['run'];
            }
        }

        return new Covered($asked, $in, $out, $practice);
    }

    /**
     * @param \SplFileObject          $file     that it is written to
     * @param \Closure(int, int): void $progress told after each run: how many are done, of how many
     */
    public function lay(string $report, Asked $asked, \SplFileObject $file, \Closure $progress): void
    {
        $campaign = $this->campaigns->one($asked->campaign);
        $zone = new \DateTimeZone($campaign['zone']);
        $covered = $this->covered($asked);
        $sources = $this->sourceWords();
        $gathered = new Gathered();
        $pages = array_combine(
            array_map(static fn (Section $section): string => $section->value, Section::cases()),
            array_map(static fn (): \SplTempFileObject => new \SplTempFileObject(8_000_000), Section::cases()),
        );
        foreach ($covered->in as $place => $id) {
            $run = $this->reported->of($id, $zone);
            $gathered->add($run);
            $blocks = $this->page($run, $sources, $asked->schools ? $this->reported->schools($id) : []);
            $pages[$run->stands->section()->value]->fwrite(self::part($run->part(), $run->id().': '.$run->title(), $blocks));
            $progress($place + 1, \count($covered->in));
        }
        $texts = new HouseTexts($this->reports->texts());
        $front = new FrontPart(
            $covered,
            $gathered,
            [...$campaign, 'judgedBy' => $this->judgedBy($campaign)],
            $this->judging->yardsticks($campaign['id'])->limits,
            $this->withdrawn($asked, $zone),
            $texts,
            $sources,
        );
        $file->fwrite(JsonLines::line([
            'format' => self::FORMAT,
            'report' => $report,
            'asked' => $asked->told(),
            'zone' => $zone->getName(),
            'parts' => self::outline($gathered),
        ]));
        $file->fwrite(self::part(FrontPart::PART, Labels::SUMMARY, $front->blocks()));
        foreach (Section::cases() as $section) {
            if (isset($gathered->outline[$section->value])) {
                $file->fwrite(self::part('section:'.$section->value, $section->title(), self::opening($section, $gathered)));
                $this->copy($pages[$section->value], $file);
            }
        }
        $cautions = $texts->filled(HouseTexts::CAUTIONS, $front->values());
        $trends = $this->trends($gathered, $campaign['policy'], $zone);
        $evidence = new EvidencePart($gathered, $this->logbook, $this->families, $zone, $trends, $cautions);
        $file->fwrite(self::part(EvidencePart::PART, Labels::EVIDENCE, $evidence->blocks()));
    }

    /**
     * How the units went on up to the last check that a result of the report rests on: what came later is none of its evidence.
     *
     * @return list<array{string, string}>
     */
    private function trends(Gathered $gathered, string $policy, \DateTimeZone $zone): array
    {
        if ($gathered->until === '') {
            return [];
        }
        $until = (new \DateTimeImmutable($gathered->until))->setTimezone($zone);
        $judged = $this->policies->get($policy);
        $trends = [];
        foreach (array_keys($gathered->units) as $unit) {
            foreach ($this->goingOn->of(substr($unit, 1), $judged, $until) as $one) {
                $trends[] = [Shown::joined(', ', substr($unit, 1), $one['channel']), implode(' ', $one['words'])];
            }
        }

        return $trends;
    }

    /**
     * @param list<array<string, mixed>> $schools
     *
     * @return list<Block>
     */
    private function page(ReportedRun $run, SourceWords $sources, array $schools): array
    {
        $notes = new NoteBook(Cells::rows($run->stands->body, 'figures'), $sources);

        return [
            ...(new ResultHead($run, $notes))->blocks(),
            ...(new ResultNumbers($run, $notes))->blocks(),
            ...(new ResultEvidence($run, $notes, $schools))->blocks(),
        ];
    }

    /** @return list<Block> */
    private static function opening(Section $section, Gathered $gathered): array
    {
        $count = Shown::count(\count($gathered->outline[$section->value] ?? []), 'run');

        return [
            Block::heading('title', 1, Line::of($section->title())),
            Block::paragraph('words', Line::of(match ($section) {
                Section::Standing => $count.' of which at least one result is signed and stands.',
                Section::Void => $count.' that came to nothing: no number of it states anything. It is told so that nothing is left out.',
                Section::NotSigned => $count.' of which nothing is signed as it stands now. What is told is a proposal, and no result.',
            })),
        ];
    }

    /** @return list<array<string, mixed>> each part with its name and title; of a run what an edition is held against another by */
    private static function outline(Gathered $gathered): array
    {
        $outline = [['part' => FrontPart::PART, 'title' => Labels::SUMMARY]];
        foreach (Section::cases() as $section) {
            if (isset($gathered->outline[$section->value])) {
                $outline[] = ['part' => 'section:'.$section->value, 'title' => $section->title()];
                array_push($outline, ...$gathered->outline[$section->value]);
            }
        }

        return [...$outline, ['part' => EvidencePart::PART, 'title' => Labels::EVIDENCE]];
    }

    /** @param list<Block> $blocks */
    public static function part(string $part, string $title, array $blocks): string
    {
        return JsonLines::line([
            'part' => $part,
            'title' => $title,
            'blocks' => array_map(static fn (Block $block): array => $block->told($part), $blocks),
        ]);
    }

    private function copy(\SplTempFileObject $from, \SplFileObject $to): void
    {
        $from->rewind();
        while (!$from->eof()) {
            $to->fwrite((string) $from->fread(1_000_000));
        }
    }

    /** @param array<string, mixed> $campaign */
    private function judgedBy(array $campaign): string
    {
        $policy = $this->policies->get(Cells::text($campaign, 'policy'));

        return \sprintf(
            'policy %s, version %d%s',
            $policy->name,
            $policy->version,
            ($campaign['policyChanged'] ?? false) === true ? '; it was changed after results were seen' : '',
        );
    }

    /** @return list<array<string, string>> of the choice */
    private function withdrawn(Asked $asked, \DateTimeZone $zone): array
    {
        return array_values(array_filter(
            $this->withdrawals->of($asked->campaign),
            static fn (array $run): bool => $asked->takes(
                $run['run'],
                $run['person'],
                $run['instrument'],
                (new \DateTimeImmutable($run['start']))->setTimezone($zone)->format('Y-m-d'),
            ),
        ));
    }

    private function sourceWords(): SourceWords
    {
        $confirmed = [];
        foreach ($this->sources->confirmed() as $one) {
            $confirmed['='.$one['source']] = Shown::joined(', ', $one['edition'], $one['clause'], $one['on']);
        }

        return new SourceWords($confirmed);
    }
}
