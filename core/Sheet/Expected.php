<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Evidence\OwnValue;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/** Between what a sheet expects the readings of a model in one list: what lies outside is asked about while it is typed. */
final readonly class Expected
{
    /**
     * @param string $list of readings, such as "asFound"
     * @param string $of   what tells its rows from others in the list, such as a channel; empty: all rows
     * @param Band   $band in the unit in which the list is read; a reading in another one is not held against it
     */
    public function __construct(public string $list, public string $of, public Band $band)
    {
    }

    /**
     * @param array<string, mixed> $section of the check, as written
     *
     * @return list<string> a question for each reading that lies outside
     */
    public function questions(array $section): array
    {
        $questions = [];
        foreach (\is_array($section[$this->list] ?? null) ? $section[$this->list] : [] as $row) {
            $value = \is_array($row) && ($this->of === '' || \in_array($this->of, $row, true)) ? $this->value($row['value'] ?? null) : null;
            if ($value?->isUnusual() === true) {
                $questions[] = 'The model sheet asks: '.$value->words().'?';
            }
        }

        return $questions;
    }

    private function value(mixed $cell): ?OwnValue
    {
        $unit = \is_array($cell) ? $cell['unit'] ?? '' : $this->band->unit;
        $typed = \is_array($cell) ? $cell['value'] ?? null : $cell;
        if (!\is_string($typed) || $unit !== $this->band->unit) {
            return null;
        }
        try {
            Decimal::parse($typed);
        } catch (MalformedDecimal) {
            return null;
        }

        return new OwnValue($this->of === '' ? 'reading' : $this->of, $typed, $this->band);
    }
}
