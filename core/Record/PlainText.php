<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/**
 * What stands in a text can be seen: no NUL and no other control character but tabs and ends of lines, and nothing that turns the
 * order in which characters are shown, so that one text is not read as another.
 */
final class PlainText
{
    private const UNSEEN = '/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F\x{202A}-\x{202E}\x{2066}-\x{2069}]/u';

    public static function isPlain(string $text): bool
    {
        return preg_match(self::UNSEEN, $text) === 0;
    }

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
            if (!self::isPlain((string) $key) || (\is_string($value) && !self::isPlain($value))) {
                throw new InvalidRecord(
                    (string) preg_replace(self::UNSEEN, '', $place),
                    'holds a control character, which is no part of a text.',
                );
            }
        }
    }
}
