<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Statistics\IndividualsChart;

/**
 * What units that were checked on one reference moved by alike, row by row: the median of a row. What is left is each unit's own. When
 * several move alike the reference is the likelier cause. Advice, no verdict: no result rests on it.
 */
final readonly class SharedTrend
{
    /** So many of the last rows in which units moved together are told. */
    private const TOLD = 5;
    /** In fewer rows nobody knows what is a unit's own. */
    private const LEAST_ROWS = 3;

    /**
     * @param list<array{when: string, shared: float, units: int, together: bool}> $rows in order of time
     * @param list<string>                                                         $words
     */
    private function __construct(public array $rows, public ?IndividualsChart $chart, public array $words)
    {
    }

    /**
     * @param list<array{string, array<int|string, float>}> $rows when each was, and drifts by unit, all of one kind; in order of time. Rows
     *                                                            of too few units are passed over.
     */
    public static function of(array $rows, ShiftScale $scale): self
    {
        $told = $together = $own = [];
        foreach ($rows as [$when, $drifts]) {
            $shared = CommonShift::median($drifts);
            if ($shared === null) {
                continue;
            }
            $shift = CommonShift::of($drifts, $scale->near, $scale->least);
            $told[] = ['when' => $when, 'shared' => $shared, 'units' => \count($drifts), 'together' => $shift !== null];
            foreach ($drifts as $unit => $drift) {
                $own[$unit][] = $drift - $shared;
            }
            if ($shift !== null) {
                $together[] = self::together($when, $shift, $scale);
            }
        }
        $chart = IndividualsChart::of(array_column($told, 'shared'));

        return new self($told, $chart, $told === [] ? [] : [
            self::ordinary($told, $chart, $scale),
            ...\array_slice($together, -self::TOLD),
            ...self::own($own, $scale),
        ]);
    }

    /** @param non-empty-list<array{when: string, shared: float, units: int, together: bool}> $rows */
    private static function ordinary(array $rows, ?IndividualsChart $chart, ShiftScale $scale): string
    {
        return $chart === null
            ? \sprintf(
                'What is ordinary for what units share on it is known from %d rows of three units or more on; so far there %s.',
                IndividualsChart::LEAST,
                \count($rows) === 1 ? 'is 1' : 'are '.\count($rows),
            )
            : \sprintf(
                'In %d rows units moved alike by %s on average; between %s and %s is ordinary (± 3 s of the moving range).',
                \count($rows),
                SignedWords::of($chart->centre, $scale->unit),
                SignedWords::of($chart->lower(), $scale->unit),
                SignedWords::of($chart->upper(), $scale->unit),
            );
    }

    private static function together(string $when, CommonShift $shift, ShiftScale $scale): string
    {
        return \sprintf(
            '%s: %d of %d units moved alike by %s; it is the reference, rather than they.',
            $when,
            \count($shift->moved),
            \count($shift->own),
            SignedWords::of($shift->shared, $scale->unit),
        );
    }

    /**
     * @param array<int|string, non-empty-list<float>> $own what was left, row by row, by unit
     *
     * @return list<string>
     */
    private static function own(array $own, ShiftScale $scale): array
    {
        $known = array_filter($own, static fn (array $parts): bool => \count($parts) >= self::LEAST_ROWS);
        ksort($known);

        return $known === [] ? [] : ['Each one\'s own on average: '.implode(', ', array_map(
            static fn (int|string $unit, array $parts): string => \sprintf(
                '%s %s',
                $unit,
                SignedWords::of(array_sum($parts) / \count($parts), $scale->unit),
            ),
            array_keys($known),
            array_values($known),
        )).'.'];
    }
}
