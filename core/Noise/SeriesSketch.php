<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Log\LogSketch;
use Footnote\Core\Log\SeriesLog;

/** Draws a log of levels small: the mean of a stretch is that of the energy. */
final class SeriesSketch
{
    public static function of(SeriesLog $log, int $most): LogSketch
    {
        $per = max(1, (int) ceil($log->length() / $most));
        $column = LogSurvey::column($log, ...LevelColumn::LEVELS);
        if ($column === null) {
            return new LogSketch($per * $log->step(), [], LevelUnit::Decibel);
        }
        $points = [];
        $low = \PHP_INT_MAX;
        $high = \PHP_INT_MIN;
        $energy = 0.0;
        $count = 0;
        $held = 0;
        foreach ($log->chunks($column) as $chunk) {
            foreach ($chunk as $value) {
                if ($value !== SeriesLog::GAP) {
                    $low = min($low, $value);
                    $high = max($high, $value);
                    $energy += 10 ** ($value / 10000);
                    ++$count;
                }
                if (++$held === $per) {
                    $points[] = self::point($low, $high, $energy, $count);
                    $low = \PHP_INT_MAX;
                    $high = \PHP_INT_MIN;
                    $energy = 0.0;
                    $count = 0;
                    $held = 0;
                }
            }
        }
        if ($held > 0) {
            $points[] = self::point($low, $high, $energy, $count);
        }

        return new LogSketch($per * $log->step(), $points, LevelUnit::Decibel);
    }

    /** @return array{float, float, float}|null */
    private static function point(int $low, int $high, float $energy, int $count): ?array
    {
        return $count === 0 ? null : [$low / 1000.0, round(10 * log10($energy / $count), 2), $high / 1000.0];
    }
}
