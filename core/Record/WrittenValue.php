<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Procedure\Entry;

/** One value of a check as it stands in the record. */
final readonly class WrittenValue
{
    /**
     * @param string      $path  where it stands: "/flow/asFound/0/value"
     * @param string      $label what it is, in the words of who asked for it
     * @param string|bool $value as written
     * @param string      $unit  in which; empty where it has none
     * @param Entry       $entry that asked for it
     * @param bool        $isNamed whether it only says which row of a table it is
     * @param string      $of      the table that it stands in, and empty where it stands by itself
     * @param Provenance|null $how  how the reading came, where that is asked
     * @param string      $row     what tells its row from the others: the channel, the size, "1 of 2"
     */
    public function __construct(
        public string $path,
        public string $label,
        public string|bool $value,
        public string $unit,
        public Entry $entry,
        public bool $isNamed = false,
        public string $of = '',
        public string $row = '',
        public ?Provenance $how = null,
    ) {
    }

    /** The same as it stands in a row of a table. */
    public function in(string $of, string $row, bool $isNamed, ?Provenance $how): self
    {
        return new self($this->path, $this->label, $this->value, $this->unit, $this->entry, $isNamed, $of, $row, $how);
    }

    /** In words. */
    public function shown(): string
    {
        $words = \is_bool($this->value) ? ($this->value ? 'yes' : 'no') : ($this->entry->among->choices[$this->value] ?? $this->value);

        return trim($words.' '.$this->unit);
    }
}
