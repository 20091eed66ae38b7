<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What marks are of. */
final readonly class MarkOf
{
    /**
     * @param string      $fold    that made them
     * @param string      $channel empty: the whole unit
     * @param RecallTaken $taken   what was made of the known errors of recalled references
     */
    public function __construct(public string $fold, public string $channel, public RecallTaken $taken)
    {
    }

    public function key(): string
    {
        return implode('|', [$this->fold, $this->channel, $this->taken->name]);
    }
}
