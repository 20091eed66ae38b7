<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Statistics\LeastSquares;

/**
 * G-9: whether readings in one gas have come to rest. Over the last 20 s the slope is below half a percent of the span in
 * 10 s, and the range below one percent of it. Without times there is nothing to judge by.
 */
final readonly class Plateau
{
    private const SECONDS = 20;

    /** @param list<GasRow> $rows the ones that the reading is made of */
    private function __construct(public array $rows, public ?bool $steady, public ?float $slope, public ?Exact $range)
    {
    }

    /**
     * @param list<GasRow> $rows  of one channel in one gas, none struck out
     * @param Exact        $span  the span's label, in the unit of the readings
     * @param float        $slope largest slope, % of span in 10 s
     * @param Exact        $range largest range, % of span
     */
    public static function of(array $rows, Exact $span, float $slope = 0.5, ?Exact $range = null): self
    {
        $timed = array_values(array_filter($rows, static fn (GasRow $row): bool => $row->seconds !== null));
        if (\count($timed) < 3 || \count($timed) < \count($rows) || $span->isZero()) {
            return new self($rows, null, null, null);
        }
        usort($timed, static fn (GasRow $a, GasRow $b): int => self::at($a)->compareTo(self::at($b)));
        $last = self::at($timed[\count($timed) - 1]);
        $end = array_values(array_filter($timed, static fn (GasRow $row): bool => $last->minus(self::at($row))->compareTo(Exact::of(self::SECONDS)) <= 0));
        if (\count($end) < 3 || self::at($end[0])->compareTo($last) === 0) {
            return new self(\array_slice($timed, -1), false, null, null);
        }
        $line = LeastSquares::through(array_map(static fn (GasRow $row): float => self::at($row)->toFloat(), $end), array_map(static fn (GasRow $row): float => $row->value->value->toFloat(), $end));
        $values = array_map(static fn (GasRow $row): Exact => $row->value->value, $end);
        usort($values, static fn (Exact $a, Exact $b): int => $a->compareTo($b));
        $spread = $values[\count($values) - 1]->minus($values[0])->times(100)->dividedBy($span->absolute());
        $inTen = abs($line->slope) * 10 * 100 / abs($span->toFloat());

        return new self($end, $inTen < $slope && $spread->compareTo($range ?? Exact::of(1)) < 0, $inTen, $spread);
    }

    private static function at(GasRow $row): Exact
    {
        return $row->seconds->value ?? Exact::zero();
    }
}
