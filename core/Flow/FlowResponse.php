<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\StandardEquation;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\FlowKnot;
use Footnote\Core\Response\FlowLine;
use Footnote\Core\Response\KnotsAlong;

/** The flow of a unit at its checks, told for a run: at the air of the field, and at the run's own gauge where it has one. */
final readonly class FlowResponse
{
    public function __construct(private Run $run, private Timeline $timeline)
    {
    }

    /** The flow along a bracket; null where no check shows one. */
    public function line(Bracket $bracket): ?FlowLine
    {
        $knots = KnotsAlong::of($bracket, $this->found(...), $this->left(...));

        return $knots === [] ? null : new FlowLine($knots);
    }

    /**
     * F-6: every flow as found against the one that its segment began with, in percent of that one.
     *
     * @return list<Figure>
     */
    public static function drifts(?FlowLine $line): array
    {
        $drifts = [];
        foreach (KnotsAlong::segments($line->knots ?? []) as [$began, $found]) {
            if (!Real::isZero($began->flow->value)) {
                $drifts[] = FlowChange::between(
                    $began->flow,
                    $found->flow,
                    \sprintf('change of flow from %s to %s', $began->check, $found->check),
                );
            }
        }

        return $drifts;
    }

    /** The curve that serves the sampler's gauge at a check: that of the last multi-point calibration up to it. */
    public function curve(Check $at): ?GaugeCurve
    {
        $id = Tallying::upTo($at->at, new FlowFold(), $this->timeline)->curve;
        $check = $id === null ? null : $this->timeline->check($id);

        return $check?->content instanceof FlowCheck ? GaugeCurve::of($check, $check->content, $this->timeline) : null;
    }

    private function found(Check $check): ?FlowKnot
    {
        $content = $check->content;

        return $content instanceof FlowCheck ? $this->knot($check, $content, $content->readings->asFound, 'as found', false) : null;
    }

    private function left(Check $check): ?FlowKnot
    {
        $content = $check->content;
        if (!$content instanceof FlowCheck) {
            return null;
        }
        if (!$content->readings->adjusted) {
            return $this->knot($check, $content, $content->readings->asFound, 'as left, which is as found', true);
        }
        $knot = $this->knot($check, $content, $content->readings->asLeft, 'as left', true);
        if ($knot !== null || $content->target === null) {
            return $knot;
        }
        $flow = $content->target->in(CommonUnit::LitrePerMinute);

        return new FlowKnot(
            $check->at,
            Figure::measured(
                'Q',
                'flow as left, not read',
                $content->target,
                CommonUnit::LitrePerMinute,
                new Origin('assumption', $check->id, 'adjusted and not read again: the flow it was set for is assumed'),
                max(3, Digits::significant($flow, 4)),
            ),
            $check->id,
            true,
            true,
        );
    }

    /** @param list<FlowRow> $rows */
    private function knot(Check $check, FlowCheck $content, array $rows, string $when, bool $asLeft): ?FlowKnot
    {
        $sample = $this->run->content instanceof AirSample ? $this->run->content : null;
        $gauge = $sample?->gauge();
        if ($gauge !== null) {
            $air = $sample->field->air->isKnown() ? $sample->field->air : $content->standard->air;
            $flow = $this->byGauge($check, $content, $rows, $when, $gauge, $air);

            return $flow === null ? null : new FlowKnot($check->at, $flow, $check->id, $asLeft);
        }
        $measured = FlowMeasurement::of($rows, $when, $check, $content, $this->timeline);

        if ($measured === null) {
            return null;
        }
        $flow = $this->inTheField($measured->mean, $content->standard->air, $sample?->field->air, $check->id);

        return new FlowKnot($check->at, $flow, $check->id, $asLeft);
    }

    /** F-5: a critical orifice draws as the root of the temperature; other pumps hold their actual flow. */
    private function inTheField(Figure $flow, Air $bench, ?Air $field, string $check): Figure
    {
        if ($this->timeline->instrument->traits->text('flowControl') !== FlowFormat::CRITICAL
            || $field?->temperature === null
            || $bench->temperature === null) {
            return $flow;
        }
        $value = $flow->toFloat() * sqrt($field->kelvin()->dividedBy($bench->kelvin())->toFloat());

        return Figure::derived(
            'Q',
            $flow->meaning.', at the temperature of the field',
            $value,
            CommonUnit::LitrePerMinute,
            StandardEquation::CriticalOrifice,
            [
                'Q_cal' => $flow,
                'T' => $field->inputs(new Origin('run', $this->run->id, 'in the field'))['T'],
                'T_cal' => $bench->inputs(new Origin('check', $check, 'at the check'), '_cal')['T_cal'],
            ],
            $flow->decimals,
        );
    }

    /**
     * The flow at the run's gauge by the curve; a single reading of a standard beside the gauge scales the curve.
     *
     * @param list<FlowRow> $rows
     */
    private function byGauge(Check $check, FlowCheck $content, array $rows, string $when, Figure $gauge, Air $air): ?Figure
    {
        $curve = $this->curve($check);
        if ($curve === null || !$air->isKnown()) {
            return null;
        }
        $byCurve = $curve->flow($gauge, $air, new Origin('run', $this->run->id, 'in the field'));
        if ($content->readings->points !== []) {
            return $byCurve;
        }
        $measured = FlowMeasurement::of($rows, $when, $check, $content, $this->timeline);
        $read = [];
        foreach (FlowCheck::counting($rows) as $row) {
            if ($row->sampler->gauge !== null) {
                $read[] = Figure::read(
                    'I',
                    'sampler\'s gauge at the check',
                    $row->sampler->gauge->value,
                    CommonUnit::None,
                    FlowMeasurement::origin($check, $row),
                    $row->sampler->gauge->decimals(),
                );
            }
        }
        if ($measured === null || $read === []) {
            return null;
        }
        $then = $curve->flow(
            Figure::derived(
                'I',
                'mean of the sampler\'s gauge at the check, '.$when,
                array_sum(array_map(static fn (Figure $one): float => $one->toFloat(), $read)) / \count($read),
                CommonUnit::None,
                SharedEquation::Replicates,
                Row::of('x_i', $read),
                1,
            ),
            $content->standard->air,
            new Origin('check', $check->id, 'at the check'),
        );

        return Figure::derived(
            'Q',
            'actual flow by the gauge curve, scaled by the standard '.$when,
            $byCurve->toFloat() * $measured->mean->toFloat() / $then->toFloat(),
            CommonUnit::LitrePerMinute,
            FlowEquation::GaugeCurveScaled,
            ['Q_curve' => $byCurve, 'Q_read' => $measured->mean, 'Q_then' => $then],
            $byCurve->decimals,
        );
    }
}
