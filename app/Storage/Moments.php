<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

/** Moments as texts in UTC, to the microsecond, that sort as they follow each other on every database. */
final class Moments
{
    /** Later than any. */
    public const ENDLESS = '9999-12-31 23:59:59.999999';

    public static function text(\DateTimeImmutable $moment): string
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s.u');
    }

    /** The second it lies in, as moments of evidence are kept. */
    public static function second(\DateTimeImmutable $moment): string
    {
        return substr(self::text($moment), 0, 19);
    }

    /** A moment of the database as it is told outside, in UTC. */
    public static function told(string $text): string
    {
        return self::of($text)->format('Y-m-d\TH:i:s\Z');
    }

    public static function of(string $text): \DateTimeImmutable
    {
        return new \DateTimeImmutable($text, new \DateTimeZone('UTC'));
    }
}
