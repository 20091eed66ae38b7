<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The file that the log of a run came in, as far as it tells whose it is. */
final readonly class LogOrigin
{
    /** What stands before "serial number" and still means the whole unit, and not a part of it or its reference. */
    private const UNIT = '(?:instrument|unit|device|logger)\s+';

    private const LABEL = '(?:serial(?:\s*(?:number|no|nr|num))?|s\/n|sn|ser\.?\s*no)';

    /**
     * @param string $head the lines before its data, in UTF-8; empty where it has none
     */
    public function __construct(public string $name, public string $sha256, public string $head = '')
    {
    }

    /**
     * The serial numbers that it gives as its unit's. A part's or a reference's ("microphone serial") is none.
     *
     * @return list<string> as written, each once
     */
    public function serials(): array
    {
        $found = [];
        $cell = '/(?:^|[,;|\t#])\s*"?\s*(?:'.self::UNIT.')?'.self::LABEL.'\.?\s*"?\s*[:=#,;|\t ]\s*"?\s*'
            .'([A-Za-z0-9][A-Za-z0-9\/.-]*\d[A-Za-z0-9\/.-]*|\d+)/im';
        preg_match_all($cell, $this->head, $in);
        // In a name the words run together: SN20417, serial-20417.
        preg_match_all('/(?<![A-Za-z0-9])(?:serial|s\/?n)[ _:#.-]*(\d{3,}[A-Za-z0-9]*)/i', $this->name, $named);
        foreach ([...$in[1], ...$named[1]] as $serial) {
            $found[self::plain($serial)] ??= rtrim($serial, '.-/');
        }

        return array_values($found);
    }

    /**
     * Whether its name or its head calls a unit by a name of it.
     *
     * Short names and bare numbers that could be a year or a place are no names: "A1", "2026".
     */
    public function names(string $name): bool
    {
        $plain = self::plain($name);
        $isNumber = ctype_digit($plain);
        if (\strlen($plain) < 4 || preg_match('/\d/', $plain) !== 1 || ($isNumber && \strlen($plain) < 5)) {
            return false;
        }
        $parts = trim((string) preg_replace('/[^A-Za-z0-9]+/', ' ', $name));
        $whole = '/(?<![A-Za-z0-9])'.str_replace(' ', '[^A-Za-z0-9]?', $parts).'(?![A-Za-z0-9])/i';

        return preg_match($whole, $this->name) === 1 || preg_match($whole, $this->head) === 1;
    }

    /** Whether two names are one, written with or without dashes, spaces, capitals and leading zeros. */
    public static function isSame(string $one, string $other): bool
    {
        return self::plain($one) === self::plain($other);
    }

    private static function plain(string $name): string
    {
        return ltrim(strtoupper((string) preg_replace('/[^A-Za-z0-9]+/', '', $name)), '0');
    }
}
