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
     * @param InPlaceOf|null $inPlaceOf another check that was written wrongly
     * @param Away|null      $away      where it was made without a network
     * @param Replaced|null  $replaced  by one that says what is right; it counts for nothing any more
     */
    public function __construct(
        public string $by,
        public string $remarks = '',
        public ?SetAside $setAside = null,
        public array $typed = [],
        public ?InPlaceOf $inPlaceOf = null,
        public ?Away $away = null,
        public ?Replaced $replaced = null,
    ) {
    }

    public function replaced(Replaced $by): self
    {
        return new self($this->by, $this->remarks, $this->setAside, $this->typed, $this->inPlaceOf, $this->away, $by);
    }

    /** @return list<string> who typed it, and who accepted it */
    public function codes(): array
    {
        return array_values(array_unique([...array_map(static fn (Typed $one): string => $one->by, $this->typed), $this->by]));
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
