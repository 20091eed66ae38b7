<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** Reads a log file line by line into packed columns. Memory does not grow with its length. */
final class LogReader
{
    private const MOST_PROBLEMS = 20;
    private const NOTHING = ['', '-', '--', '---', 'nan', 'n/a', 'null'];
    /** How units write that they were beyond their range. */
    public const OVER = '/^(>.*|\+{2,}|o\.?[rl]\.?|over|ovr|overrange|over range|over-range)$/Di';
    /** A jump of the clock that no one log has, s. */
    private const LONGEST_GAP = 864000;

    /** @var list<array{line: int|null, problem: string}> */
    private array $problems = [];

    /** @var array<string, array<array-key, int>> values by kind, then by the text of the cell */
    private array $values = [];

    public function __construct(private readonly LogFormat $format)
    {
    }

    /**
     * @param iterable<string>        $lines the whole file
     * @param \DateTimeZone           $zone  zone of the unit's clock
     * @param \DateTimeImmutable|null $start for stamps without a date, its day; without stamps, the first interval's start
     *
     * @throws UnreadableLog naming the lines
     */
    public function read(iterable $lines, \DateTimeZone $zone, ?\DateTimeImmutable $start): PackedLog
    {
        $format = $this->format;
        if ($format->columns === []) {
            throw UnreadableLog::because('No column was chosen.');
        }
        $stamps = new StampReader($format->stamps->dateOrder);
        $places = array_keys($format->columns);
        $kinds = array_map(static fn (LogColumn $column): ColumnKind => $column->kind, $format->columns);
        $names = array_map(static fn (ColumnKind $kind): string => $kind->id(), $kinds);
        $streams = array_map(static fn () => PackedLog::memory(), $places);
        /** @var list<list<int>> $buffers */
        $buffers = array_fill(0, \count($places), []);
        $times = PackedLog::memory();
        /** @var list<float> $pending */
        $pending = [];
        $length = 0;
        $last = null;
        $number = 0;
        $days = 0;
        $shift = 0.0;
        $still = [];
        $stood = 0;

        foreach ($lines as $line) {
            ++$number;
            if ($number <= $format->layout->skip) {
                continue;
            }
            if (\strlen($line) < 8 && trim($line, " \t\r\n".$format->layout->delimiter) === '') {
                continue;
            }
            $cells = str_contains($line, '"')
                ? str_getcsv($line, $format->layout->delimiter, '"', '')
                : explode($format->layout->delimiter, $line);
            $values = [];
            foreach ($places as $place) {
                $cell = $cells[$place] ?? null;
                $value = $cell === null ? null : ($this->values[$names[$place]][$cell] ?? $this->value($cell, $kinds[$place]));
                if ($value === null) {
                    if (str_contains($line, "\0")) {
                        throw UnreadableLog::because('is not text.', $number);
                    }
                    if (trim($line, " \t\r\n".$format->layout->delimiter) === '') {
                        continue 2;
                    }
                    $this->problem(
                        $number,
                        $cell === null
                            ? \sprintf('has no column %d.', $place + 1)
                            : \sprintf('"%s" in column %d is not %s.', self::text($cell, 30), $place + 1, $kinds[$place]->rangeInWords()),
                    );
                    $value = SeriesLog::GAP;
                }
                $values[] = $value;
            }
            if ($format->stamps->places !== []) {
                $stamp = \count($format->stamps->places) === 1
                    ? ($cells[$format->stamps->places[0]] ?? '')
                    : implode(' ', array_map(static fn (int $place): string => $cells[$place] ?? '', $format->stamps->places));
                $seconds = $stamps->seconds($stamp);
                if ($seconds === null) {
                    $this->problem($number, \sprintf('"%s" is not a time of the chosen form.', self::text($stamp, 40)));
                    continue;
                }
                if ($format->stamps->dateOrder === null) {
                    $seconds += 86400 * $days;
                    if ($last !== null && $seconds < $last - 43200) {
                        ++$days;
                        $seconds += 86400;
                    }
                }
                if ($last !== null && $format->stamps->dateOrder !== null && abs($seconds + $shift - $last) >= 1800) {
                    // The unit's clock may have followed summer time.
                    $shift = self::clockChange($last - $shift, $seconds, $zone) ?? $shift;
                }
                $seconds += $shift;
                if ($last !== null && $seconds < $last) {
                    $this->problem($number, \sprintf('the time %s does not go on from the line before.', self::text($stamp, 40)));
                    continue;
                }
                if ($last !== null && $seconds - $last > self::LONGEST_GAP) {
                    throw UnreadableLog::because('the time jumps too far to be one log.', $number);
                }
                if ($seconds === $last && ++$stood <= self::MOST_PROBLEMS) {
                    $still[] = [$number, self::text($stamp, 40)];
                }
                $last = $seconds;
                $pending[] = $seconds;
            }
            foreach ($values as $c => $value) {
                $buffers[$c][] = $value;
                if (\count($buffers[$c]) >= 4096) {
                    fwrite($streams[$c], pack('V*', ...$buffers[$c]));
                    $buffers[$c] = [];
                }
            }
            if (\count($pending) >= 4096) {
                fwrite($times, pack('e*', ...$pending));
                $pending = [];
            }
            ++$length;
        }
        foreach ($buffers as $c => $buffer) {
            if ($buffer !== []) {
                fwrite($streams[$c], pack('V*', ...$buffer));
            }
        }
        if ($pending !== []) {
            fwrite($times, pack('e*', ...$pending));
        }
        // Where stamps are coarser than the interval, many lines share one; else a line stands twice, or the clock stood.
        foreach ($stood < max(2, $length / 10) ? $still : [] as [$line, $stamp]) {
            $this->problem($line, \sprintf('the time %s does not go on from the line before.', $stamp));
        }
        if ($this->problems !== []) {
            throw new UnreadableLog($this->problems);
        }
        if ($length === 0) {
            throw UnreadableLog::because('There is no data line in the file.');
        }
        $columns = array_values($format->columns);
        if ($last === null) {
            $step = $format->stamps->step !== null && $format->stamps->step > 0
                ? $format->stamps->step
                : throw UnreadableLog::because('The interval is not known: the file has no times to take it from.');

            return new PackedLog($columns, $this->start(null, $zone, $start, $step), $step, $length, $streams);
        }
        $intervals = LogIntervals::of($times, $format->stamps->step, $format->stamps->atEnd);
        $first = $this->start($intervals->start, $zone, $start, $intervals->step);
        if ($intervals->gaps === [] && $intervals->first === 0 && $intervals->after === $length) {
            return new PackedLog($columns, $first, $intervals->step, $length, $streams);
        }
        $spread = array_map(static fn ($stream) => self::spread($stream, $intervals), $streams);

        return new PackedLog(
            $columns,
            $first,
            $intervals->step,
            $intervals->after - $intervals->first + array_sum($intervals->gaps),
            $spread,
            $intervals->remarks,
        );
    }

    /**
     * A column with its gaps in their places.
     *
     * @param resource $dense
     *
     * @return resource
     */
    private static function spread($dense, LogIntervals $intervals)
    {
        $stream = PackedLog::memory();
        $gap = pack('V', SeriesLog::GAP & 0xFFFFFFFF);
        $at = $intervals->first;
        foreach ($intervals->gaps + [$intervals->after => 0] as $row => $missing) {
            fseek($dense, 4 * $at);
            stream_copy_to_stream($dense, $stream, 4 * ($row - $at));
            for ($left = $missing; $left > 0; $left -= 65536) {
                fwrite($stream, str_repeat($gap, min(65536, $left)));
            }
            $at = $row;
        }

        return $stream;
    }

    /** What stands in a cell, for a sentence; of a file in another encoding what can be told of it. */
    private static function text(string $cell, int $length): string
    {
        return mb_substr(mb_scrub(trim($cell), 'UTF-8'), 0, $length);
    }

    /**
     * Seconds to add to local stamps from here on where the zone's clock was set back or forward between two of them;
     * null where it was not.
     */
    private static function clockChange(float $before, float $after, \DateTimeZone $zone): ?float
    {
        // Stamps are local: look a day around for a change whose local moment lies between them.
        $changes = $zone->getTransitions((int) min($before, $after) - 129600, (int) max($before, $after) + 129600);
        for ($i = 1; $i < \count($changes); ++$i) {
            $by = $changes[$i]['offset'] - $changes[$i - 1]['offset'];
            $local = $changes[$i]['ts'] + $changes[$i - 1]['offset'];
            $isAt = $by < 0
                ? $after < $before && $before < $local && $after >= $local + $by
                : $after > $before && $before < $local && $after >= $local + $by;
            if ($by !== 0 && $isAt) {
                return (float) -$by;
            }
        }

        return null;
    }

    private function start(?float $first, \DateTimeZone $zone, ?\DateTimeImmutable $start, float $step): \DateTimeImmutable
    {
        if ($first === null) {
            return $start ?? throw UnreadableLog::because('The file has no times: say when its first interval began.');
        }
        if ($this->format->stamps->dateOrder === null) {
            $day = $start ?? throw UnreadableLog::because('The times have no date: say on which day the log began.');
            $first += (float) gmmktime(
                0,
                0,
                0,
                (int) $day->setTimezone($zone)->format('n'),
                (int) $day->setTimezone($zone)->format('j'),
                (int) $day->setTimezone($zone)->format('Y'),
            );
        }
        if ($this->format->stamps->atEnd) {
            $first -= $step;
        }
        $whole = (int) floor($first);

        return (new \DateTimeImmutable(gmdate('Y-m-d H:i:s', $whole), $zone))->modify(
            \sprintf('+%d microseconds', (int) round(1e6 * ($first - $whole))),
        );
    }

    private function value(string $cell, ColumnKind $kind): ?int
    {
        $text = trim($cell, " \t\r\n\"");
        if (\in_array(strtolower($text), self::NOTHING, true)) {
            return SeriesLog::GAP;
        }
        if ($kind->showsOverRange() && preg_match(self::OVER, $text) === 1) {
            return SeriesLog::OVER;
        }
        if ($this->format->layout->decimal === ',') {
            $text = str_replace(',', '.', $text);
        }
        if (preg_match('/^[+-]?\d{1,7}(\.\d{1,12})?$/D', $text) !== 1) {
            return null;
        }
        $thousandths = (int) round(1000 * (float) $text);

        [$least, $most] = $kind->range();
        if ($thousandths < $least || $thousandths > $most || ($kind->isWhole() && $thousandths % 1000 !== 0)) {
            return null;
        }
        if (\count($this->values[$kind->id()] ?? []) > 20000) {
            $this->values[$kind->id()] = [];
        }

        return $this->values[$kind->id()][$cell] = $thousandths;
    }

    private function problem(int $line, string $problem): void
    {
        $this->problems[] = ['line' => $line, 'problem' => $problem];
        if (\count($this->problems) >= self::MOST_PROBLEMS) {
            throw new UnreadableLog($this->problems);
        }
    }
}
