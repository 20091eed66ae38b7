<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Source\Steadiness;

/**
 * G-9: whether readings in one gas have come to rest: over the last 20 s their range and their drift lie within the larger of a
 * share of the span and one step of the display. Without times there is nothing to judge by.
 */
final readonly class Plateau
{
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
        return $label->isZero() ? new self($rows, null, null, null) : self::of($rows, self::steadiness($channel, $label));
    }

    /** @param Exact|null $label of the span, in the unit of the readings; null: it stands in no gas that has one */
    public static function steadiness(Channel $channel, ?Exact $label): Steadiness
    {
        $share = $channel->kind === GasKind::Photoionisation ? self::SHARE_PHOTOIONISATION : self::SHARE;

        return new Steadiness($label ?? Exact::zero(), Exact::of($share), $channel->display->resolution?->value);
    }

    /** @param list<GasRow> $rows of one channel in one gas, none struck out */
    public static function of(array $rows, Steadiness $steadiness): self
    {
        $timed = array_values(array_filter($rows, static fn (GasRow $row): bool => $row->seconds !== null));
        if (\count($timed) < 3 || \count($timed) < \count($rows)) {
            return new self($rows, null, null, null);
        }
        usort($timed, static fn (GasRow $a, GasRow $b): int => self::at($a)->compareTo(self::at($b)));
        $last = self::at($timed[\count($timed) - 1]);
        $end = array_values(
            array_filter(
                $timed,
                static fn (GasRow $row): bool => $last->minus(self::at($row))->compareTo(Exact::of(Steadiness::SECONDS)) <= 0,
            ),
        );
        if (\count($end) < 3 || self::at($end[0])->compareTo($last) === 0) {
            return new self(\array_slice($timed, -1), false, null, null);
        }
        $rest = $steadiness->judge(array_map(static fn (GasRow $row): array => [self::at($row), $row->value], $end));

        return new self($end, $rest->steady, $rest->drift, $rest->range);
    }

    private static function at(GasRow $row): Exact
    {
        return $row->seconds->value ?? Exact::zero();
    }
}
