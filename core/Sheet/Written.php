<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\OwnValue;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Decimal;

/** One thing to be written down at a step of a model sheet. */
final readonly class Written
{
    /**
     * @param string       $answer    the answer of the half-done check that holds it
     * @param string       $unit      in the words of the sheet; empty where it has none
     * @param Decimal|null $least     the lower end of what is usual
     * @param Decimal|null $most      its upper end
     * @param string       $otherwise what it means where it lies outside
     */
    public function __construct(
        public string $answer,
        public string $label,
        public string $unit,
        public ?Decimal $least,
        public ?Decimal $most,
        public string $otherwise,
    ) {
    }

    /** As the bench asks it. What is usual is no limit of what may be written: a reading far off is written too. */
    public function entry(): Entry
    {
        $label = $this->unit === '' ? $this->label : \sprintf('%s (%s)', $this->label, $this->unit);
        $usual = OwnValue::between($this->least?->written, $this->most?->written, $this->unit);

        return $usual === ''
            ? Entry::text($this->answer, $label)
            : Entry::decimal($this->answer, $label, '-1000000', '1000000', help: 'Usual: '.$usual);
    }

    /** @return array<string, string> its part of a row of the record, as it was typed */
    public function row(string $typed): array
    {
        return array_filter([
            'label' => $this->label,
            'value' => $typed,
            'unit' => $this->unit,
            'least' => $this->least->written ?? '',
            'most' => $this->most->written ?? '',
            'otherwise' => $this->otherwise,
        ], static fn (string $text): bool => $text !== '');
    }
}
