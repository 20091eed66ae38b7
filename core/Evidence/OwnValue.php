<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/** What was written down at a step of a model sheet, and between what the sheet says that it usually lies. */
final readonly class OwnValue
{
    /**
     * @param string       $written   as it was typed
     * @param string       $unit      in the words of the sheet; empty where it has none
     * @param Decimal|null $least     the lower end of what is usual, in the same unit
     * @param Decimal|null $most      its upper end
     * @param string       $otherwise what it means where it lies outside; empty where the sheet says nothing
     */
    public function __construct(
        public string $label,
        public string $written,
        public string $unit,
        public ?Decimal $least,
        public ?Decimal $most,
        public string $otherwise,
    ) {
    }

    /** Whether it lies outside of what is usual, as written; false where nothing is said of that. */
    public function isUnusual(): bool
    {
        if ($this->least === null && $this->most === null) {
            return false;
        }
        $value = Decimal::parse($this->written)->value;

        return ($this->least !== null && $value->compareTo($this->least->value) < 0)
            || ($this->most !== null && $value->compareTo($this->most->value) > 0);
    }

    /** "from 20 to 40 kPa"; empty where nothing is said. */
    public function usual(): string
    {
        return self::between($this->least?->written, $this->most?->written, $this->unit);
    }

    /** A band in words: "from 20 to 40 kPa", "at least 20 kPa", "at most 40 kPa"; empty where it has no end. */
    public static function between(?string $least, ?string $most, string $unit): string
    {
        return trim(match (true) {
            $least !== null && $most !== null => \sprintf('from %s to %s %s', $least, $most, $unit),
            $least !== null => \sprintf('at least %s %s', $least, $unit),
            $most !== null => \sprintf('at most %s %s', $most, $unit),
            default => '',
        });
    }

    /** "Vacuum 61 kPa; usual is from 20 to 40 kPa: leak or restriction". */
    public function words(): string
    {
        $usual = $this->usual();

        return trim($this->label.' '.$this->written.' '.$this->unit)
            .($usual === '' ? '' : '; usual is '.$usual)
            .($this->otherwise === '' ? '' : ': '.lcfirst(rtrim($this->otherwise, '.')));
    }
}
