<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Logbook\DrawnLog;
use Footnote\App\Storage\Cells;

/**
 * A run in time: the checks of its bracket, the run between them, what is not in its sums, and its log as lowest, mean and highest of
 * each stretch. What lies long before or after the run is drawn at the edge, with its time.
 *
 * @phpstan-type Event array{check: string, at: string}
 */
final readonly class TimePicture
{
    private const WIDTH = 640;
    private const LEFT = 48;
    private const RIGHT = 592;
    /** Where the run begins and ends; the checks stand in what is left on both sides. */
    private const EDGE = 46;
    private const BAND = 34;
    private const CHANNEL = 64;

    private float $from;
    private float $to;

    /**
     * @param string        $start    of the run, as written
     * @param string        $stop     of the run; where it still runs the last moment that is known of it
     * @param \DateTimeZone $zone     whose clocks the axis shows
     */
    private function __construct(private string $start, private string $stop, private \DateTimeZone $zone)
    {
        $this->from = self::seconds($start);
        $this->to = max($this->from + 1.0, self::seconds($stop));
    }

    /** @return array{string, string} a run as a report draws it: the element, and what is seen on it */
    public static function of(ReportedRun $run): array
    {
        $bracket = Cells::map($run->stands->body, 'bracket');
        $event = static fn (array $end): array => ['check' => Cells::text($end, 'check'), 'at' => Cells::text($end, 'at')];
        $post = Cells::map($bracket, 'post');
        $start = Cells::text($run->record, 'start');
        $stop = Cells::text($run->record, 'stop');
        $known = $stop !== '' ? $stop : ($post === [] ? $start : Cells::text($post, 'at'));
        $shaded = [];
        foreach (Cells::rows($run->headline(), 'altered') as $one) {
            if (($one['taken'] ?? false) === true && \is_string($one['from'] ?? null) && \is_string($one['to'] ?? null)) {
                $shaded[] = [$one['from'], $one['to']];
            }
        }

        return (new self($start, $known, $run->zone))->drawn(
            [
                'pre' => array_map($event, array_filter([Cells::map($bracket, 'pre')])),
                'between' => array_map($event, Cells::rows($bracket, 'between')),
                'post' => array_map($event, array_filter([$post])),
            ],
            $shaded,
            $run->logs,
        );
    }

    /**
     * @param array<string, list<Event>> $checks  pre, between and post
     * @param list<array{string, string}> $shaded from and to of what is not in the sums
     * @param list<DrawnLog>              $logs
     *
     * @return array{string, string} the element, and what is seen on it
     */
    private function drawn(array $checks, array $shaded, array $logs): array
    {
        $height = self::BAND + self::CHANNEL * \count($logs) + 24;
        $drawn = $this->shaded($shaded, self::BAND - 16, $height - 24).$this->run().$this->checks($checks);
        foreach ($logs as $place => $log) {
            $drawn .= $this->log($log, self::BAND + self::CHANNEL * $place);
        }
        $words = $this->words($checks, $shaded, $logs);

        return [Ink::picture(self::WIDTH, $height, $words, $drawn.$this->axis($height)), $words];
    }

    private function run(): string
    {
        return \sprintf(
            '<path d="M%s 18H%s" stroke="%s" stroke-width="3.5"/>',
            Ink::at($this->x($this->from)),
            Ink::at($this->x($this->to)),
            Ink::TEXT,
        );
    }

    /** @param array<string, list<Event>> $checks */
    private function checks(array $checks): string
    {
        $drawn = '';
        foreach ($checks as $end => $events) {
            foreach ($events as $event) {
                $x = $this->x(self::seconds($event['at']));
                $foot = match ($end) {
                    'pre' => 5,
                    'post' => -5,
                    default => 0,
                };
                $drawn .= \sprintf(
                    '<path d="M%1$s 8H%2$sV28H%1$s" fill="none" stroke="%3$s" stroke-width="1.6"/>',
                    Ink::at($x + $foot),
                    Ink::at($x),
                    Ink::TEXT,
                );
                $drawn .= match ($end) {
                    'pre' => Ink::text($x - 4, 22, $this->near($event['at']), 'end'),
                    'post' => Ink::text($x + 4, 22, $this->near($event['at']), 'start'),
                    default => '',
                };
            }
        }

        return $drawn;
    }

    /** @param list<array{string, string}> $shaded */
    private function shaded(array $shaded, int $top, int $bottom): string
    {
        $drawn = '';
        foreach ($shaded as [$from, $to]) {
            $x = $this->x(self::seconds($from));
            $drawn .= \sprintf(
                '<rect x="%s" y="%d" width="%s" height="%d" fill="%s" opacity="0.24"/>',
                Ink::at($x),
                $top,
                Ink::at(max(2.0, $this->x(self::seconds($to)) - $x)),
                $bottom - $top,
                Ink::SHADED,
            );
        }

        return $drawn;
    }

    private function log(DrawnLog $log, int $top): string
    {
        $points = array_filter($log->sketch->points);
        if ($points === []) {
            return '';
        }
        $low = min(array_column($points, 0));
        $high = max(array_column($points, 2));
        $span = max($high - $low, 1e-9);
        $y = static fn (float $value): float => $top + self::CHANNEL - 8 - (self::CHANNEL - 16) * ($value - $low) / $span;
        $begin = (float) $log->start->format('U.u');
        $spread = '';
        $mean = '';
        $last = null;
        foreach ($points as $place => [$least, $middle, $most]) {
            $x = Ink::at($this->x($begin + ($place + 0.5) * $log->sketch->step));
            $spread .= \sprintf('M%s %sV%s', $x, Ink::at($y($most)), Ink::at($y($least) + 0.4));
            $mean .= \sprintf('%s%s %s', $last === $place - 1 ? 'L' : 'M', $x, Ink::at($y($middle)));
            $last = $place;
        }
        $decimals = $span >= 20 ? 0 : ($span >= 2 ? 1 : 2);
        $label = static fn (float $value): string => Shown::minus(number_format($value, $decimals, '.', ''));
        $right = self::RIGHT + 4.0;

        return \sprintf('<path d="%s" stroke="%s" stroke-width="1.2"/>', $spread, Ink::RULE)
            .\sprintf('<path d="%s" fill="none" stroke="%s" stroke-width="0.9"/>', $mean, Ink::TEXT)
            .Ink::text(self::LEFT - 4.0, $y($high) + 4, $label($high), 'end')
            .Ink::text(self::LEFT - 4.0, $y($low) + 4, $label($low), 'end')
            .Ink::text($right, $y($high) + 4, $log->sketch->unit->value, 'start')
            .($log->words === '' ? '' : Ink::text($right, $y($low) + 4, $log->words, 'start'));
    }

    private function axis(int $height): string
    {
        $base = $height - 22.0;
        $drawn = \sprintf('<path d="M%d %sH%d" stroke="%s"/>', self::LEFT, Ink::at($base), self::RIGHT, Ink::RULE);
        $step = $this->step();
        for ($at = ceil($this->from / $step) * $step; $at <= $this->to; $at += $step) {
            $x = $this->x($at);
            $drawn .= \sprintf('<path d="M%s %sv4" stroke="%s"/>', Ink::at($x), Ink::at($base), Ink::SOFT)
                .Ink::text($x, $height - 5.0, Shown::clock('@'.(int) $at, $this->zone));
        }

        return $drawn;
    }

    /** Between the times on the axis, s: whole hours of UTC are not always whole hours of a site, half and quarter hours are. */
    private function step(): float
    {
        $span = $this->to - $this->from;
        foreach ([300, 900, 1800, 3600, 7200, 14400, 28800] as $step) {
            if ($span / $step <= 10) {
                return $step;
            }
        }

        return 86400.0 * ceil($span / 864000);
    }

    /** What stands at the edge is not where it would be on the axis: its day is told as well. */
    private function near(string $at): string
    {
        return Shown::day($at, $this->zone) === Shown::day($this->start, $this->zone)
            ? Shown::clock($at, $this->zone)
            : (new \DateTimeImmutable($at))->setTimezone($this->zone)->format('j M');
    }

    private function x(float $at): float
    {
        $inner = [self::LEFT + self::EDGE, self::RIGHT - self::EDGE];
        $x = $inner[0] + ($inner[1] - $inner[0]) * ($at - $this->from) / ($this->to - $this->from);

        return max(self::LEFT, min(self::RIGHT, $x));
    }

    /**
     * @param array<string, list<Event>>  $checks
     * @param list<array{string, string}> $shaded
     * @param list<DrawnLog>              $logs
     */
    private function words(array $checks, array $shaded, array $logs): string
    {
        $told = [\sprintf('Run from %s to %s', Shown::moment($this->start, $this->zone), Shown::moment($this->stop, $this->zone))];
        foreach (['pre' => 'check before', 'between' => 'check between', 'post' => 'check after'] as $end => $what) {
            foreach ($checks[$end] ?? [] as $event) {
                $told[] = \sprintf('%s %s at %s', $what, $event['check'], Shown::moment($event['at'], $this->zone));
            }
        }
        if ($shaded !== []) {
            $told[] = 'shaded: not in the sums';
        }
        $named = Shown::joined(', ', ...array_map(static fn (DrawnLog $log): string => $log->words, $logs));
        if ($logs !== []) {
            $told[] = 'the log as lowest to highest (grey) and mean (line) of each stretch'
                .($named === '' ? '' : ' of '.$named);
        }

        return implode('; ', $told).'.';
    }

    private static function seconds(string $at): float
    {
        return (float) (new \DateTimeImmutable($at))->format('U.u');
    }
}
