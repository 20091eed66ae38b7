<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\RecallSetRight;

/** What a run comes to as it stands and as it would with a recall, result by result. */
final class Compared
{
    public const SAME = 'unchanged';
    public const NUMBER = 'number changed';
    public const VERDICT = 'verdict changed';

    /**
     * @param array<string, mixed> $was the written assessment as it stands
     * @param array<string, mixed> $is  as it would be
     *
     * @return array{state: string, results: list<array<string, mixed>>} all results, each with both values
     */
    public static function of(array $was, array $is): array
    {
        $before = self::results($was);
        $after = self::results($is);
        $results = [];
        foreach ([...$before, ...$after] as $key => $any) {
            $results[] = self::result($any[0], $before[$key] ?? null, $after[$key] ?? null);
        }
        $states = array_column($results, 'state');
        if (Cells::text($was, 'verdict') !== Cells::text($is, 'verdict')) {
            $states[] = self::VERDICT;
        }

        return ['state' => self::worst($states), 'results' => $results];
    }

    /** @param list<mixed> $states */
    private static function worst(array $states): string
    {
        return match (true) {
            \in_array(self::VERDICT, $states, true) => self::VERDICT,
            \in_array(self::NUMBER, $states, true) => self::NUMBER,
            default => self::SAME,
        };
    }

    /**
     * @param array<string, mixed>                                   $result as either has it
     * @param array{array<string, mixed>, array<string, mixed>}|null $was result, and its reported figure
     * @param array{array<string, mixed>, array<string, mixed>}|null $is
     *
     * @return array<string, mixed>
     */
    private static function result(array $result, ?array $was, ?array $is): array
    {
        [$before, $valueBefore] = $was ?? [[], []];
        [$after, $valueAfter] = $is ?? [[], []];
        $limits = self::limits($before, $after);
        $isSame = $was !== null && $is !== null;
        $verdicts = [Cells::text($before, 'verdict'), Cells::text($after, 'verdict')];

        return [
            'key' => Cells::text($result, 'key'),
            'title' => Cells::text($result, 'title'),
            'channel' => Cells::text($result, 'channel'),
            'unit' => Cells::text($result, 'unit'),
            'state' => match (true) {
                !$isSame, $verdicts[0] !== $verdicts[1], $limits !== [] => self::VERDICT,
                // Unrounded: what looks alike on the page may have moved.
                Cells::text($valueBefore, 'value') !== Cells::text($valueAfter, 'value') => self::NUMBER,
                default => self::SAME,
            },
            'was' => Cells::text(Cells::map($before, 'value'), 'shown'),
            'is' => Cells::text(Cells::map($after, 'value'), 'shown'),
            'evenly' => self::evenly($after),
            'wasVerdict' => $verdicts[0],
            'isVerdict' => $verdicts[1],
            'limits' => $limits,
        ];
    }

    /** @param array<string, mixed> $result as it would be */
    private static function evenly(array $result): string
    {
        foreach (Cells::rows($result, 'also') as $one) {
            if (Cells::text($one, 'words') === RecallSetRight::EVENLY) {
                return Cells::text($one, 'shown');
            }
        }

        return '';
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     *
     * @return list<array{title: string, was: string, is: string}> those of which something else would be said
     */
    private static function limits(array $before, array $after): array
    {
        $was = [];
        foreach (Cells::rows($before, 'limits') as $limit) {
            $was['='.Cells::text($limit, 'id')] = self::said($limit);
        }
        $changed = [];
        foreach (Cells::rows($after, 'limits') as $limit) {
            $then = $was['='.Cells::text($limit, 'id')] ?? '';
            if ($then !== self::said($limit)) {
                $title = \sprintf('%s %s %s', Cells::text($limit, 'title'), Cells::text($limit, 'value'), Cells::text($limit, 'unit'));
                $changed[] = ['title' => $title, 'was' => $then, 'is' => self::said($limit)];
            }
        }

        return $changed;
    }

    /** @param array<string, mixed> $limit */
    private static function said(array $limit): string
    {
        return Cells::text($limit, 'words').', '.Cells::text($limit, 'robustness');
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, array{array<string, mixed>, array<string, mixed>}> results with their reported figures, by = and their key
     */
    private static function results(array $body): array
    {
        $figures = [];
        foreach (Cells::rows($body, 'figures') as $figure) {
            $figures['='.Cells::text($figure, 'id')] = $figure;
        }
        $results = [];
        foreach (Cells::rows($body, 'results') as $result) {
            $results['='.Cells::text($result, 'key')] = [
                $result,
                $figures['='.Cells::text(Cells::map($result, 'value'), 'figure')] ?? [],
            ];
        }

        return $results;
    }
}
