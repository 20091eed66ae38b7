<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** How a source is told: what nobody has held against its text yet says so. */
final readonly class SourceWords
{
    /** @param array<string, string> $confirmed by = and the source: edition, clause and day by which somebody confirmed it */
    public function __construct(private array $confirmed)
    {
    }

    /** A source with its mark, said once where both are the same. */
    public function of(string $source, string $mark): string
    {
        $plain = rtrim($source, '.');

        return $plain === $mark ? $plain : \sprintf('%s (%s)', self::unconfirmed($plain), $this->mark($plain, $mark));
    }

    /** Where a figure was read; "…, from memory" tells its source and mark. */
    public function origin(string $note): string
    {
        return preg_match('/^(.*), from memory$/', $note, $parts) === 1
            ? \sprintf('%s, %s.', $parts[1], $this->mark($parts[1], 'from memory'))
            : Shown::sentence(self::unconfirmed($note));
    }

    private function mark(string $source, string $mark): string
    {
        $said = $mark === 'from memory' ? $this->confirmed['='.$source] ?? null : null;

        return $said === null ? self::unconfirmed($mark) : 'confirmed: '.$said;
    }

    private static function unconfirmed(string $words): string
    {
        return str_replace('from memory', 'to be confirmed', $words);
    }
}
