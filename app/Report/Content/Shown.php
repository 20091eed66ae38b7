<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** Numbers and moments as they are printed. */
final class Shown
{
    /** A number with a true minus. */
    public static function minus(string $shown): string
    {
        return (string) preg_replace('/^-/', '−', $shown);
    }

    /** A number with its sign. */
    public static function signed(string $shown): string
    {
        return match (true) {
            str_starts_with($shown, '-') => self::minus($shown),
            $shown === '' || preg_match('/^0(\.0+)?$/', $shown) === 1 => $shown,
            default => '+'.$shown,
        };
    }

    /**
     * "3, 5 to 9"
     *
     * @param list<int> $numbers
     */
    public static function ranges(array $numbers): string
    {
        sort($numbers);
        $ranges = [];
        foreach (array_values(array_unique($numbers)) as $number) {
            $last = array_key_last($ranges);
            if ($last !== null && $ranges[$last][1] === $number - 1) {
                $ranges[$last][1] = $number;
            } else {
                $ranges[] = [$number, $number];
            }
        }

        return implode(', ', array_map(
            static fn (array $range): string => $range[0] === $range[1] ? (string) $range[0] : $range[0].' to '.$range[1],
            $ranges,
        ));
    }

    /** "17 Nov 2026, 07:23" by the clocks of the site. */
    public static function moment(string $at, \DateTimeZone $zone): string
    {
        return (new \DateTimeImmutable($at))->setTimezone($zone)->format('j M Y, H:i');
    }

    /** "17 Nov 2026, 07:23 (UTC+01:00)" */
    public static function withOffset(string $at, \DateTimeZone $zone): string
    {
        return (new \DateTimeImmutable($at))->setTimezone($zone)->format('j M Y, H:i (\U\T\CP)');
    }

    public static function day(string $at, \DateTimeZone $zone): string
    {
        return (new \DateTimeImmutable($at))->setTimezone($zone)->format('j M Y');
    }

    public static function clock(string $at, \DateTimeZone $zone): string
    {
        return (new \DateTimeImmutable($at))->setTimezone($zone)->format('H:i');
    }

    public static function count(int $count, string $one, ?string $many = null): string
    {
        return $count.' '.($count === 1 ? $one : $many ?? $one.'s');
    }

    /** What is not empty, one after the other. */
    public static function joined(string $between, string ...$parts): string
    {
        return implode($between, array_filter($parts, static fn (string $part): bool => $part !== ''));
    }

    public static function sentence(string $text): string
    {
        return $text === '' || preg_match('/[.!?:]$/', $text) === 1 ? $text : $text.'.';
    }
}
