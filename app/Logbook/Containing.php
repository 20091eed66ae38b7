<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** Conditions on texts that hold a word, whatever its case; the word is taken as it stands. */
#[Exclude]
final readonly class Containing
{
    /** What it is bound as. */
    public string $pattern;

    public function __construct(private AbstractPlatform $platform, string $word)
    {
        // No backslash: not every driver reads a text of one sign that is a backslash as the standard has it.
        $this->pattern = '%'.strtr($word, ['!' => '!!', '%' => '!%', '_' => '!_']).'%';
    }

    /** @return string a condition with one value, the pattern */
    public function in(string $column): string
    {
        // What makes both small for it costs SQLite most of the time that it takes to look through years of runs.
        $like = $this->platform instanceof SQLitePlatform ? 'LIKE' : 'ILIKE';

        return "$column $like ? ESCAPE '!'";
    }
}
