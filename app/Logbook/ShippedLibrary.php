<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Record\Formats;

/** What comes with the release: criteria, limits, entries of libraries and policies, for whoever works something out without it. */
final readonly class ShippedLibrary
{
    public function __construct(private Formats $formats, private ShippedPolicies $policies)
    {
    }

    public function json(): string
    {
        $shelves = [];
        foreach ($this->formats->shelves() as $shelf) {
            $shelves[$shelf->id] = $shelf->shipped;
        }

        return json_encode(
            [
                'format' => 'footnote-library/1',
                ...$this->formats->shipped(),
                'library' => $shelves,
                'policies' => array_values($this->policies->all()),
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT,
        );
    }
}
