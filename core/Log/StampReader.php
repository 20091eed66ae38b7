<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** Reads the time stamps of a log as seconds, quickly: days are worked out once each. */
final class StampReader
{
    /** @var array<string, float> seconds of the minute by the stamp's text up to its last colon */
    private array $minutes = [];

    /** @var array<string, int|null> seconds of midnight by the text of the date */
    private array $midnights = [];

    public function __construct(private readonly ?string $dateOrder)
    {
    }

    /** Seconds since 1970 of the clock's own time, or since midnight where the stamp has no date; null where it is no time. */
    public function seconds(string $stamp): ?float
    {
        // Sixty stamps in a row share all but their seconds.
        $colon = strrpos($stamp, ':');
        if ($colon === false) {
            return null;
        }
        $minute = substr($stamp, 0, $colon);
        $second = substr($stamp, $colon + 1);
        $plain = is_numeric($second) && ctype_digit($second[0]) && (float) $second < 60;
        if ($plain && isset($this->minutes[$minute])) {
            return $this->minutes[$minute] + (float) $second;
        }
        $seconds = $this->slowly(trim($stamp));
        if ($seconds !== null && $plain && str_contains($minute, ':')) {
            $this->minutes[$minute] = $seconds - (float) $second;
        }

        return $seconds;
    }

    private function slowly(string $stamp): ?float
    {
        if ($this->dateOrder === null) {
            return $this->ofDay($stamp);
        }
        $cut = strcspn($stamp, ' T');
        $date = substr($stamp, 0, $cut);
        $time = $this->ofDay(substr($stamp, $cut + 1));
        $midnight = \array_key_exists($date, $this->midnights)
            ? $this->midnights[$date]
            : ($this->midnights[$date] = $this->midnight($date));

        return $time === null || $midnight === null ? null : $midnight + $time;
    }

    private function ofDay(string $time): ?float
    {
        if (preg_match(
            '/^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?(?:\s*([AaPp])\.?[Mm]\.?)?(?:Z|[+-]\d{2}:?\d{2})?$/D',
            trim($time),
            $part,
        ) !== 1) {
            return null;
        }
        $hour = (int) $part[1];
        if (($part[4] ?? '') !== '') {
            if ($hour < 1 || $hour > 12) {
                return null;
            }
            $hour = $hour % 12 + (strtolower($part[4]) === 'p' ? 12 : 0);
        }
        $second = (float) str_replace(',', '.', $part[3] ?? '0');
        if ($hour > 23 || (int) $part[2] > 59 || $second >= 60) {
            return null;
        }

        return 3600.0 * $hour + 60 * (int) $part[2] + $second;
    }

    private function midnight(string $date): ?int
    {
        if (preg_match('/^(\d{1,4})[-.\/](\d{1,2})[-.\/](\d{1,4})$/D', $date, $part) !== 1) {
            return null;
        }
        [$year, $month, $day] = match ($this->dateOrder) {
            'ymd' => [$part[1], $part[2], $part[3]],
            'mdy' => [$part[3], $part[1], $part[2]],
            default => [$part[3], $part[2], $part[1]],
        };
        $year = \strlen($year) === 2 ? 2000 + (int) $year : (int) $year;
        if (!checkdate((int) $month, (int) $day, $year)) {
            return null;
        }
        $midnight = gmmktime(0, 0, 0, (int) $month, (int) $day, $year);

        return $midnight === false ? null : $midnight;
    }
}
