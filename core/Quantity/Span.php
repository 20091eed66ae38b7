<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** A stretch of time from one moment to another, both exact to the microsecond. */
final readonly class Span
{
    public function __construct(public \DateTimeImmutable $from, public \DateTimeImmutable $to)
    {
        if ($to < $from) {
            throw new SpanEndsBeforeItStarts(\sprintf('%s is before %s.', $to->format(\DATE_ATOM), $from->format(\DATE_ATOM)));
        }
    }

    /** A length of time as people say it: "24 h 1 min". Seconds are told below an hour only where they say something. */
    public static function told(float $seconds): string
    {
        $whole = (int) round($seconds);
        $hours = intdiv($whole, 3600);
        $minutes = intdiv($whole % 3600, 60);
        $rest = $whole % 60;
        $parts = [];
        foreach ([[$hours, 'h'], [$minutes, 'min'], [$rest, 's']] as [$number, $unit]) {
            if ($number !== 0) {
                $parts[] = $number.' '.$unit;
            }
        }

        return $parts === [] ? '0 s' : implode(' ', $parts);
    }

    public function seconds(): float
    {
        return self::secondsBetween($this->from, $this->to);
    }

    /** @return array{from: string, to: string} both ends as the formats write moments */
    public function ends(): array
    {
        return ['from' => $this->from->format(\DATE_ATOM), 'to' => $this->to->format(\DATE_ATOM)];
    }

    public function overlaps(self $other): bool
    {
        return $this->from < $other->to && $other->from < $this->to;
    }

    public function contains(\DateTimeImmutable $moment): bool
    {
        return $this->from <= $moment && $moment <= $this->to;
    }

    /** Seconds from $from to $to, negative where $to is earlier. */
    public static function secondsBetween(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return ($to->getTimestamp() - $from->getTimestamp())
            + ((int) $to->format('u') - (int) $from->format('u')) / 1e6;
    }

    /** So many seconds later, counted as they pass: in a named zone a relative time would follow the wall clock over a change of it. */
    public static function shift(\DateTimeImmutable $moment, float $seconds): \DateTimeImmutable
    {
        // Seconds and microseconds apart: PHP loses large counts of microseconds without a word.
        $micro = (int) round($seconds * 1e6);

        $utc = $moment->setTimezone(new \DateTimeZone('UTC'));
        $seconds = \sprintf('%+d seconds %+d microseconds', intdiv($micro, 1_000_000), $micro % 1_000_000);

        return $utc->modify($seconds)->setTimezone($moment->getTimezone());
    }

    /**
     * Stretches joined where they touch or overlap, in order of time.
     *
     * @param list<self> $spans
     *
     * @return list<self>
     */
    public static function united(array $spans): array
    {
        usort($spans, static fn (self $a, self $b): int => $a->from <=> $b->from);
        $united = [];
        foreach ($spans as $span) {
            $last = array_pop($united);
            if ($last !== null && $span->from > $last->to) {
                array_push($united, $last, $span);
            } else {
                $united[] = $last === null ? $span : new self($last->from, max($last->to, $span->to));
            }
        }

        return $united;
    }

    /** What of it lies within another; null where nothing does. */
    public function within(self $other): ?self
    {
        $from = max($this->from, $other->from);
        $to = min($this->to, $other->to);

        return $from < $to ? new self($from, $to) : null;
    }

    /**
     * What is left of it without others.
     *
     * @param list<self> $others
     *
     * @return list<self>
     */
    public function without(array $others): array
    {
        $left = [];
        $from = $this->from;
        foreach (self::united($others) as $other) {
            if ($other->from > $from && $from < $this->to) {
                $left[] = new self($from, min($other->from, $this->to));
            }
            $from = max($from, $other->to);
        }
        if ($from < $this->to) {
            $left[] = new self($from, $this->to);
        }

        return $left;
    }
}
