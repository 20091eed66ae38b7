<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Flow\Standard\FlowStandard;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** The flow that one list of readings at a check shows: each reading told as actual flow, their mean and spread. */
final readonly class FlowMeasurement
{
    /** @param non-empty-list<Figure> $flows L/min, one of each reading that counts */
    private function __construct(public array $flows, public Figure $mean, public Figure $spread)
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
        return $timeline->memory->once(\sprintf('flow %s %s of %s', $rows === $content->asLeft ? 'left' : 'found', $when, $check->id), static fn (): ?self => self::measure($rows, $when, $check, $content, $timeline));
    }

    /** @param list<FlowRow> $rows */
    private static function measure(array $rows, string $when, Check $check, FlowCheck $content, Timeline $timeline): ?self
    {
        $rows = self::working(FlowCheck::counting($rows), $content);
        if ($rows === []) {
            return null;
        }
        $standard = self::standard($check, $content, $timeline);
        $flows = [];
        foreach ($rows as $row) {
            $flows[] = $standard->flow($row, $content->air, self::origin($check, $row));
        }
        $values = array_map(static fn (Figure $flow): Exact|float => $flow->value, $flows);
        $mean = Real::mean($values);
        $low = array_reduce($values, Real::least(...), $values[0]);
        $high = array_reduce($values, Real::most(...), $values[0]);
        $decimals = max(array_map(static fn (Figure $flow): int => $flow->decimals, $flows));

        return new self(
            $flows,
            Figure::derived('Q', 'actual flow '.$when, $mean, Unit::LitrePerMinute, SharedEquation::Replicates, $flows, $decimals),
            Figure::derived('R', 'range over mean '.$when, Real::isZero($mean) ? Exact::zero() : Real::times(Real::by(Real::minus($high, $low), $mean), Exact::of(100)), Unit::Percent, SharedEquation::Replicates, $flows, 2),
        );
    }

    /** @throws UnreadableFlow where the check names no flow standard that is known */
    public static function standard(Check $check, FlowCheck $content, Timeline $timeline): FlowStandard
    {
        $reference = $timeline->referenceOf($check);
        if ($reference === null) {
            throw new UnreadableFlow('no flow standard is named');
        }
        if ($content->floatRead !== null && $reference->traits->text('floatRead') !== null && $content->floatRead !== $reference->traits->text('floatRead')) {
            throw new UnreadableFlow(\sprintf('the %s of the float was read, the table of %s is for its %s', $content->floatRead, $reference->id, $reference->traits->text('floatRead')));
        }

        return FlowStandards::of($reference, $check->at, $content->setting, $content->gauge)
            ?? throw new UnreadableFlow(\in_array($reference->kind, FlowStandards::KINDS, true) ? \sprintf('%s lacks what its kind lives from: a throat, a table, or slope and intercept of a certificate', $reference->id) : \sprintf('%s is no flow standard', $reference->id));
    }

    public static function origin(Check $check, FlowRow $row): Origin
    {
        return new Origin('check', $check->id, \sprintf('%s, %s by %s', $row->provenance->words(), $check->at->format('j M Y H:i'), $check->by));
    }

    /**
     * Of a sampler with several set-points the readings at the working one, which is the target or the middle of three.
     *
     * @param list<FlowRow> $rows
     *
     * @return list<FlowRow>
     */
    private static function working(array $rows, FlowCheck $content): array
    {
        $targets = [];
        foreach ($rows as $row) {
            if ($row->target !== null) {
                $targets[(string) $row->target->in(Unit::LitrePerMinute)][] = $row;
            }
        }
        if ($targets === []) {
            return $rows;
        }
        if ($content->target !== null) {
            return $targets[(string) $content->target->in(Unit::LitrePerMinute)] ?? [];
        }
        ksort($targets, \SORT_NUMERIC);
        $all = array_values($targets);

        return $all[intdiv(\count($all), 2)];
    }
}
