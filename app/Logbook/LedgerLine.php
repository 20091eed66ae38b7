<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\LimitOutcome;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;

/** What the ledger shows of a run. */
final class LedgerLine
{
    /**
     * @param array<string, mixed> $body the written assessment
     *
     * @return array<string, mixed>
     */
    public static function of(Assessment $assessment, array $body): array
    {
        $drift = $assessment->largestDrift();
        $written = \is_array($body['results']) ? $body['results'] : [];
        $results = [];
        $headline = $assessment->family->headline($assessment->results);
        foreach ($assessment->results as $place => $result) {
            $column = $assessment->family->inLedger($result);
            if ($column !== null || $result->outcomes !== [] || $result->key === $headline) {
                $row = $written[$place] ?? null;
                $value = \is_array($row) ? ($row['value'] ?? null) : null;
                $results[] = [
                    'key' => $result->key,
                    'title' => $result->title,
                    'column' => $column === '' ? null : $column,
                    'shown' => \is_array($value) && \is_string($value['shown'] ?? null) ? $value['shown'] : '',
                    'unit' => $result->reportedFigure()->unit->value,
                    'verdict' => $assessment->verdictOn($result)->value,
                    'drift' => self::drift($assessment->driftOf($result)),
                    'crossed' => self::any($result, static fn (LimitOutcome $outcome): bool => $outcome->crossed),
                    'undecided' => self::any(
                        $result,
                        static fn (LimitOutcome $outcome): bool => $outcome->robustness->value === 'undecided',
                    ),
                ];
            }
        }
        $weighty = array_values(
            array_filter($assessment->findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note),
        );

        return [
            'bracket' => [
                'state' => $assessment->bracket->state()->value,
                'pre' => $assessment->bracket->pre?->at->format(\DATE_ATOM),
                'post' => $assessment->bracket->post?->at->format(\DATE_ATOM),
                'between' => \count($assessment->bracket->between),
            ],
            'drift' => self::drift($drift),
            'standing' => $assessment->channels() === []
                ? null
                : [
                    'stand' => \count(
                        array_filter($assessment->channels(), static fn (Verdict $verdict): bool => $verdict !== Verdict::Void),
                    ),
                    'of' => \count($assessment->channels()),
                ],
            'headline' => $headline,
            'results' => $results,
            'parts' => self::parts($assessment),
            'weighty' => array_map(self::weighty(...), $weighty),
        ];
    }

    /** @return list<string> each verdict that the run, a channel of it or a result stands as, once */
    private static function parts(Assessment $assessment): array
    {
        $parts = [
            $assessment->verdict,
            ...array_values($assessment->channels()),
            ...array_map($assessment->verdictOn(...), $assessment->results),
        ];

        return array_values(array_unique(array_map(static fn (Verdict $one): string => $one->value, $parts)));
    }

    /** @return array<string, mixed> what is against it, and what would lift that */
    private static function weighty(Finding $finding): array
    {
        $cure = $finding->remedy->cure;

        return [
            'title' => $finding->rule->title,
            'channel' => $finding->touched->channel,
            'seen' => $finding->seen,
            'verdict' => $finding->verdict()->value,
            'cure' => $cure === null ? null : ['evidence' => $cure->evidence, 'until' => $cure->until, 'at' => $cure->at->value],
            'advice' => $finding->remedy->advice,
            'evidence' => $finding->evidence,
        ];
    }

    /** @return array{shown: string, unit: string}|null */
    private static function drift(?Figure $drift): ?array
    {
        return $drift === null ? null : ['shown' => $drift->shown(), 'unit' => $drift->unit->value];
    }

    /** @param callable(LimitOutcome): bool $is */
    private static function any(Result $result, callable $is): bool
    {
        foreach ($result->outcomes as $outcome) {
            if ($is($outcome)) {
                return true;
            }
        }

        return false;
    }
}
