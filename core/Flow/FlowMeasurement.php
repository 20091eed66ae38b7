<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Flow\Standard\BelowRange;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\FlowStandard;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Flow\Standard\UnreadableFlow;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** The flow that one list of readings at a check shows: each reading told as actual flow, their mean and spread. */
final readonly class FlowMeasurement
{
    /** How near a set-point lies to the flow a unit is set for, % (own). */
    private const NEAR = 1;

    /**
     * @param non-empty-list<Figure> $flows L/min, one of each reading that counts
     * @param string|null            $below why the standard does not quite tell it: it lies below its range
     */
    private function __construct(public array $flows, public Figure $mean, public Figure $spread, public ?string $below = null)
    {
    }

    /**
     * The mean of the readings at the flow the unit is set for; null where there are none.
     *
     * @param list<FlowRow> $rows
     *
     * @throws UnreadableFlow|ConditionsMissing
     */
    public static function of(array $rows, string $when, Check $check, FlowCheck $content, Timeline $timeline): ?self
    {
        return $timeline->memory->once(
            \sprintf('flow %s %s of %s', $rows === $content->readings->asLeft ? 'left' : 'found', $when, $check->id),
            static fn (): ?self => self::measure($rows, $when, $check, $content, $timeline),
        );
    }

    /** @param list<FlowRow> $rows */
    private static function measure(array $rows, string $when, Check $check, FlowCheck $content, Timeline $timeline): ?self
    {
        $rows = self::working(FlowCheck::counting($rows), $content);
        if ($rows === []) {
            return null;
        }
        $below = null;
        try {
            $flows = self::flows(self::standard($check, $content, $timeline), $rows, $check, $content);
        } catch (BelowRange $problem) {
            // Whether that is evidence is judged by what the unit was left at.
            $below = $problem->getMessage();
            $flows = self::flows(self::standard($check, $content, $timeline, true), $rows, $check, $content);
        }
        $values = array_map(static fn (Figure $flow): Exact|float => $flow->value, $flows);
        $mean = Real::mean($values);
        $low = array_reduce($values, Real::least(...), $values[0]);
        $high = array_reduce($values, Real::most(...), $values[0]);
        $decimals = max(array_map(static fn (Figure $flow): int => $flow->decimals, $flows));
        $row = Row::of('x_i', $flows);

        return new self(
            $flows,
            Figure::derived('Q', 'actual flow '.$when, $mean, CommonUnit::LitrePerMinute, SharedEquation::Replicates, $row, $decimals),
            Figure::derived(
                'R',
                'range over mean '.$when,
                Real::isZero($mean) ? Exact::zero() : Real::times(Real::by(Real::minus($high, $low), $mean), Exact::of(100)),
                CommonUnit::Percent,
                SharedEquation::RangeOverMean,
                $row,
                2,
            ),
            $below,
        );
    }

    /**
     * @param non-empty-list<FlowRow> $rows
     *
     * @return non-empty-list<Figure>
     */
    private static function flows(FlowStandard $standard, array $rows, Check $check, FlowCheck $content): array
    {
        return array_map(
            static fn (FlowRow $row): Figure => $standard->flow($row, $content->standard->air, self::origin($check, $row)),
            $rows,
        );
    }

    /**
     * @param bool $below whether what lies below its range is told as well
     *
     * @throws UnreadableFlow where the check names no flow standard that is known
     */
    public static function standard(Check $check, FlowCheck $content, Timeline $timeline, bool $below = false): FlowStandard
    {
        $reference = $timeline->referenceOf($check);
        if ($reference === null) {
            throw new UnreadableFlow('no flow standard is named');
        }
        if ($content->standard->floatRead !== null
            && $reference->traits->text('floatRead') !== null
            && $content->standard->floatRead !== $reference->traits->text('floatRead')) {
            throw new UnreadableFlow(
                \sprintf(
                    'the %s of the float was read, the table of %s is for its %s',
                    $content->standard->floatRead,
                    $reference->id,
                    $reference->traits->text('floatRead'),
                ),
            );
        }

        return FlowStandards::of($reference, $check->at, $content->standard->setting, $content->standard->gauge, $below)
            ?? throw new UnreadableFlow(
                \in_array($reference->kind, FlowStandards::KINDS, true)
                    ? \sprintf(
                        '%s lacks what its kind lives from: a throat, a table, or slope and intercept of a certificate',
                        $reference->id,
                    )
                    : \sprintf('%s is no flow standard', $reference->id),
            );
    }

    public static function origin(Check $check, FlowRow $row): Origin
    {
        return $check->origin($row->provenance->words());
    }

    /**
     * Of a sampler with several set-points the readings at the working one: the nearest to the target, else the middle of three.
     *
     * @param list<FlowRow> $rows
     *
     * @return list<FlowRow>
     */
    private static function working(array $rows, FlowCheck $content): array
    {
        $targets = [];
        foreach ($rows as $row) {
            if ($row->sampler->target !== null) {
                $targets[(string) $row->sampler->target->in(CommonUnit::LitrePerMinute)][] = $row;
            }
        }
        if ($targets === []) {
            return $rows;
        }
        if ($content->target !== null) {
            return self::nearest($targets, $content->target->in(CommonUnit::LitrePerMinute));
        }
        ksort($targets, \SORT_NUMERIC);
        $all = array_values($targets);

        return $all[intdiv(\count($all), 2)];
    }

    /**
     * FC-G13: the readings at the set-point nearest to the target, where one lies near it.
     *
     * @param non-empty-array<array-key, non-empty-list<FlowRow>> $targets by set-point
     *
     * @return list<FlowRow>
     */
    private static function nearest(array $targets, Exact $wanted): array
    {
        $nearest = [];
        $least = null;
        foreach ($targets as $rows) {
            $off = $rows[0]->sampler->target?->in(CommonUnit::LitrePerMinute)->minus($wanted)->absolute();
            if ($off !== null && ($least === null || $off->compareTo($least) < 0)) {
                $nearest = $rows;
                $least = $off;
            }
        }

        return $least !== null && $least->times(100)->compareTo($wanted->times(self::NEAR)) <= 0 ? $nearest : [];
    }
}
