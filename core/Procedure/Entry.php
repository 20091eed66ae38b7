<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

use Footnote\Core\Quantity\Unit;

/**
 * One thing to be written down, as data. Screens render it, the reader of the record format checks it: what can be asked
 * of an instrument, a reference, a check or a run is said once, by its family.
 */
final readonly class Entry
{
    /**
     * @param string                $name    under which it stands in the record
     * @param list<Unit>            $units   that may be chosen; the first is usual. For a plain decimal: the one it is in
     * @param array<array-key, string> $choices value to words
     * @param list<self>            $rows    the entries of one row of a table, or of a group
     * @param string                $of      of a named thing: "reference:thermometer" or "library:sampler"
     * @param EntryCondition|null   $only    when it is asked; null: always
     */
    private function __construct(
        public string $name,
        public EntryKind $kind,
        public string $label,
        public bool $required = false,
        public string $help = '',
        public array $units = [],
        public string $least = '-1000000',
        public string $most = '1000000',
        public array $choices = [],
        public array $rows = [],
        public string $of = '',
        public ?EntryCondition $only = null,
        public Asked $asked = Asked::AtTheStart,
    ) {
    }

    public static function text(string $name, string $label, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Text, $label, $required, $help);
    }

    public static function flag(string $name, string $label, string $help = ''): self
    {
        return new self($name, EntryKind::Flag, $label, false, $help);
    }

    public static function decimal(
        string $name,
        string $label,
        string $least,
        string $most,
        Unit $unit = Unit::None,
        bool $required = false,
        string $help = '',
    ): self {
        return new self($name, EntryKind::Decimal, $label, $required, $help, [$unit], $least, $most);
    }

    /** @param non-empty-list<Unit> $units */
    public static function measured(string $name, string $label, array $units, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Measured, $label, $required, $help, $units);
    }

    /** @param array<array-key, string> $choices */
    public static function choice(string $name, string $label, array $choices, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Choice, $label, $required, $help, choices: $choices);
    }

    /** @param array<array-key, string> $choices */
    public static function several(string $name, string $label, array $choices, string $help = ''): self
    {
        return new self($name, EntryKind::Several, $label, false, $help, choices: $choices);
    }

    public static function named(string $name, string $label, string $of, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Named, $label, $required, $help, of: $of);
    }

    /** @param non-empty-list<self> $rows */
    public static function rows(string $name, string $label, array $rows, string $help = ''): self
    {
        return new self($name, EntryKind::Rows, $label, false, $help, rows: $rows);
    }

    /** @param list<self> $entries of the group, each as the row of a table has them */
    public static function group(string $name, string $label, array $entries, bool $required = false): self
    {
        return new self($name, EntryKind::Group, $label, $required, rows: $entries);
    }

    /** @param array<array-key, string> $names words by name */
    public static function each(
        string $name,
        string $label,
        array $names,
        string $least,
        string $most,
        Unit $unit,
        string $help = '',
        bool $required = false,
    ): self {
        return new self($name, EntryKind::Each, $label, $required, $help, [$unit], $least, $most, $names);
    }

    /** The same under another name. */
    public function as(string $name, string $label): self
    {
        return $this->with($name, $label, $this->only, $this->asked);
    }

    /** Asked only where another entry is answered, or is one of these. */
    public function onlyWith(string $entry, string ...$values): self
    {
        return $this->with($this->name, $this->label, new EntryCondition($entry, array_values($values)), $this->asked);
    }

    /** A column that the bench fills in before anything was read: alone it makes no row. */
    public function filledIn(): self
    {
        return $this->with($this->name, $this->label, $this->only, Asked::Beforehand);
    }

    /** Known only when a run is over. */
    public function atTheEnd(): self
    {
        return $this->with($this->name, $this->label, $this->only, Asked::AtTheEnd);
    }

    /** Known at the start of a run, and another one for the next. */
    public function ofOneRun(): self
    {
        return $this->with($this->name, $this->label, $this->only, Asked::OfOneRun);
    }

    private function with(string $name, string $label, ?EntryCondition $only, Asked $asked): self
    {
        return new self(
            $name,
            $this->kind,
            $label,
            $this->required,
            $this->help,
            $this->units,
            $this->least,
            $this->most,
            $this->choices,
            $this->rows,
            $this->of,
            $only,
            $asked,
        );
    }

    /**
     * @param list<self> $entries
     *
     * @return list<array<string, mixed>>
     */
    public static function all(array $entries): array
    {
        return array_map(static fn (self $entry): array => $entry->describe(), $entries);
    }

    /** @return array<string, mixed> for screens */
    public function describe(): array
    {
        return [
            'name' => $this->name,
            'kind' => $this->kind->value,
            'label' => $this->label,
            'required' => $this->required,
            'help' => $this->help,
            'units' => array_map(static fn (Unit $unit): string => $unit->value, $this->units),
            'choices' => array_map(
                static fn (int|string $value, string $words): array => ['value' => (string) $value, 'words' => $words],
                array_keys($this->choices),
                array_values($this->choices),
            ),
            'rows' => array_map(static fn (self $row): array => $row->describe(), $this->rows),
            'of' => $this->of,
            'asked' => $this->asked->value,
            ...($this->only === null ? [] : ['only' => ['entry' => $this->only->entry, 'values' => $this->only->values]]),
        ];
    }
}
