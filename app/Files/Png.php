<?php

declare(strict_types=1);

namespace Footnote\App\Files;

/**
 * A PNG picture without what is written beside it; which way up it is held stays.
 * Source: Portable Network Graphics, third edition (W3C), 5 and 11.
 */
final class Png
{
    public const SIGNATURE = "\x89PNG\r\n\x1A\n";

    /** Chunks that are the picture, or say how its numbers are colours. */
    private const KEPT = ['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'sBIT', 'bKGD', 'pHYs'];

    private const SAID = ['eXIf' => Beside::DIRECTORY, 'iCCP' => Beside::COLOURS, 'tIME' => 'the time'];

    /**
     * @return array{string, list<string>} the picture, and what was taken out of it
     *
     * @throws UnreadableFile where it is no whole picture
     */
    public static function cleaned(string $bytes): array
    {
        $kept = self::SIGNATURE;
        $removed = [];
        $seen = [];
        $at = \strlen(self::SIGNATURE);
        $size = \strlen($bytes);
        while (!isset($seen['IEND'])) {
            $read = $at + 12 > $size ? false : unpack('Nlength', substr($bytes, $at, 4));
            $length = \is_array($read) && \is_int($read['length']) ? $read['length'] : $size;
            if ($at + 12 + $length > $size) {
                throw new UnreadableFile('is a picture that breaks off.');
            }
            $kind = substr($bytes, $at + 4, 4);
            $data = substr($bytes, $at + 8, $length);
            $chunk = substr($bytes, $at, 12 + $length);
            if (substr($chunk, -4) !== pack('N', crc32($kind.$data))) {
                throw new UnreadableFile('is a picture that is damaged.');
            }
            $at += 12 + $length;
            $seen[$kind] = true;
            $held = $kind === 'eXIf' ? Orientation::in($data) : null;
            if (\in_array($kind, self::KEPT, true) || ($held !== null && $data === Orientation::alone($held))) {
                $kept .= $chunk;
                continue;
            }
            $removed[] = self::SAID[$kind] ?? Beside::OTHER;
            if ($held !== null) {
                $alone = Orientation::alone($held);
                $kept .= pack('N', \strlen($alone)).'eXIf'.$alone.pack('N', crc32('eXIf'.$alone));
            }
        }
        if (!isset($seen['IHDR'], $seen['IDAT'])) {
            throw new UnreadableFile('is a picture without anything to see.');
        }
        if ($at < $size) {
            $removed[] = Beside::BEHIND;
        }

        return [$kept, array_values(array_unique($removed))];
    }
}
