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
    public function __construct(SeriesLog $log, int $place, string $name, array $ranges, int $samples, Run $run)
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

    /** How long so many of its intervals take. */
    public function minutes(int $intervals): Exact
    {
        return Exact::of($intervals)->times($this->seconds)->dividedBy(60);
    }
}
