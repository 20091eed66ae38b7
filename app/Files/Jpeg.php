<?php

declare(strict_types=1);

namespace Footnote\App\Files;

/**
 * A JPEG picture without what is written beside it: where it was taken, by what, when, by whom, smaller copies of it, and whatever
 * stands after its end. What it shows is not touched. Source: ITU-T T.81, annex B.
 */
final class Jpeg
{
    private const END = 0xD9;
    private const SCAN = 0xDA;
    private const COMMENT = 0xFE;

    /**
     * @return array{string, list<string>} the picture, and what was taken out of it
     *
     * @throws UnreadableFile where it is no whole picture
     */
    public static function cleaned(string $bytes): array
    {
        $kept = '';
        $removed = [];
        $held = null;
        $scans = 0;
        $at = 2;
        $size = \strlen($bytes);
        while (true) {
            [$marker, $at] = self::marker($bytes, $at, $size);
            if ($marker === self::END) {
                break;
            }
            if ($marker === 0x01 || ($marker >= 0xD0 && $marker <= 0xD7)) {
                $kept .= "\xFF".\chr($marker);
                continue;
            }
            $length = $at + 2 > $size ? 0 : (\ord($bytes[$at]) << 8) + \ord($bytes[$at + 1]);
            if ($length < 2 || $at + $length > $size) {
                throw new UnreadableFile('is a picture that breaks off.');
            }
            $segment = substr($bytes, $at, $length);
            $at += $length;
            $said = self::said($marker, substr($segment, 2));
            if ($said !== null) {
                $removed[] = $said;
                if (str_starts_with($segment, substr($segment, 0, 2)."Exif\0\0")) {
                    $held ??= Orientation::in(substr($segment, 8));
                }
                continue;
            }
            $kept .= "\xFF".\chr($marker).$segment;
            if ($marker === self::SCAN) {
                ++$scans;
                $end = self::endOfScan($bytes, $at, $size);
                $kept .= substr($bytes, $at, $end - $at);
                $at = $end;
            }
        }
        if ($scans === 0) {
            throw new UnreadableFile('is a picture without anything to see.');
        }
        if ($at < $size) {
            $removed[] = Beside::BEHIND;
        }
        $exif = $held === null ? '' : "Exif\0\0".Orientation::alone($held);

        return [
            "\xFF\xD8".($exif === '' ? '' : "\xFF\xE1".pack('n', \strlen($exif) + 2).$exif).$kept."\xFF\xD9",
            // What says nothing but how it is held is what is written here; it came so, and nothing was taken out.
            array_values(array_unique(array_filter($removed, static fn (string $one): bool => $one !== ''))),
        ];
    }

    /**
     * @return array{int, int} a marker, and where what belongs to it begins
     *
     * @throws UnreadableFile
     */
    private static function marker(string $bytes, int $at, int $size): array
    {
        if ($at >= $size || $bytes[$at] !== "\xFF") {
            throw new UnreadableFile('is a picture that breaks off.');
        }
        $at += strspn($bytes, "\xFF", $at);

        return $at < $size ? [\ord($bytes[$at]), $at + 1] : throw new UnreadableFile('is a picture that breaks off.');
    }

    /** What a segment says beside the picture, in words; null where it belongs to the picture; empty where only how it is held. */
    private static function said(int $marker, string $body): ?string
    {
        $isApplication = $marker >= 0xE0 && $marker <= 0xEF;

        return match (true) {
            $marker === self::COMMENT => 'comments',
            !$isApplication, str_starts_with($body, "JFIF\0"), str_starts_with($body, 'Adobe') => null,
            str_starts_with($body, "Exif\0\0") => self::isOwn(substr($body, 6)) ? '' : Beside::DIRECTORY,
            str_starts_with($body, "ICC_PROFILE\0") => Beside::COLOURS,
            default => Beside::OTHER,
        };
    }

    private static function isOwn(string $tiff): bool
    {
        $held = Orientation::in($tiff);

        return $held !== null && $tiff === Orientation::alone($held);
    }

    /** Where the next marker stands that is not part of the scan. */
    private static function endOfScan(string $bytes, int $at, int $size): int
    {
        while (true) {
            $next = strpos($bytes, "\xFF", $at);
            if ($next === false || $next + 1 >= $size) {
                throw new UnreadableFile('is a picture that breaks off.');
            }
            $follows = \ord($bytes[$next + 1]);
            if ($follows !== 0 && ($follows < 0xD0 || $follows > 0xD7)) {
                return $next;
            }
            $at = $next + 2;
        }
    }
}
