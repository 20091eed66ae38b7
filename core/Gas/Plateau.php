<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Statistics\LeastSquares;

/**
 * G-9: whether readings in one gas have come to rest: over the last 20 s their range and their drift lie within the larger of a
 * share of the span and one step of the display. Without times there is nothing to judge by.
 */
final readonly class Plateau
{
    private const SECONDS = 20;
    /** Shares of the span, %, where no policy says otherwise (own). */
    public const SHARE = '1';
    public const SHARE_PHOTOIONISATION = '2';

    /** @param list<GasRow> $rows the ones that the reading is made of */
    private function __construct(public array $rows, public ?bool $steady, public ?float $drift, public ?Exact $range)
    {
    }

    /**
     * Of a channel in its own span gas.
     *
     * @param list<GasRow> $rows  none struck out
     * @param Exact        $label of the span, in the unit of the readings
     */
    public static function in(Channel $channel, array $rows, Exact $label): self
    {
        $share = Exact::of($channel->kind === GasKind::Photoionisation ? self::SHARE_PHOTOIONISATION : self::SHARE);

        return self::of($rows, $label, $share, $channel->display->resolution?->value);
    }

    /**
     * @param list<GasRow> $rows       of one channel in one gas, none struck out
     * @param Exact        $span       the span's label, in the unit of the readings
     * @param Exact|null   $share      of the span that range and drift may reach, %
     * @param Exact|null   $resolution one step of the display; null: as the readings are written
     */
    public static function of(array $rows, Exact $span, ?Exact $share = null, ?Exact $resolution = null): self
    {
        $timed = array_values(array_filter($rows, static fn (GasRow $row): bool => $row->seconds !== null));
        if (\count($timed) < 3 || \count($timed) < \count($rows) || $span->isZero()) {
            return new self($rows, null, null, null);
        }
        usort($timed, static fn (GasRow $a, GasRow $b): int => self::at($a)->compareTo(self::at($b)));
        $last = self::at($timed[\count($timed) - 1]);
        $end = array_values(
            array_filter($timed, static fn (GasRow $row): bool => $last->minus(self::at($row))->compareTo(Exact::of(self::SECONDS)) <= 0),
        );
        if (\count($end) < 3 || self::at($end[0])->compareTo($last) === 0) {
            return new self(\array_slice($timed, -1), false, null, null);
        }
        $line = LeastSquares::through(
            array_map(static fn (GasRow $row): float => self::at($row)->toFloat(), $end),
            array_map(static fn (GasRow $row): float => $row->value->value->toFloat(), $end),
        );
        $values = array_map(static fn (GasRow $row): Exact => $row->value->value, $end);
        usort($values, static fn (Exact $a, Exact $b): int => $a->compareTo($b));
        $range = $values[\count($values) - 1]->minus($values[0]);
        $drift = abs($line->slope) * self::SECONDS;
        $allowed = $span->absolute()->times($share ?? Exact::of(self::SHARE))->dividedBy(100);
        $step = $resolution ?? self::step($end);
        $allowed = $step->compareTo($allowed) > 0 ? $step : $allowed;

        return new self($end, $range->compareTo($allowed) <= 0 && $drift <= $allowed->toFloat() + 1e-9, $drift, $range);
    }

    /**
     * The last digit that readings are written with.
     *
     * @param non-empty-list<GasRow> $rows
     */
    private static function step(array $rows): Exact
    {
        return Exact::of(1)->dividedBy(10 ** max(array_map(static fn (GasRow $row): int => $row->value->decimals(), $rows)));
    }

    private static function at(GasRow $row): Exact
    {
        return $row->seconds->value ?? Exact::zero();
    }
}
