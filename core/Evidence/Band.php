<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/** Between what a site says that a value usually lies, in a unit of its own words, and what it means where it does not. */
final readonly class Band
{
    /**
     * @param Decimal|null $least     the lower end; null where there is none
     * @param Decimal|null $most      the upper end
     * @param string       $unit      empty where it has none
     * @param string       $otherwise what it means outside; empty where nothing is said
     */
    public function __construct(public ?Decimal $least, public ?Decimal $most, public string $unit, public string $otherwise)
    {
    }

    /** As a row of a record or a model sheet says it. */
    public static function of(Traits $row): self
    {
        return new self($row->decimal('least'), $row->decimal('most'), $row->text('unit') ?? '', $row->text('otherwise') ?? '');
    }

    /** Whether it has no end, so that nothing is held against it. */
    public function isOpen(): bool
    {
        return $this->least === null && $this->most === null;
    }

    /** Whether a value lies outside, as written; its ends belong to it. */
    public function excludes(Decimal $value): bool
    {
        return ($this->least !== null && $value->value->compareTo($this->least->value) < 0)
            || ($this->most !== null && $value->value->compareTo($this->most->value) > 0);
    }

    /** "from 20 to 40 kPa", "at least 20 kPa", "at most 40 kPa"; empty where it has no end. */
    public function words(): string
    {
        return trim(match (true) {
            $this->least !== null && $this->most !== null => \sprintf('from %s to %s %s', $this->least, $this->most, $this->unit),
            $this->least !== null => \sprintf('at least %s %s', $this->least, $this->unit),
            $this->most !== null => \sprintf('at most %s %s', $this->most, $this->unit),
            default => '',
        });
    }
}
