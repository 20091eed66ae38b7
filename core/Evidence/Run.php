<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;

/** One deployment of an instrument: on whom, where, when, and what was noted. */
final readonly class Run
{
    /**
     * Times are true times: where they were read off the unit's clock, its offset has been taken out on reading.
     *
     * @param \DateTimeImmutable|null $stop           null while it runs
     * @param list<Span>              $pauses
     * @param list<Remark>            $remarks
     * @param list<Exclusion>         $exclusions
     * @param list<Exclusion>         $leftIn         stretches that look like a check, and that a person said stay in
     * @param RestOfDay|null          $rest           a person's word on the part of the working day that was not sampled
     * @param bool                    $isPlace        whether it is of a place and not of a person
     * @param LogOrigin|null          $origin         the file that its log came in
     * @param LogWord|null            $logWord        a person's word on whether that log is its own
     * @param float|null              $clockOffset    unit − true, s; null where nobody noted it
     * @param float|null              $plannedMinutes how long it was meant to run
     * @param float|null              $shiftMinutes   the working day it stands for; null: as long as it ran
     * @param string|null             $shift          name of the shift, where its day does not say it
     * @param float|null              $timerMinutes   what the unit's own timer says it ran
     */
    public function __construct(
        public string $id,
        public string $instrument,
        public \DateTimeImmutable $start,
        public ?\DateTimeImmutable $stop,
        public string $person,
        public string $task,
        public string $place,
        public RunContent $content,
        public array $pauses = [],
        public array $remarks = [],
        public array $exclusions = [],
        public ?Declaration $declaration = null,
        public ?float $clockOffset = null,
        public ?float $plannedMinutes = null,
        public ?float $shiftMinutes = null,
        public ?float $timerMinutes = null,
        public ?string $shift = null,
        public array $leftIn = [],
        public ?RestOfDay $rest = null,
        public bool $isPlace = false,
        public ?LogOrigin $origin = null,
        public ?LogWord $logWord = null,
    ) {
        if ($stop !== null && $stop <= $start) {
            throw new \Footnote\Core\Quantity\SpanEndsBeforeItStarts('A run stops after it starts.');
        }
    }

    public function span(): ?Span
    {
        return $this->stop === null ? null : new Span($this->start, $this->stop);
    }

    public function has(RemarkKind $kind): bool
    {
        foreach ($this->remarks as $remark) {
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
        if ($this->timerMinutes !== null && $this->has(CommonRemark::StoppedByItself)) {
            return 60 * $this->timerMinutes;
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
        if ($this->timerMinutes === null || !$this->has(CommonRemark::StoppedByItself)) {
            return $spans;
        }
        $left = 60 * $this->timerMinutes;
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
        return $this->span()?->without($this->pauses) ?? [];
    }

    /** The instant of the run that the unit's own clock showed as $unitTime. */
    public function trueTime(\DateTimeImmutable $unitTime): \DateTimeImmutable
    {
        return $this->clockOffset === null ? $unitTime : Span::shift($unitTime, -$this->clockOffset);
    }
}
