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

    public static function shift(\DateTimeImmutable $moment, float $seconds): \DateTimeImmutable
    {
        $micro = (int) round($seconds * 1e6);

        return $moment->modify(\sprintf('%+d microseconds', $micro));
    }
}
