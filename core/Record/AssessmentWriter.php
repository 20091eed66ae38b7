<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Breakdown;
use Footnote\Core\Judgement\Cell;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\LimitOutcome;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;

/** Writes an assessment as plain data: what the page shows, what is frozen at signing, what footnote:assess prints. */
final readonly class AssessmentWriter
{
    /** @return array<string, mixed> */
    public function write(Assessment $assessment): array
    {
        $sheet = new Sheet();
        $drift = $assessment->largestDrift();
        $data = [
            'run' => $assessment->run->id,
            'instrument' => $assessment->run->deployment->instrument,
            'policy' => ['id' => $assessment->policy->id, 'name' => $assessment->policy->name, 'version' => $assessment->policy->version],
            'verdict' => $assessment->verdict->value,
            'channels' => array_map(
                fn (string $channel, Verdict $verdict): array => [
                    'channel' => $channel,
                    'verdict' => $verdict->value,
                    'bracket' => isset($assessment->brackets[$channel]) ? $this->bracket($assessment->brackets[$channel]) : null,
                ],
                array_map(strval(...), array_keys($assessment->channels())),
                array_values($assessment->channels()),
            ),
            'bracket' => $this->bracket($assessment->bracket),
            'headline' => $assessment->family->headline($assessment->headed()),
            'results' => array_map(fn (Result $result): array => $this->result($result, $assessment, $sheet), $assessment->results),
            'drifts' => array_map($sheet->enter(...), $assessment->drifts),
            'drift' => $drift === null ? null : $sheet->enter($drift),
            'findings' => array_map(fn (Finding $one): array => $this->finding($one, $sheet), $assessment->findings),
            'family' => $assessment->family->describe($sheet),
        ];

        return [...$data, 'figures' => $sheet->rows()];
    }

    /** @return array<string, mixed> */
    private function bracket(Bracket $bracket): array
    {
        $end = static fn (?Check $check): ?array => $check === null
            ? null
            : ['check' => $check->id, 'at' => $check->at->format(\DATE_ATOM)];

        return [
            'state' => $bracket->state()->value,
            'pre' => $end($bracket->pre),
            'post' => $end($bracket->post),
            'between' => array_map($end, $bracket->between),
            'runs' => array_map(static fn (Run $run): string => $run->id, $bracket->runs),
            'passedOver' => array_map(
                static fn ($passed): array => ['check' => $passed->check->id, 'reasons' => $passed->reasons],
                $bracket->search->passedOver,
            ),
            'broken' => $bracket->search->brokenAfter === null
                ? null
                : [
                    'at' => $bracket->search->brokenAfter->at->format(\DATE_ATOM),
                    'what' => $bracket->search->brokenAfter->what,
                    'evidence' => $bracket->search->brokenAfter->evidence,
                ],
        ];
    }

    /** @return array<string, mixed> */
    private function result(Result $result, Assessment $assessment, Sheet $sheet): array
    {
        $drift = $assessment->driftOf($result);
        $figure = fn (?Figure $figure): ?array => $figure === null
            ? null
            : ['figure' => $sheet->enter($figure), 'shown' => $this->shown($figure, $result)];

        return [
            'key' => $result->key,
            'title' => $result->title,
            'unit' => $result->reportedFigure()->unit->value,
            'channel' => $result->channel,
            'verdict' => $assessment->verdictOn($result)->value,
            'drift' => $drift === null ? null : $sheet->enter($drift),
            'findings' => array_keys(array_filter($assessment->findings, static fn (Finding $one): bool => $one->touches($result))),
            'inherited' => $result->footing->inherited?->value,
            'reported' => $result->reportedAnswer()->value,
            'value' => $figure($result->reportedFigure()),
            'indicated' => $figure($result->answers->indicated),
            'pre' => $figure($result->answers->pre),
            'post' => $figure($result->answers->post),
            'between' => $figure($result->answers->between),
            'lowest' => $figure($result->lowest()),
            'highest' => $figure($result->highest()),
            'uncertainty' => $figure($result->beside->uncertainty),
            'notes' => array_map(strval(...), $result->beside->notes),
            'noteFigures' => array_map(static fn (Sentence $note): array => self::entered([$note], $sheet), $result->beside->notes),
            'altered' => array_map(
                static fn (Altered $one): array => [
                    'kind' => $one->by->kind->value,
                    'what' => $one->by->what,
                    'why' => $one->by->why,
                    'by' => $one->by->by,
                    'taken' => $one->by->kind->isTaken(),
                    ...($one->by->span?->ends() ?? ['from' => null, 'to' => null]),
                    'otherwise' => $figure($one->otherwise),
                ],
                $result->footing->altered,
            ),
            'also' => array_map(static fn (array $one): array => ['words' => $one[0], ...($figure($one[1]) ?? [])], $result->footing->also),
            'limits' => array_map(static fn (LimitOutcome $outcome): array => [
                'id' => $outcome->limit->id,
                'title' => $outcome->limit->title,
                'figure' => $sheet->enter($outcome->limit->figure('L', $result->reportedFigure()->unit)),
                'value' => $outcome->limit->threshold->value->written,
                'unit' => $outcome->limit->threshold->unit,
                'comparator' => $outcome->limit->threshold->comparator->value,
                'scope' => $outcome->limit->scope,
                'source' => $outcome->limit->source->words,
                'mark' => $outcome->limit->source->mark->value,
                'crossed' => $outcome->crossed,
                'words' => $outcome->words(),
                'robustness' => $outcome->robustness->value,
                'causes' => $outcome->causes,
                'statement' => $outcome->statement->words,
                'figures' => self::entered([$outcome->statement, $outcome->tipping->words], $sheet),
                'tippingPoint' => $outcome->tipping->error === null ? null : $sheet->enter($outcome->tipping->error),
                'tippingWords' => $outcome->tipping->words->words,
                'confidence' => $outcome->confidence === null
                    ? null
                    : [
                        'lower' => $sheet->enter($outcome->confidence->lower),
                        'upper' => $sheet->enter($outcome->confidence->upper),
                        'words' => $outcome->confidence->words,
                    ],
            ], $result->outcomes),
            ...($result->beside->breakdown === null ? [] : ['breakdown' => $this->breakdown($result->beside->breakdown, $sheet)]),
        ];
    }

    /**
     * The figures that stand in sentences, each once.
     *
     * @param list<Sentence> $sentences
     *
     * @return list<string>
     */
    private static function entered(array $sentences, Sheet $sheet): array
    {
        $ids = [];
        foreach ($sentences as $sentence) {
            array_push($ids, ...array_map($sheet->enter(...), $sentence->figures));
        }

        return array_values(array_unique($ids));
    }

    /** @return array<string, mixed> */
    private function breakdown(Breakdown $breakdown, Sheet $sheet): array
    {
        return [
            'title' => $breakdown->title(),
            'columns' => $breakdown->columns(),
            'rows' => array_map(
                static fn (array $row): array => array_map(
                    static fn (Cell $cell): array => [
                        'shown' => $cell->shown,
                        'figure' => $cell->figure === null ? null : $sheet->enter($cell->figure),
                        'noted' => $cell->isNoted,
                    ],
                    $row,
                ),
                $breakdown->rows(),
            ),
        ];
    }

    /** With a digit more where the rounding would change the side of a limit. */
    private function shown(Figure $figure, Result $result): string
    {
        $shown = $figure->shown();
        foreach ($result->outcomes as $outcome) {
            $beside = $figure->shownBeside($outcome->limit->threshold->value->value);
            if (\strlen($beside) > \strlen($shown)) {
                $shown = $beside;
            }
        }

        return $shown;
    }

    /** @return array<string, mixed> */
    private function finding(Finding $finding, Sheet $sheet): array
    {
        return [
            'rule' => $finding->rule->id,
            'title' => $finding->rule->title,
            'seen' => $finding->seen,
            'limit' => $finding->limit?->words(),
            'source' => $finding->rule->source,
            'mark' => $finding->rule->mark->value,
            'severity' => $finding->severity->value,
            'verdict' => $finding->verdict()->value,
            'cure' => $finding->remedy->cure === null
                ? null
                : ['evidence' => $finding->remedy->cure->evidence, 'until' => $finding->remedy->cure->until],
            'advice' => $finding->remedy->advice,
            'evidence' => $finding->evidence,
            'channel' => $finding->touched->channel,
            'results' => $finding->touched->results,
            'figures' => array_map($sheet->enter(...), $finding->touched->figures),
        ];
    }
}
