<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/** One value of a check as it stands in the record. */
final readonly class WrittenValue
{
    /**
     * @param string        $path  where it stands: "/flow/asFound/0/value"
     * @param string        $label what it is, in the words of who asked for it
     * @param string|bool   $value as written
     * @param string        $unit  in which; empty where it has none
     * @param Entry         $entry that asked for it
     * @param TableRow|null $in    the row of a table that it stands in
     */
    public function __construct(
        public string $path,
        public string $label,
        public string|bool $value,
        public string $unit,
        public Entry $entry,
        public ?TableRow $in = null,
    ) {
    }

    public function in(TableRow $row): self
    {
        return new self($this->path, $this->label, $this->value, $this->unit, $this->entry, $row);
    }

    /** In words. */
    public function shown(): string
    {
        $words = \is_bool($this->value) ? ($this->value ? 'yes' : 'no') : ($this->entry->among->choices[$this->value] ?? $this->value);

        return trim($words.' '.$this->unit);
    }
}
