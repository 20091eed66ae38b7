<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

/** Where the chain ended at a moment, told in one line that is kept elsewhere: a chain that was cut or written anew does not hold it. */
final readonly class Anchor
{
    private const FORMAT = 'footnote-anchor/1';

    /** @param string $key by which it is marked; empty: by none */
    private function __construct(
        public string $at,
        public int $sequence,
        public string $hash,
        public string $key,
        private string $mark,
    ) {
    }

    public static function of(string $at, int $sequence, string $hash, JournalKey $key): self
    {
        return new self($at, $sequence, $hash, $key->id(), $key->mark(self::said($at, $sequence, $hash)));
    }

    /** @throws UnreadableAnchor */
    public static function read(string $line): self
    {
        try {
            $told = json_decode($line, true, 4, \JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            $told = null;
        }
        if (!\is_array($told) || ($told['format'] ?? null) !== self::FORMAT || !\is_int($told['sequence'] ?? null)) {
            throw new UnreadableAnchor('This is no line that footnote:journal:anchor wrote.');
        }
        $text = static fn (string $name): string => \is_string($told[$name] ?? null) ? $told[$name] : '';

        return new self($text('at'), $told['sequence'], $text('hash'), $text('key'), $text('mark'));
    }

    public function line(): string
    {
        return json_encode([
            'format' => self::FORMAT,
            'at' => $this->at,
            'sequence' => $this->sequence,
            'hash' => $this->hash,
            'key' => $this->key,
            'mark' => $this->mark,
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES);
    }

    /** Whether it was written with the key, as it stands; true where another key, or none, was in use. */
    public function isOf(JournalKey $key): bool
    {
        return $this->key === '' || $this->key !== $key->id()
            || $key->marked(self::said($this->at, $this->sequence, $this->hash), $this->mark);
    }

    private static function said(string $at, int $sequence, string $hash): string
    {
        return implode('|', ['anchor', $at, $sequence, $hash]);
    }
}
