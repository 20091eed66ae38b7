<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/** One library: sampler types, methods, substances. Users add to it; an entry is never changed, since results lean on it. */
final readonly class Shelf
{
    /**
     * @param list<Entry> $entries what is asked of an entry beside its code and name
     */
    public function __construct(public string $id, public string $title, public string $one, public array $entries)
    {
    }
}
