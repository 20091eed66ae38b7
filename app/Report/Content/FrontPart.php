<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\ExposureLimit;

/** The cover and the summary: for whom, where and when, by whom, against what; and in plain words what stands and what does not. */
final readonly class FrontPart
{
    public const PART = 'front';

    /**
     * @param array<string, mixed>       $campaign  with its policy in words under "judgedBy"
     * @param list<ExposureLimit>         $limits    of the campaign
     * @param list<array<string, string>> $withdrawn runs that were begun in error
     */
    public function __construct(
        private Covered $covered,
        private Gathered $gathered,
        private array $campaign,
        private array $limits,
        private array $withdrawn,
        private HouseTexts $texts,
        private SourceWords $sources,
    ) {
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return [...$this->cover(), ...$this->summary()];
    }

    /** @return list<Block> */
    private function cover(): array
    {
        $asked = $this->covered->asked;
        $days = $this->days();
        $rows = [
            [Labels::ASKED, $asked->askedBy],
            [Labels::CAMPAIGN, \sprintf('%s (%s)', Cells::text($this->campaign, 'title'), Cells::text($this->campaign, 'id'))],
            [Labels::WHERE, \sprintf(
                '%s; all times are those of %s',
                Cells::text($this->campaign, 'site'),
                Cells::text($this->campaign, 'zone'),
            )],
            [Labels::WHEN, $days === [] ? 'no run yet' : ($days[0] === $days[1] ? $days[0] : $days[0].' to '.$days[1])],
            [Labels::COVERS, $this->covered->words()],
            [Labels::BY, $this->by()],
            [Labels::JUDGED_BY, Cells::text($this->campaign, 'judgedBy')],
        ];

        return [
            Block::heading('title', 1, Line::of($asked->title)),
            Block::text('cover-text', $this->texts->filled(HouseTexts::COVER, $this->values())),
            Block::table('cover-table', '', [], array_map(
                static fn (array $row): array => array_map(Line::of(...), $row),
                $rows,
            )),
            ...$this->against(),
        ];
    }

    /** @return list<Block> the limits of the campaign, each with its source */
    private function against(): array
    {
        if ($this->limits === []) {
            return [Block::paragraph('limits', Line::of('No limit is set for this campaign.'))];
        }

        return [
            Block::heading('limits', 3, Line::of(Labels::LIMITS)),
            Block::table('limits-table', '', ['Limit', 'Holds for', 'Source'], array_map(fn (ExposureLimit $limit): array => [
                Line::of(\sprintf(
                    '%s %s %s, crossed when %s',
                    $limit->title,
                    $limit->threshold->value->written,
                    $limit->threshold->unit,
                    $limit->threshold->comparator->words(true),
                )),
                Line::of($limit->scope),
                Line::of($this->sources->of($limit->source->words, $limit->source->mark->value)),
            ], $this->limits)),
        ];
    }

    /** @return list<Block> */
    private function summary(): array
    {
        $gathered = $this->gathered;
        $blocks = [
            Block::heading('summary', 1, Line::of(Labels::SUMMARY)),
            Block::text('summary-text', $this->texts->filled(HouseTexts::SUMMARY, $this->values())),
            Block::heading('measured', 3, Line::of(Labels::MEASURED)),
            Block::paragraph('measured-words', Line::of($this->measured())),
            Block::heading('against', 3, Line::of(Labels::AGAINST)),
            $gathered->standing === []
                ? Block::paragraph('against-none', Line::of()->strong('No result stands yet.'))
                : Block::table('against-table', '', ['Whose', 'What', 'Value', 'Against', 'Verdict'], $gathered->standing, [2]),
        ];
        if ($gathered->fallen !== [] || $this->withdrawn !== []) {
            $blocks[] = Block::heading('fallen', 3, Line::of(Labels::DOES_NOT_STAND));
        }
        foreach ($gathered->fallen as $place => $line) {
            $blocks[] = Block::paragraph('fallen:'.$place, $line);
        }
        foreach ($this->withdrawn as $run) {
            $blocks[] = Block::paragraph('withdrawn:'.($run['run'] ?? ''), Line::of()->strong($run['run'] ?? '')->text(\sprintf(
                ', %s, %s: withdrawn by %s, “%s”. It was begun in error and measured nothing.',
                $run['person'] ?? '',
                $run['task'] ?? '',
                $run['by'] ?? '',
                $run['reason'] ?? '',
            )));
        }
        if ($gathered->toDo !== []) {
            $blocks[] = Block::heading('to-do', 3, Line::of(Labels::LEFT_TO_DO));
        }
        foreach (array_values($gathered->toDo) as $place => $line) {
            $blocks[] = Block::paragraph('to-do:'.$place, $line->text('.'));
        }

        return $blocks;
    }

    private function measured(): string
    {
        $gathered = $this->gathered;
        $kinds = array_map(
            static fn (string $title, int $count): string => \sprintf('%s (%d)', $title, $count),
            array_keys($gathered->kinds),
            array_values($gathered->kinds),
        );

        return \sprintf(
            '%s on %s with %s, for %s.%s',
            Shown::count(\count($this->covered->in), 'run'),
            Shown::count(\count($gathered->days), 'day'),
            Shown::count(\count($gathered->units), 'instrument'),
            Shown::count(\count($gathered->measured), 'person or place', 'persons or places'),
            $kinds === [] ? '' : ' Main results: '.implode(', ', $kinds).'.',
        );
    }

    private function by(): string
    {
        $people = [];
        foreach ($this->gathered->people as $code => $did) {
            $done = array_intersect(['checked units', 'decided results'], array_keys($did));
            if ($done !== []) {
                $people[] = \sprintf('%s (%s)', substr($code, 1), implode(', ', $done));
            }
        }

        return $people === [] ? 'nobody yet' : implode('; ', $people);
    }

    /** @return array<string, string> what stands for the placeholders of the house's texts */
    public function values(): array
    {
        $days = $this->days();

        return [
            'asked by' => $this->covered->asked->askedBy,
            'title' => $this->covered->asked->title,
            'campaign' => Cells::text($this->campaign, 'title'),
            'site' => Cells::text($this->campaign, 'site'),
            'first day' => $days[0] ?? 'no day yet',
            'last day' => $days[1] ?? 'no day yet',
            'runs' => (string) \count($this->covered->in),
            'persons' => (string) \count($this->gathered->measured),
        ];
    }

    /** @return array{}|array{string, string} first and last day of the runs in it */
    private function days(): array
    {
        $days = array_keys($this->gathered->days);

        return $days === [] ? [] : [substr($days[0], 1), substr($days[array_key_last($days)], 1)];
    }
}
