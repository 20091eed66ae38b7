<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Log\LogColumn;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;

/** Whether a column of a log can serve a quantity. */
final readonly class ColumnFitness
{
    /** @param string|null $doubt why the result is qualified; null where it is fit */
    private function __construct(public bool $usable, public ?string $doubt)
    {
    }

    public static function forDose(LogColumn $column, float $step, DoseCriterion $criterion): self
    {
        $plain = $criterion->q() === 3.0 && $criterion->threshold === null;

        return match ($column->kind) {
            LevelColumn::Equivalent => $plain || $step <= 1.0
                ? new self(true, null)
                : new self(
                    true,
                    \sprintf(
                        '%s needs levels of 1 s or shorter; this log holds L_Aeq of %s s',
                        $criterion->name,
                        Digits::trimmed($step, 3),
                    ),
                ),
            LevelColumn::Slow => $plain
                ? new self(true, 'an energy sum was made from slow levels')
                : ($step <= 1.0 ? new self(true, null) : new self(
                    true,
                    \sprintf('slow levels every %s s miss what lies between', Digits::trimmed($step, 3)),
                )),
            LevelColumn::Fast => new self(true, 'the sum was made from fast levels at single moments'),
            LevelColumn::Average => self::same($column->exchangeRate, $criterion->exchangeRate)
                && self::same($column->threshold, $criterion->threshold)
                ? new self(true, null)
                : new self(false, 'the column was averaged with another exchange rate or threshold'),
            default => new self(false, 'a column of maxima gives no dose'),
        };
    }

    public static function forEquivalentLevel(LogColumn $column): self
    {
        return match ($column->kind) {
            LevelColumn::Equivalent => new self(true, null),
            LevelColumn::Slow => new self(true, 'L_Aeq was made from slow levels'),
            LevelColumn::Fast => new self(true, 'L_Aeq was made from fast levels at single moments'),
            LevelColumn::Average => $column->exchangeRate?->value->toFloat() === 3.0 && $column->threshold === null
                ? new self(true, null)
                : new self(false, 'an average with an exchange rate of its own is no L_Aeq'),
            default => new self(false, 'a column of maxima gives no L_Aeq'),
        };
    }

    private static function same(?Decimal $a, ?Decimal $b): bool
    {
        return $a === null || $b === null ? $a === $b : $a->value->compareTo($b->value) === 0;
    }
}
