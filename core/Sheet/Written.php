<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Procedure\Entry;

/** One thing to be written down at a step of a model sheet. */
final readonly class Written
{
    /** @param string $answer the answer of the half-done check that holds it */
    public function __construct(public string $answer, public string $label, public Band $band)
    {
    }

    /** As the bench asks it. What is usual is no limit of what may be written: a reading far off is written too. */
    public function entry(): Entry
    {
        $label = $this->band->unit === '' ? $this->label : \sprintf('%s (%s)', $this->label, $this->band->unit);

        return $this->band->isOpen()
            ? Entry::text($this->answer, $label)
            : Entry::decimal($this->answer, $label, '-1000000', '1000000', help: 'Usual: '.$this->band->words());
    }

    /** @return array<string, string> its part of a row of the record, as it was typed */
    public function row(string $typed): array
    {
        return array_filter([
            'label' => $this->label,
            'value' => $typed,
            'unit' => $this->band->unit,
            'least' => $this->band->least->written ?? '',
            'most' => $this->band->most->written ?? '',
            'otherwise' => $this->band->otherwise,
        ], static fn (string $text): bool => $text !== '');
    }
}
