<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Digits;

/**
 * FC-F2: what the stamps of a log say of its interval, and which place each of its lines has. The interval is the time over
 * unbroken stretches by their lines, held against the commonest step where the stamps resolve it: stamps to the minute, a step
 * of 1.5 s in whole seconds and a clock that wavers by a second are ordinary.
 */
final readonly class LogIntervals
{
    /** Share of all steps from which on a neighbour of the commonest is no gap but rounding (own). */
    private const ROUNDED = 0.1;
    /** A step shorter than this share of the interval, at an end of the log, is a part of one (own). */
    private const PART = 0.75;
    /** Interval and commonest step may differ by so much before a person is asked (own). */
    private const ALIKE = 0.01;
    /** The steps that units are set to, s, the plainest first. */
    private const PLAIN = [60.0, 30.0, 10.0, 5.0, 1.0, 0.5, 0.25, 0.1, 0.05, 0.025, 0.01];
    /** Gaps that a log may have beyond its own lines. */
    private const MOST_GAPS = 864000;

    /**
     * @param float                 $step    s
     * @param array<int, int>       $gaps    intervals without a line, by the line that follows them
     * @param int                   $first   the first line that counts; those before it are a part of an interval
     * @param int                   $after   the line after the last that counts
     * @param float                 $start   stamp of the first line that counts, s
     * @param list<string>          $remarks what was left out
     */
    private function __construct(
        public float $step,
        public array $gaps,
        public int $first,
        public int $after,
        public float $start,
        public array $remarks,
    ) {
    }

    /**
     * @param resource   $stamps packed doubles, s, in order and never going back
     * @param float|null $given  the interval that a person chose
     *
     * @throws UnreadableLog
     */
    public static function of($stamps, ?float $given, bool $atEnd): self
    {
        $steps = self::steps($stamps);
        $count = $steps['count'];
        if ($count === 1 || $steps['common'] === []) {
            return new self(
                $given ?? throw UnreadableLog::because('The interval is not known: one line does not tell it. Choose the interval.'),
                [],
                0,
                $count,
                $steps['start'],
                [],
            );
        }
        $resolution = $steps['resolution'];
        [$commonest, $largest, $wavers, $isRounded] = self::ordinary($steps['common'], $count - 1, $resolution);
        $resolution = max($resolution, $wavers);
        $limit = $largest + max($commonest, $resolution) / 2;
        $edges = [
            self::isPart($steps['first'], $commonest, $resolution, $count),
            self::isPart($steps['last'], $commonest, $resolution, $count),
        ];
        // A short step at the start is the interval of its first line, or, stamped at its end, of its second.
        $first = $edges[0] ? ($atEnd ? 2 : 1) : 0;
        $after = $count - ($edges[1] ? ($atEnd ? 1 : 2) : 0);
        [$span, $lines, $breaks] = self::unbroken($stamps, $first, $after, $limit);
        if ($lines === 0) {
            $span = $commonest;
            $lines = 1;
        }
        $step = $given ?? self::interval($span / $lines, $commonest, $resolution, $lines, $breaks, $isRounded);
        $remarks = [];
        foreach ([[$edges[0], 'first', $steps['first']], [$edges[1], 'last', $steps['last']]] as [$isPart, $which, $seconds]) {
            if ($isPart) {
                $remarks[] = \sprintf(
                    'the %s interval of the log, %s s of %s',
                    $which,
                    Digits::trimmed($seconds, 3),
                    Digits::trimmed($step, 3),
                );
            }
        }

        return self::placed($stamps, $step, $first, $after, $limit, $resolution, $given !== null, $remarks);
    }

    /**
     * How often each step between stamps occurs, and how finely they tell time.
     *
     * @param resource $stamps
     *
     * @return array{count: int, start: float, first: float, last: float, common: array<int, int>, resolution: float} steps in ms
     */
    private static function steps($stamps): array
    {
        $count = 0;
        $start = 0.0;
        $before = null;
        $first = 0.0;
        $last = 0.0;
        $common = [];
        $resolution = 60.0;
        foreach (self::read($stamps) as $seconds) {
            if ($before === null) {
                $start = $seconds;
            } else {
                $last = $seconds - $before;
                $first = $count === 1 ? $last : $first;
                $key = (int) round(1000 * $last);
                if (isset($common[$key]) || \count($common) < 20000) {
                    $common[$key] = ($common[$key] ?? 0) + 1;
                }
            }
            if ($resolution > 1.0 && fmod($seconds, 60.0) !== 0.0) {
                $resolution = 1.0;
            }
            if ($resolution === 1.0 && floor($seconds) !== $seconds) {
                $resolution = 0.001;
            }
            $before = $seconds;
            ++$count;
        }

        return ['count' => $count, 'start' => $start, 'first' => $first, 'last' => $last, 'common' => $common, 'resolution' => $resolution];
    }

    /**
     * The commonest step, the largest that is its rounding, how far apart steps may be and be the same, and whether neighbours of
     * the commonest are so common that stamps only round an interval between them.
     *
     * @param non-empty-array<int, int> $common
     *
     * @return array{float, float, float, bool} s
     */
    private static function ordinary(array $common, int $steps, float $resolution): array
    {
        $grid = (int) round(1000 * $resolution);
        if ($resolution < 1.0) {
            // Stamps to the millisecond waver: steps within a twentieth of the usual one are the same.
            ksort($common);
            $seen = 0;
            $usual = 0;
            foreach ($common as $step => $times) {
                $seen += $times;
                $usual = $step;
                if (2 * $seen >= $steps) {
                    break;
                }
            }
            $grid = max(1, (int) round($usual / 20));
        }
        $binned = [];
        foreach ($common as $step => $times) {
            $binned[intdiv($step + intdiv($grid, 2), $grid)] = ($binned[intdiv($step + intdiv($grid, 2), $grid)] ?? 0) + $times;
        }
        ksort($binned);
        $mode = 0;
        $most = 0;
        foreach ($binned as $step => $times) {
            [$mode, $most] = $times > $most ? [$step, $times] : [$mode, $most];
        }
        $isRounding = ($binned[$mode + 1] ?? 0) >= self::ROUNDED * $steps || ($binned[$mode - 1] ?? 0) >= self::ROUNDED * $steps;
        $largest = $isRounding && ($binned[$mode + 1] ?? 0) >= self::ROUNDED * $steps ? $mode + 1 : $mode;
        $exact = $resolution < 1.0 ? self::mean($common, $mode, $grid) : $mode * $grid;

        return [$exact / 1000, max($exact, $largest * $grid) / 1000, $grid / 1000, $isRounding];
    }

    /** @param array<int, int> $common */
    private static function mean(array $common, int $mode, int $grid): float
    {
        $sum = 0.0;
        $times = 0;
        foreach ($common as $step => $often) {
            if (intdiv($step + intdiv($grid, 2), $grid) === $mode) {
                $sum += $step * $often;
                $times += $often;
            }
        }

        return $times === 0 ? (float) ($mode * $grid) : $sum / $times;
    }

    private static function isPart(float $step, float $commonest, float $resolution, int $count): bool
    {
        return $count > 3 && $commonest >= 2 * $resolution && $step < self::PART * $commonest - $resolution / 2;
    }

    /**
     * @param resource $stamps
     *
     * @return array{float, int, int} time over unbroken stretches, its steps, and how many stretches
     */
    private static function unbroken($stamps, int $first, int $after, float $limit): array
    {
        $span = 0.0;
        $lines = 0;
        $stretches = 0;
        $before = null;
        $inside = false;
        foreach (self::read($stamps) as $row => $seconds) {
            if ($row >= $first && $row < $after && $before !== null && $row > $first) {
                $step = $seconds - $before;
                if ($step <= $limit) {
                    $span += $step;
                    ++$lines;
                    $stretches += $inside ? 0 : 1;
                    $inside = true;
                } else {
                    $inside = false;
                }
            }
            $before = $seconds;
        }

        return [$span, $lines, $stretches];
    }

    /** @throws UnreadableLog where the stamps resolve the commonest step and the time by their lines is another */
    private static function interval(float $mean, float $commonest, float $resolution, int $lines, int $stretches, bool $isRounded): float
    {
        $error = $resolution * max(1, $stretches) / $lines;
        if (!$isRounded && $commonest >= $resolution && abs($mean - $commonest) <= $error + self::ALIKE * $commonest) {
            return abs($mean - $commonest) <= $error + 1e-9 ? round($commonest, 3) : round($mean, 6);
        }
        if (!$isRounded && $commonest > $resolution) {
            throw UnreadableLog::because(
                \sprintf(
                    'The times mostly go on by %s s, and by %s s on the whole. Choose the interval.',
                    Digits::trimmed($commonest, 3),
                    Digits::trimmed($mean, 3),
                ),
            );
        }
        foreach (self::PLAIN as $grid) {
            $near = round($mean / $grid) * $grid;
            if ($near > 0.0 && abs($near - $mean) <= $error + 1e-9) {
                return $near;
            }
        }
        $mean > 0.0 || throw UnreadableLog::because('The times do not differ; choose the interval.');

        return round($mean, 6);
    }

    /**
     * @param resource     $stamps
     * @param list<string> $remarks
     *
     * @throws UnreadableLog
     */
    private static function placed(
        $stamps,
        float $step,
        int $first,
        int $after,
        float $limit,
        float $resolution,
        bool $isGiven,
        array $remarks,
    ): self {
        $gaps = [];
        $all = 0;
        $place = 0;
        $origin = null;
        $before = null;
        foreach (self::read($stamps) as $row => $seconds) {
            if ($row < $first || $row >= $after) {
                continue;
            }
            if ($origin === null || $before === null) {
                $origin = $seconds;
                $before = $seconds;
                continue;
            }
            $jump = $seconds - $before;
            $behind = $seconds - ($origin + ($place + 1) * $step);
            $missing = 0;
            if ($jump > max($limit, $isGiven ? 1.5 * $step : 0.0) || $behind > max($step, $resolution) + $resolution) {
                $missing = max(0, (int) round($behind / $step));
            }
            if ($missing > 0) {
                $gaps[$row] = $missing;
                $all += $missing;
                if ($all > self::MOST_GAPS + 20 * ($after - $first)) {
                    throw UnreadableLog::because('Its times jump too far to be those of one log.');
                }
            }
            $place += 1 + $missing;
            $before = $seconds;
        }

        return new self($step, $gaps, $first, $after, $origin ?? 0.0, $remarks);
    }

    /**
     * @param resource $stamps
     *
     * @return \Generator<int, float>
     */
    private static function read($stamps): \Generator
    {
        rewind($stamps);
        $row = 0;
        while (($bytes = fread($stamps, 8 * 4096)) !== false && $bytes !== '') {
            $doubles = unpack('e*', $bytes);
            foreach ($doubles === false ? [] : $doubles as $seconds) {
                if (\is_float($seconds)) {
                    yield $row++ => $seconds;
                }
            }
        }
    }
}
