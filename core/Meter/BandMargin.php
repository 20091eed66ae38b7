<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** A band that was measured, with its permissible level: by how much it lies above it, by any of its answers. */
final readonly class BandMargin
{
    public function __construct(private OctaveBand $band, private Figure $permissible, public Result $result)
    {
    }

    /**
     * The largest margin of several bands by one answer; null where a band does not have that answer.
     *
     * @param non-empty-list<self>       $bands
     * @param \Closure(Result): ?Figure $of
     */
    public static function worst(array $bands, \Closure $of): ?Figure
    {
        $worst = null;
        $low = null;
        $bound = null;
        $interval = false;
        $members = [];
        foreach ($bands as $one) {
            $level = $of($one->result);
            if ($level === null) {
                return null;
            }
            $over = $one->over($level);
            $floor = Real::minus($level->known->floor ?? $level->value, $one->permissible->value);
            $interval = $interval || $level->known->floor !== null;
            $low = $low === null ? $floor : Real::most($low, $floor);
            if ($worst === null || Real::compare($over, $worst) > 0) {
                $worst = $over;
                $bound = $level->known->bound;
            }
            $members[] = [$level, $one->permissible];
        }
        $figure = Figure::derived(
            'ΔL_max',
            'worst band, '.self::worstOf($bands, $of)->band->words().', above its permissible level by',
            $worst,
            LevelUnit::Decibel,
            NoiseEquation::WorstMargin,
            Row::together(['L_i', 'P_i'], $members),
        )->bounded($bound);

        return $interval ? $figure->downTo($low) : $figure;
    }

    /** @param non-empty-list<self> $bands */
    public static function worstBand(array $bands): OctaveBand
    {
        return self::worstOf($bands, static fn (Result $result): Figure => $result->reportedFigure())->band;
    }

    /**
     * @param non-empty-list<self>       $bands
     * @param \Closure(Result): ?Figure $of
     */
    private static function worstOf(array $bands, \Closure $of): self
    {
        $over = static fn (self $one): Exact|float => $one->over($of($one->result) ?? $one->result->reportedFigure());

        return array_reduce(
            $bands,
            static fn (self $worst, self $one): self => Real::compare($over($one), $over($worst)) > 0 ? $one : $worst,
            $bands[0],
        );
    }

    private function over(Figure $level): Exact|float
    {
        return Real::minus($level->value, $this->permissible->value);
    }
}
