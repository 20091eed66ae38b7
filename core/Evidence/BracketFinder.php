<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * Finds the bracket of a run among everything known of its instrument.
 *
 * An unusable check on which nothing was adjusted is passed over and the next one looked for; one on which something
 * was adjusted breaks the bracket for good, and so does any intervention that touches the parameter.
 */
final readonly class BracketFinder
{
    /**
     * @param string $channel   the channel that is judged
     * @param string $parameter the parameter of its response ("offset", "zero", "gain", "flow")
     */
    public function __construct(private Usability $usability, private string $channel, private string $parameter)
    {
    }

    public function find(Run $run, Timeline $timeline): Bracket
    {
        $stop = $run->timing->stop;
        $passedOver = [];

        [$pre, $brokenBefore] = $this->backwards($run->timing->start, $timeline, $passedOver);
        $between = [];
        $brokenAfter = null;
        if ($stop !== null) {
            foreach ($this->during($run->timing->start, $stop, $timeline) as $event) {
                if ($event instanceof Intervention) {
                    $brokenAfter ??= new BracketBreak($event->at, $event->kind->id().' during the run', $event->id);
                    continue;
                }
                $failed = $this->usability->whyFailed($event, $timeline, false);
                $reasons = $this->usability->whyUnusable($event, $timeline);
                if ($failed !== null) {
                    $brokenAfter ??= new BracketBreak($event->at, $failed, $event->id, true);
                } elseif ($reasons === []) {
                    $between[] = $event;
                } elseif ($event->content->wasAdjusted()) {
                    $brokenAfter ??= new BracketBreak(
                        $event->at,
                        'adjusted at a check that cannot be used: '.implode('; ', $reasons),
                        $event->id,
                    );
                } else {
                    $passedOver[] = new PassedOver($event, $reasons);
                }
            }
        }
        $post = null;
        if ($stop !== null && $brokenAfter === null) {
            [$post, $brokenAfter] = $this->forwards($stop, $timeline, $passedOver);
        }

        $search = new BracketSearch(
            $passedOver,
            $brokenBefore,
            $brokenAfter,
            self::recalled(array_values(array_filter([$pre, ...$between, $post])), $timeline),
            array_values(array_map(
                static fn (Check $check): string => $check->id,
                array_filter([$pre, $post], static fn (?Check $check): bool => $check !== null && self::isDuringARun($check, $timeline)),
            )),
        );

        return new Bracket($run, $pre, $post, $between, $this->sharing($run, $pre, $post, $brokenAfter, $timeline), $search);
    }

    /** Whether a run of the unit went on while a check was made. */
    private static function isDuringARun(Check $check, Timeline $timeline): bool
    {
        return $timeline->runsAround($check->at, $check->at) !== [];
    }

    /**
     * @param list<Check> $checks
     *
     * @return list<string>
     */
    private static function recalled(array $checks, Timeline $timeline): array
    {
        $recalled = [];
        foreach ($checks as $check) {
            foreach ($timeline->referencesOf($check) as $reference) {
                if ($reference->recalledAt($check->at) !== null && !$reference->isKnownWrongAt($check->at)) {
                    $recalled[] = $reference->id;
                }
            }
        }

        return array_values(array_unique($recalled));
    }

    /**
     * @param list<PassedOver> $passedOver
     *
     * @return array{?Check, ?BracketBreak}
     */
    private function backwards(\DateTimeImmutable $start, Timeline $timeline, array &$passedOver): array
    {
        foreach ($this->eventsUntil($start, $timeline) as $event) {
            if ($event instanceof Intervention) {
                return [null, new BracketBreak($event->at, $event->kind->id(), $event->id)];
            }
            $failed = $this->usability->whyFailed($event, $timeline, true);
            if ($failed !== null) {
                return [null, new BracketBreak($event->at, $failed, $event->id, true)];
            }
            $reasons = array_values(array_filter(
                $this->usability->whyUnusable($event, $timeline),
                // Before a run only the state it was left in counts.
                static fn (string $reason): bool => $reason !== UnusableBecause::AS_FOUND_MISSING,
            ));
            if ($reasons === []) {
                return [$event, null];
            }
            if ($event->content->wasAdjusted()) {
                return [
                    null,
                    new BracketBreak($event->at, 'adjusted at a check that cannot be used: '.implode('; ', $reasons), $event->id),
                ];
            }
            $passedOver[] = new PassedOver($event, $reasons);
        }

        return [null, null];
    }

    /**
     * @param list<PassedOver> $passedOver
     *
     * @return array{?Check, ?BracketBreak}
     */
    private function forwards(\DateTimeImmutable $stop, Timeline $timeline, array &$passedOver): array
    {
        foreach ($this->eventsFrom($stop, null, $timeline) as $event) {
            if ($event instanceof Intervention) {
                return [null, new BracketBreak($event->at, $event->kind->id(), $event->id)];
            }
            $failed = $this->usability->whyFailed($event, $timeline, false);
            if ($failed !== null) {
                return [null, new BracketBreak($event->at, $failed, $event->id, true)];
            }
            $reasons = $this->usability->whyUnusable($event, $timeline);
            if ($reasons === []) {
                return [$event, null];
            }
            if ($event->content->wasAdjusted()) {
                return [
                    null,
                    new BracketBreak($event->at, 'adjusted at a check that cannot be used: '.implode('; ', $reasons), $event->id),
                ];
            }
            $passedOver[] = new PassedOver($event, $reasons);
        }

        return [null, null];
    }

    /** @return iterable<Check|Intervention> */
    private function during(\DateTimeImmutable $start, \DateTimeImmutable $stop, Timeline $timeline): iterable
    {
        foreach ($this->eventsFrom($start, $stop, $timeline) as $event) {
            if ($start < $event->at && $event->at < $stop) {
                yield $event;
            }
        }
    }

    /** @return iterable<Check|Intervention> in order of time; what was done at the moment of a check comes before it */
    private function eventsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until, Timeline $timeline): iterable
    {
        $told = null;
        foreach ($timeline->checksFrom($from, $until) as $check) {
            yield from $this->breaking($told, $told ?? $from, $check->at, $timeline);
            yield $check;
            $told = $check->at;
        }
        yield from $this->breaking($told, $told ?? $from, $until, $timeline);
    }

    /** @return iterable<Check|Intervention> the latest first; what was done at the moment of a check comes after it */
    private function eventsUntil(\DateTimeImmutable $moment, Timeline $timeline): iterable
    {
        $until = $moment;
        foreach ($timeline->checksUntil($moment) as $check) {
            yield from array_reverse([...$this->breaking($check->at, $check->at, $until, $timeline)]);
            yield $check;
            $until = $check->at;
        }
        yield from array_reverse([...$this->breaking(null, new \DateTimeImmutable(Timeline::BEGINNING), $until, $timeline)]);
    }

    /**
     * @param \DateTimeImmutable|null $after only later ones; null: from the beginning of the stretch on
     *
     * @return \Generator<int, Intervention> that break what the bracket rests on
     */
    private function breaking(
        ?\DateTimeImmutable $after,
        \DateTimeImmutable $from,
        ?\DateTimeImmutable $until,
        Timeline $timeline,
    ): \Generator {
        foreach ($timeline->interventionsFrom($from, $until) as $event) {
            if (($after === null || $event->at > $after) && $event->breaks($this->channel, $this->parameter)) {
                yield $event;
            }
        }
    }

    /** @return list<Run> the judged one, and what began after its beginning and was over by its end */
    private function sharing(Run $run, ?Check $pre, ?Check $post, ?BracketBreak $break, Timeline $timeline): array
    {
        $until = $post->at ?? $break?->at;
        $sharing = [$run];
        foreach ($timeline->runsFrom($pre->at ?? $run->timing->start, $until) as $other) {
            if ($other->id !== $run->id && ($until === null || ($other->timing->stop ?? $other->timing->start) <= $until)) {
                $sharing[] = $other;
            }
        }
        usort($sharing, Run::inOrder(...));

        return $sharing;
    }
}
