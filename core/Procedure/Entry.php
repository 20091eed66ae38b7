<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Unit;

/**
 * One thing to be written down, as data. Screens render it, the reader of the record format checks it: what can be asked
 * of an instrument, a reference, a check or a run is said once, by its family.
 */
final readonly class Entry
{
    /**
     * @param string $name under which it stands in the record
     */
    private function __construct(
        public string $name,
        public EntryKind $kind,
        public EntryWords $words,
        public bool $required,
        public Scale $scale = new Scale(),
        public Among $among = new Among(),
        public AskedWhen $when = new AskedWhen(),
    ) {
    }

    public static function text(string $name, string $label, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Text, new EntryWords($label, $help), $required);
    }

    public static function flag(string $name, string $label, string $help = ''): self
    {
        return new self($name, EntryKind::Flag, new EntryWords($label, $help), false);
    }

    public static function decimal(
        string $name,
        string $label,
        string $least,
        string $most,
        Unit $unit = CommonUnit::None,
        bool $required = false,
        string $help = '',
    ): self {
        return new self($name, EntryKind::Decimal, new EntryWords($label, $help), $required, new Scale([$unit], $least, $most));
    }

    /** @param non-empty-list<Unit> $units */
    public static function measured(string $name, string $label, array $units, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Measured, new EntryWords($label, $help), $required, new Scale($units));
    }

    /** @param array<array-key, string> $choices */
    public static function choice(string $name, string $label, array $choices, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Choice, new EntryWords($label, $help), $required, among: new Among($choices));
    }

    /** @param array<array-key, string> $choices */
    public static function several(string $name, string $label, array $choices, string $help = ''): self
    {
        return new self($name, EntryKind::Several, new EntryWords($label, $help), false, among: new Among($choices));
    }

    public static function named(string $name, string $label, string $of, bool $required = false, string $help = ''): self
    {
        return new self($name, EntryKind::Named, new EntryWords($label, $help), $required, among: new Among(of: $of));
    }

    /** @param non-empty-list<self> $rows */
    public static function rows(string $name, string $label, array $rows, string $help = ''): self
    {
        return new self($name, EntryKind::Rows, new EntryWords($label, $help), false, among: new Among(rows: $rows));
    }

    /** @param list<self> $entries of the group, each as the row of a table has them */
    public static function group(string $name, string $label, array $entries, bool $required = false): self
    {
        return new self($name, EntryKind::Group, new EntryWords($label), $required, among: new Among(rows: $entries));
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
        $scale = new Scale([$unit], $least, $most);

        return new self($name, EntryKind::Each, new EntryWords($label, $help), $required, $scale, new Among($names));
    }

    /** The same under another name. */
    public function as(string $name, string $label): self
    {
        return new self(
            $name,
            $this->kind,
            new EntryWords($label, $this->words->help),
            $this->required,
            $this->scale,
            $this->among,
            $this->when,
        );
    }

    /** The same in the words of whoever asks. */
    public function called(string $label, string $help = ''): self
    {
        $words = new EntryWords($label, $help);

        return new self($this->name, $this->kind, $words, $this->required, $this->scale, $this->among, $this->when);
    }

    /**
     * The same with texts in its rows chosen from those that there are; a list without any stays a text.
     *
     * @param array<string, array<array-key, string>> $choices words by value, by the names of table and column: "steps/after"
     */
    public function choosing(array $choices): self
    {
        $rows = array_map(function (self $row) use ($choices): self {
            $from = $choices[$this->name.'/'.$row->name] ?? [];

            return $row->kind === EntryKind::Text && $from !== []
                ? self::choice($row->name, $row->words->label, $from, $row->required, $row->words->help)
                : $row;
        }, $this->among->rows);

        return $rows === []
            ? $this
            : new self($this->name, $this->kind, $this->words, $this->required, $this->scale, new Among(rows: $rows), $this->when);
    }

    /** The same where it must be answered. */
    public function needed(): self
    {
        return new self($this->name, $this->kind, $this->words, true, $this->scale, $this->among, $this->when);
    }

    /** Asked only where another entry is answered, or is one of these. */
    public function onlyWith(string $entry, string ...$values): self
    {
        return $this->when(new AskedWhen($this->when->asked, new EntryCondition($entry, array_values($values))));
    }

    /** A column that the bench fills in before anything was read: alone it makes no row. */
    public function filledIn(): self
    {
        return $this->when(new AskedWhen(Asked::Beforehand, $this->when->only));
    }

    /** Known only when a run is over. */
    public function atTheEnd(): self
    {
        return $this->when(new AskedWhen(Asked::AtTheEnd, $this->when->only));
    }

    /** Known at the start of a run, and another one for the next. */
    public function ofOneRun(): self
    {
        return $this->when(new AskedWhen(Asked::OfOneRun, $this->when->only));
    }

    private function when(AskedWhen $when): self
    {
        return new self($this->name, $this->kind, $this->words, $this->required, $this->scale, $this->among, $when);
    }

    /**
     * @param list<self> $entries
     *
     * @return list<string> under which they stand in the record
     */
    public static function names(array $entries): array
    {
        return array_map(static fn (self $entry): string => $entry->name, $entries);
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
            'label' => $this->words->label,
            'required' => $this->required,
            'help' => $this->words->help,
            'units' => array_map(static fn (Unit $unit): string => $unit->value, $this->scale->units),
            'choices' => array_map(
                static fn (int|string $value, string $words): array => ['value' => (string) $value, 'words' => $words],
                array_keys($this->among->choices),
                array_values($this->among->choices),
            ),
            'rows' => array_map(static fn (self $row): array => $row->describe(), $this->among->rows),
            'of' => $this->among->of,
            'asked' => $this->when->asked->value,
            ...($this->when->only === null ? [] : ['only' => ['entry' => $this->when->only->entry, 'values' => $this->when->only->values]]),
        ];
    }
}
