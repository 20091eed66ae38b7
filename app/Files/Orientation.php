<?php

declare(strict_types=1);

namespace Footnote\App\Files;

/**
 * Which way up a picture is held, from the directory that a camera writes into it; and a directory that says nothing else.
 * Source: Exif 2.32 (CIPA DC-008), 4.6.4, tag 0x0112; TIFF 6.0, section 2.
 */
final class Orientation
{
    private const TAG = 0x0112;
    private const SHORT = 3;

    /** @return int|null from 2 to 8; null where it is upright, or where that cannot be read */
    public static function in(string $tiff): ?int
    {
        $order = substr($tiff, 0, 2);
        if (($order !== 'II' && $order !== 'MM') || \strlen($tiff) < 8) {
            return null;
        }
        [$short, $long] = $order === 'II' ? ['v', 'V'] : ['n', 'N'];
        $at = self::number($long, $tiff, 4, 4);
        $count = self::number($short, $tiff, $at, 2);
        for ($entry = 0; $entry < min($count, 512); ++$entry) {
            $from = $at + 2 + 12 * $entry;
            if (self::number($short, $tiff, $from, 2) === self::TAG && self::number($short, $tiff, $from + 2, 2) === self::SHORT) {
                $held = self::number($short, $tiff, $from + 8, 2);

                return $held >= 2 && $held <= 8 ? $held : null;
            }
        }

        return null;
    }

    /** A directory with that one entry. */
    public static function alone(int $held): string
    {
        return "MM\0*".pack('N', 8).pack('nnnNnnN', 1, self::TAG, self::SHORT, 1, $held, 0, 0);
    }

    /** 0 where there is no such place. */
    private static function number(string $format, string $bytes, int $at, int $length): int
    {
        $read = $at < 0 || $at + $length > \strlen($bytes) ? false : unpack($format, substr($bytes, $at, $length));

        return \is_array($read) && \is_int($read[1] ?? null) ? $read[1] : 0;
    }
}
