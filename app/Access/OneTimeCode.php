<?php

declare(strict_types=1);

namespace Footnote\App\Access;

/** By which a person chooses the first password: told once, kept as a digest, and gone when it was used. */
final readonly class OneTimeCode
{
    /** Seven days, s. */
    public const LASTS = 604800;

    /** No letter or digit that is read as another. */
    private const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

    private function __construct(public string $written)
    {
    }

    /** Sixteen signs: 31 to the power of 16, about 79 bits. */
    public static function fresh(): self
    {
        $signs = '';
        for ($i = 0; $i < 16; ++$i) {
            $signs .= self::SIGNS[random_int(0, \strlen(self::SIGNS) - 1)];
        }

        return new self(implode('-', str_split($signs, 4)));
    }

    /** As somebody typed it. */
    public static function typed(string $text): self
    {
        $signs = strtoupper((string) preg_replace('/[\s-]/', '', $text));

        return new self(implode('-', str_split($signs, 4)));
    }

    public function digest(): string
    {
        return hash('sha256', 'one-time code '.$this->written);
    }
}
