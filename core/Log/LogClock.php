<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Span;

/** Turns places in a log into true time and back: the unit's clock less its offset. */
final readonly class LogClock
{
    private \DateTimeImmutable $start;

    private float $step;

    private int $length;

    public function __construct(SeriesLog $log, Run $run)
    {
        $this->start = $run->trueTime($log->start());
        $this->step = $log->step();
        $this->length = $log->length();
    }

    /** The true moment at which an interval begins. */
    public function at(int $index): \DateTimeImmutable
    {
        return Span::shift($this->start, $index * $this->step);
    }

    public function span(int $from, int $to): Span
    {
        return new Span($this->at($from)->setTimezone($this->start->getTimezone()), $this->at($to));
    }

    /**
     * The intervals that lie wholly within a span.
     *
     * @return array{int, int} first and the one after the last
     */
    public function within(Span $span): array
    {
        $from = (int) ceil($this->place($span->from) - 1e-6);
        $to = (int) floor($this->place($span->to) + 1e-6);

        return $this->clipped($from, max($from, $to));
    }

    /**
     * The intervals that a span touches.
     *
     * @return array{int, int} first and the one after the last
     */
    public function touching(Span $span): array
    {
        $from = (int) floor($this->place($span->from) + 1e-6);
        $to = (int) ceil($this->place($span->to) - 1e-6);

        return $this->clipped($from, max($from, $to));
    }

    /** The first interval that begins at that moment or after it; it may lie beyond the log. */
    public function beginningFrom(\DateTimeImmutable $moment): int
    {
        return (int) ceil($this->place($moment) - 1e-6);
    }

    private function place(\DateTimeImmutable $moment): float
    {
        return Span::secondsBetween($this->start, $moment) / $this->step;
    }

    /** @return array{int, int} */
    private function clipped(int $from, int $to): array
    {
        return [min(max(0, $from), $this->length), min(max(0, $to), $this->length)];
    }
}
