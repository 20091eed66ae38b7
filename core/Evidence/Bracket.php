<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * The last usable check before a run (as left) and the first usable one after it (as found), with nothing adjusted,
 * repaired or exchanged in between.
 */
final readonly class Bracket
{
    /**
     * @param list<Check> $between usable checks during the run, in order
     * @param list<Run>   $runs    every run that shares these ends, in order; the judged one is among them
     */
    public function __construct(
        public Run $run,
        public ?Check $pre,
        public ?Check $post,
        public array $between,
        public array $runs,
        public BracketSearch $search,
    ) {
    }

    public function state(): BracketState
    {
        return match (true) {
            $this->search->brokenAfter !== null, $this->pre === null && $this->search->brokenBefore !== null => BracketState::Broken,
            $this->pre === null => BracketState::NoBeginning,
            $this->run->timing->stop === null => BracketState::Running,
            $this->post === null => BracketState::Open,
            default => BracketState::Closed,
        };
    }

    /**
     * The checks that the result leans on: both ends and those in between, in order of time.
     *
     * @return list<Check>
     */
    public function checks(): array
    {
        return array_values(array_filter([$this->pre, ...$this->between, $this->post]));
    }

    /** @return list<string> whatever it was found by: the checks that it leans on, those passed over, and what broke it */
    public function foundBy(): array
    {
        $checks = array_map(static fn (Check $check): string => $check->id, $this->checks());
        $passed = array_map(static fn (PassedOver $one): string => $one->check->id, $this->search->passedOver);
        $broken = [$this->search->brokenBefore?->evidence, $this->search->brokenAfter?->evidence];

        return array_values(array_unique([...$checks, ...$passed, ...array_filter($broken, \is_string(...))]));
    }

    /**
     * What was done to the unit of one kind between its ends; while it is open, up to the last stop.
     *
     * @return list<Intervention>
     */
    public function done(InterventionKind $kind, Timeline $timeline): array
    {
        $done = [];
        $end = $this->post->at ?? $this->stop();
        foreach ($this->pre === null ? [] : $timeline->interventionsFrom($this->pre->at, $end) as $event) {
            if ($event->kind === $kind && $event->at > $this->pre?->at && ($this->post === null || $event->at < $end)) {
                $done[] = $event;
            }
        }

        return $done;
    }

    /** Up to where evidence bears on it: its end, what broke it, or, while it is open, whatever comes. */
    public function end(): \DateTimeImmutable
    {
        $end = $this->post->at ?? $this->search->brokenAfter->at ?? new \DateTimeImmutable(Timeline::END);

        return max($end, $this->run->timing->stop ?? $end);
    }

    /** The first check that was passed over for a reason, and that nobody set aside; null where there is none. */
    public function passedOverSince(string $reason): ?Check
    {
        foreach ($this->search->passedOver as $one) {
            if ($one->check->notes->setAside === null && \in_array($reason, $one->reasons, true)) {
                return $one->check;
            }
        }

        return null;
    }

    /** The same bracket as if a check in between had closed it: what came after it counts for nothing. */
    public function closedBy(Check $check): self
    {
        $before = array_values(array_filter($this->between, static fn (Check $one): bool => $one->at < $check->at));
        $runs = array_values(array_filter($this->runs, static fn (Run $run): bool => $run->timing->start < $check->at));

        return new self($this->run, $this->pre, $check, $before, $runs, $this->search->endedAt($check));
    }

    /** Where the response that an end of it shows sits in time. */
    public function timeOf(Check $check): \DateTimeImmutable
    {
        return match (true) {
            \in_array($check->id, $this->search->atOwnTime, true) => $check->at,
            $check === $this->pre => $this->start(),
            $check === $this->post => $this->stop(),
            default => $check->at,
        };
    }

    /** Where the response of the pre-check sits in time: the first run's start. */
    public function start(): \DateTimeImmutable
    {
        return $this->runs[0]->timing->start ?? $this->run->timing->start;
    }

    /** Where the response of the post-check sits in time: the last run's stop, so that no drift is put into a night. */
    public function stop(): \DateTimeImmutable
    {
        $stop = $this->run->timing->stop ?? $this->run->timing->start;
        foreach ($this->runs as $run) {
            if ($run->timing->stop !== null && $run->timing->stop > $stop) {
                $stop = $run->timing->stop;
            }
        }

        return $this->post !== null && $this->post->at < $stop ? $this->post->at : $stop;
    }
}
