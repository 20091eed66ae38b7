<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\Moments;

/**
 * A column of a log as an input: the intervals that count. Its number is how many they are; an equation that names it as a row
 * (L_i) goes over their values.
 */
final readonly class LoggedColumn
{
    public Figure $lines;

    /** One interval, s. */
    public Figure $interval;

    /** How long the intervals that count take, with or without a value, min. */
    public Figure $duration;

    /** One interval, s, to the thousandth that a stamp tells. */
    public Exact $seconds;

    /**
     * @param list<array{int, int}> $ranges  the intervals that count, in order
     * @param int                   $samples of them with a value
     */
    public function __construct(SeriesLog $log, int $place, string $name, array $ranges, int $samples, private Run $run)
    {
        $clock = new LogClock($log, $run);
        $column = $log->columns()[$place];
        $this->seconds = Exact::of(number_format($log->step(), 3, '.', ''));
        $this->interval = Figure::read(
            'h',
            'interval of the log',
            $log->step(),
            CommonUnit::Second,
            new Origin('log', $run->id, $name.', by its stamps'),
            1,
        );
        $spans = array_map(static fn (array $range): Span => $clock->span(...$range), $ranges);
        $stretches = (new Moments($run))->stretches($spans, 'start, stop, pauses and what was left out, by whole intervals of the log');
        $this->duration = Figure::derived(
            't',
            'time that its intervals take',
            $this->minutes(array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges))),
            CommonUnit::Minute,
            SharedEquation::RunningTime,
            $stretches,
            1,
        );
        $this->lines = Figure::derived(
            'n',
            \sprintf('intervals that count of column %d%s', $place + 1, $column->header === '' ? '' : ' ('.$column->header.')'),
            Exact::of($samples),
            CommonUnit::None,
            LogEquation::Lines,
            [
                ...$stretches,
                'δ' => Figure::read(
                    'δ',
                    'offset of the instrument\'s clock',
                    $run->timing->clockOffset ?? 0.0,
                    CommonUnit::Second,
                    new Origin('run', $run->id, $run->timing->clockOffset === null ? 'none was stated' : 'stated with the run'),
                    0,
                ),
                'h' => $this->interval,
            ],
            0,
        )->citing(
            new Origin(
                'log',
                $run->id,
                \sprintf(
                    '%s, column %d: %s of %s every %s s',
                    $name,
                    $place + 1,
                    number_format($samples, 0, '.', ' '),
                    number_format($log->length(), 0, '.', ' '),
                    Digits::trimmed($log->step(), 3),
                ),
            ),
        );
    }

    /**
     * The share of a span that has no value, %: gaps in the log, and what the log does not reach, of the time that was to be
     * measured. What was left out or paused is no gap.
     *
     * @param list<Span> $leftOut
     */
    public function missing(Span $span, array $leftOut): Figure
    {
        $wanted = (new Moments($this->run))->time($span->without($leftOut), 'start to stop, less pauses and what was left out');
        $time = $wanted->value instanceof Exact ? $wanted->value : Exact::zero();
        $longest = $this->duration->value instanceof Exact && $this->duration->value->compareTo($time) > 0 ? $this->duration->value : $time;
        $filled = $this->lines->value instanceof Exact ? $this->lines->value->times($this->seconds)->dividedBy(60) : Exact::zero();

        return Figure::derived(
            's',
            'share of the time that has no value',
            $time->isZero() ? Exact::zero() : $longest->minus($filled)->times(100)->dividedBy($time),
            CommonUnit::Percent,
            LogEquation::Missing,
            ['t' => $wanted, 't_log' => $this->duration, 'n' => $this->lines, 'h' => $this->interval],
            1,
        );
    }

    /** How long so many of its intervals take. */
    public function minutes(int $intervals): Exact
    {
        return Exact::of($intervals)->times($this->seconds)->dividedBy(60);
    }
}
