<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Span;

/** How long something counts before it is wanted anew. */
final readonly class Interval
{
    private function __construct(public Decimal $length, public IntervalUnit $unit)
    {
    }

    /** @throws InvalidInterval where it is below one or beyond a hundred years, or a part of a day, a month or a year */
    public static function of(Decimal $length, IntervalUnit $unit): self
    {
        $isWhole = preg_match('/^\d+(\.0*)?$/', $length->written) === 1;
        if (!$isWhole || $length->value->toFloat() < 1 || $length->value->toFloat() > $unit->most()) {
            throw new InvalidInterval(\sprintf('must be a whole number of %s from 1 to %d.', $unit->value, $unit->most()));
        }

        return new self($length, $unit);
    }

    /**
     * The last moment at which something of that moment counts. Hours are counted as they pass; days, months and years to the end
     * of the last day of the zone, and where a month has no such day, to the end of its last.
     */
    public function lastOf(\DateTimeImmutable $moment, \DateTimeZone $zone): \DateTimeImmutable
    {
        $number = (int) $this->length->value->toFloat();
        if ($this->unit === IntervalUnit::Hours) {
            return Span::shift($moment, 3600.0 * $number)->setTimezone($zone);
        }
        $end = $moment->setTimezone($zone)->setTime(23, 59, 59);
        [$year, $month, $day] = array_map(intval(...), explode(' ', $end->format('Y n j')));
        if ($this->unit === IntervalUnit::Days) {
            return $end->setDate($year, $month, $day + $number);
        }
        $first = $end->setDate($year, $month + ($this->unit === IntervalUnit::Years ? 12 * $number : $number), 1);

        return $first->setDate((int) $first->format('Y'), (int) $first->format('n'), min($day, (int) $first->format('t')));
    }

    /** Whether it is over by the next day: nobody waits for its end, it is done when a unit goes out. */
    public function isOfOneDay(): bool
    {
        $most = match ($this->unit) {
            IntervalUnit::Hours => 24.0,
            IntervalUnit::Days => 1.0,
            IntervalUnit::Months, IntervalUnit::Years => 0.0,
        };

        return $this->length->value->toFloat() <= $most;
    }

    public function words(): string
    {
        return $this->length->written.' '.$this->unit->behind($this->length->written);
    }
}
