<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** Gathers the symbols of several terms, each once. */
trait Gathering
{
    /** @return list<string> */
    private static function of(Term ...$terms): array
    {
        $symbols = array_map(static fn (Term $term): array => $term->symbols(), array_values($terms));

        return array_values(array_unique(array_merge(...$symbols)));
    }
}
