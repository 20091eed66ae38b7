<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

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
     */
    public function __construct(
        public string $path,
        public string $label,
        public string|bool $value,
        public string $unit,
        public Entry $entry,
        public bool $isNamed = false,
    ) {
    }

    /** In words. */
    public function shown(): string
    {
        $words = \is_bool($this->value) ? ($this->value ? 'yes' : 'no') : ($this->entry->among->choices[$this->value] ?? $this->value);

        return trim($words.' '.$this->unit);
    }
}
