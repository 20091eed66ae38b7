<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A step that a model sheet added to a check, as it was asked then: the sheet need not be at hand to judge it. */
final readonly class OwnStep
{
    /**
     * @param string         $id       what its state is recorded under
     * @param string         $sheet    the code of the sheet
     * @param bool           $required whether leaving it out is a finding
     * @param list<OwnValue> $values   what was written down at it
     */
    public function __construct(
        public string $id,
        public string $sheet,
        public string $title,
        public bool $required,
        public array $values = [],
    ) {
    }

    public function with(OwnValue $value): self
    {
        return new self($this->id, $this->sheet, $this->title, $this->required, [...$this->values, $value]);
    }
}
