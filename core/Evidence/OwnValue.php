<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/** What was written down at a step of a model sheet, and between what the sheet says that it usually lies. */
final readonly class OwnValue
{
    /** @param string $written as it was typed; a number where the band has an end */
    public function __construct(public string $label, public string $written, public Band $band)
    {
    }

    /** Whether it lies outside of what is usual, as written; false where nothing is said of that. */
    public function isUnusual(): bool
    {
        return !$this->band->isOpen() && $this->band->excludes(Decimal::parse($this->written));
    }

    /** "Vacuum 61 kPa; usual is from 20 to 40 kPa: leak or restriction". */
    public function words(): string
    {
        $usual = $this->band->words();

        return trim($this->label.' '.$this->written.' '.$this->band->unit)
            .($usual === '' ? '' : '; usual is '.$usual)
            .($this->band->otherwise === '' ? '' : ': '.lcfirst(rtrim($this->band->otherwise, '.')));
    }
}
