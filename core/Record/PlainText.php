<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A NUL is no part of any text: not every database keeps one, and no screen shows it. */
final class PlainText
{
    /**
     * @param array<mixed> $data as decoded from JSON
     *
     * @throws InvalidRecord naming the place of the first
     */
    public static function only(array $data, string $at = ''): void
    {
        foreach ($data as $key => $value) {
            $place = $at.'/'.$key;
            if (\is_array($value)) {
                self::only($value, $place);
            }
            if (str_contains((string) $key, "\0") || (\is_string($value) && str_contains($value, "\0"))) {
                throw new InvalidRecord(str_replace("\0", '', $place), 'holds a NUL, which is no part of a text.');
            }
        }
    }
}
