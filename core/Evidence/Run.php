<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;

/** One deployment of an instrument: on whom, where, when, and what was noted. */
final readonly class Run
{
    public function __construct(
        public string $id,
        public Deployment $deployment,
        public Timing $timing,
        public WorkingDay $day,
        public RunContent $content,
        public RunNotes $notes = new RunNotes(),
        public LogSource $source = new LogSource(),
    ) {
    }

    public function span(): ?Span
    {
        return $this->timing->stop === null ? null : new Span($this->timing->start, $this->timing->stop);
    }

    public function has(RemarkKind $kind): bool
    {
        foreach ($this->notes->remarks as $remark) {
            if ($remark->kind === $kind) {
                return true;
            }
        }

        return false;
    }

    /**
     * Seconds it ran: by the clock, less pauses; by the unit's own timer only where the unit stopped by itself.
     */
    public function runningSeconds(): float
    {
        if ($this->timing->timerMinutes !== null && $this->has(CommonRemark::StoppedByItself)) {
            return 60 * $this->timing->timerMinutes;
        }

        return (float) array_sum(array_map(static fn (Span $span): float => $span->seconds(), $this->clockSpans()));
    }

    /**
     * The stretches in which it ran, in order: from start to stop without its pauses; where the unit stopped by itself,
     * only as long as its own timer says.
     *
     * @return list<Span>
     */
    public function runningSpans(): array
    {
        $spans = $this->clockSpans();
        if ($this->timing->timerMinutes === null || !$this->has(CommonRemark::StoppedByItself)) {
            return $spans;
        }
        $left = 60 * $this->timing->timerMinutes;
        $ran = [];
        foreach ($spans as $span) {
            if ($left <= 0) {
                break;
            }
            $ran[] = $left >= $span->seconds() ? $span : new Span($span->from, Span::shift($span->from, $left));
            $left -= $span->seconds();
        }

        return $ran;
    }

    /**
     * From start to stop without its pauses, which are united and clipped to the run.
     *
     * @return list<Span>
     */
    private function clockSpans(): array
    {
        return $this->span()?->without($this->timing->pauses) ?? [];
    }

    /** The instant of the run that the unit's own clock showed as $unitTime. */
    public function trueTime(\DateTimeImmutable $unitTime): \DateTimeImmutable
    {
        return $this->timing->clockOffset === null ? $unitTime : Span::shift($unitTime, -$this->timing->clockOffset);
    }

    /** As they follow each other; of one moment by identifier. */
    public static function inOrder(self $a, self $b): int
    {
        return [$a->timing->start, $a->id] <=> [$b->timing->start, $b->id];
    }
}
