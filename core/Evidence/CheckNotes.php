<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Who made a check, and what persons said of it. */
final readonly class CheckNotes
{
    /**
     * @param string        $by       who accepted it
     * @param SetAside|null $setAside a person's statement that this check shows nothing
     * @param list<Typed>   $typed    who typed what; empty where nobody noted it
     */
    public function __construct(
        public string $by,
        public string $remarks = '',
        public ?SetAside $setAside = null,
        public array $typed = [],
    ) {
    }

    /** By whom, in words: who typed it is told beside who accepted it, where that is not one person. */
    public function who(): string
    {
        $typists = array_values(array_unique(array_map(static fn (Typed $one): string => $one->by, $this->typed)));

        return $typists === [] || $typists === [$this->by]
            ? 'by '.$this->by
            : \sprintf('typed by %s, accepted by %s', implode(' and ', $typists), $this->by);
    }
}
