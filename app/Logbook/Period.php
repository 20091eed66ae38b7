<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Moments;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** Days of the site, from the first through the last of them. */
#[Exclude]
final readonly class Period
{
    /**
     * @param string $from  a moment as the database keeps it; empty: from the beginning on
     * @param string $until the moment at which the last day is over; empty: without end
     */
    private function __construct(public string $from, public string $until)
    {
    }

    /**
     * @param string $from a day such as 2026-03-02; empty: from the beginning on
     * @param string $to   the last day; empty: without end
     *
     * @throws Problem naming the field that is no day, or a period that ends before it begins
     */
    public static function of(string $from, string $to, \DateTimeZone $zone): self
    {
        $first = $from === '' ? null : self::day('from', $from, $zone);
        $last = $to === '' ? null : self::day('to', $to, $zone);
        if ($first !== null && $last !== null && $last < $first) {
            throw Problem::field('/to', 'lies before the first day.');
        }

        return new self(
            $first === null ? '' : Moments::second($first),
            $last === null ? '' : Moments::second($last->modify('+1 day')),
        );
    }

    /**
     * @return \DateTimeImmutable at which that day of the zone begins
     *
     * @throws Problem naming the field where the text is no day
     */
    public static function day(string $field, string $text, \DateTimeZone $zone): \DateTimeImmutable
    {
        $day = preg_match('/^\d{4}-\d{2}-\d{2}$/D', $text) === 1 ? \DateTimeImmutable::createFromFormat('!Y-m-d', $text, $zone) : false;

        return $day !== false && $day->format('Y-m-d') === $text
            ? $day
            : throw Problem::field('/'.$field, 'must be a day such as 2026-03-02.');
    }
}
