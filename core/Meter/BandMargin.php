<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\OctaveBand;
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
        $interval = false;
        foreach ($bands as $one) {
            $level = $of($one->result);
            if ($level === null) {
                return null;
            }
            $margin = $one->over($level);
            $floor = Real::minus($level->known->floor ?? $level->value, $one->permissible->value);
            $interval = $interval || $level->known->floor !== null;
            $low = $low === null ? $floor : Real::most($low, $floor);
            $worst = $worst === null || Real::compare($margin->value, $worst->value) > 0 ? $margin : $worst;
        }

        return $interval ? $worst->downTo($low) : $worst;
    }

    /** @param non-empty-list<self> $bands */
    public static function worstBand(array $bands): OctaveBand
    {
        return array_reduce(
            $bands,
            static fn (self $worst, self $one): self => Real::compare(
                $one->over($one->result->reportedFigure())->value,
                $worst->over($worst->result->reportedFigure())->value,
            ) > 0
                ? $one
                : $worst,
            $bands[0],
        )->band;
    }

    private function over(Figure $level): Figure
    {
        return Figure::derived(
            'ΔL_max',
            'worst band, '.$this->band->words().', above its permissible level by',
            Real::minus($level->value, $this->permissible->value),
            LevelUnit::Decibel,
            NoiseEquation::RoomMargin,
            [$level, $this->permissible],
        )->bounded($level->known->bound);
    }
}
