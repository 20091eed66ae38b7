<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Confidence;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\FlowLine;

/** Sets concentrations against limits: how wrong the flow would have to be to turn them, and the error of sampling and analysis. */
final readonly class SampleLimits
{
    public function __construct(
        private Yardsticks $yardsticks,
        private AirSample $sample,
        private ?FlowLine $line,
        public ?Figure $largestEver,
    ) {
    }

    /**
     * @param Bracket|null $bracket of a result of one sample; null for what is made of several
     * @param Figure|null  $error   of sampling and analysis of what is made of several, as a share of it
     */
    public function against(Result $result, ?Bracket $bracket = null, ?Figure $error = null): Result
    {
        $own = $bracket === null ? $error : self::error($this->sample);

        return (new LimitJudge())->judge(
            $result,
            $this->yardsticks->limits,
            fn (ExposureLimit $limit): TippingPoint => $this->tipping($limit, $result),
            static fn (Result $one, ExposureLimit $limit): ?Confidence => self::confidence($one, $limit, $own),
            $bracket,
        );
    }

    /** The error of sampling and analysis that the method of a sample states; null where it states none. */
    public static function error(AirSample $sample): ?Figure
    {
        $error = $sample->method?->decimal('samplingError');

        return $error === null
            ? null
            : Figure::read(
                'SAE',
                'sampling and analytical error',
                $error->value,
                CommonUnit::None,
                new Origin('library', $sample->method->text('code') ?? '', 'of the method'),
                $error->decimals(),
            );
    }

    /**
     * FC-E7: of a sum the errors of its parts, combined as the root of their squares; null where a part states none.
     *
     * @param list<array{value: Figure, by: Figure, error: Figure|null}> $parts each with the time that it counts for, or its limit
     * @param FlowEquation                                               $equation of a mean over time, or of a mixture
     */
    public static function combined(array $parts, FlowEquation $equation): ?Figure
    {
        $sum = 0.0;
        $squares = 0.0;
        $members = [];
        foreach ($parts as ['value' => $value, 'by' => $by, 'error' => $error]) {
            if ($error === null) {
                return null;
            }
            $part = $equation === FlowEquation::ErrorOfMean
                ? $value->toFloat() * $by->toFloat()
                : $value->toFloat() / $by->toFloat();
            $sum += $part;
            $squares += ($part * $error->toFloat()) ** 2;
            $members[] = [$value, $by, $error];
        }

        return match (true) {
            $sum <= 0.0 => null,
            \count($members) === 1 => $members[0][2],
            default => Figure::derived(
                'SAE',
                'sampling and analytical error of the sum',
                sqrt($squares) / $sum,
                CommonUnit::None,
                $equation,
                Row::together(['c_i', $equation === FlowEquation::ErrorOfMean ? 't_i' : 'L_i', 's_i'], $members),
                3,
            ),
        };
    }

    /**
     * A concentration falls as the flow grows: it sits on the limit where the true flow is c/L times the flow it was worked
     * out with.
     */
    private function tipping(ExposureLimit $limit, Result $result): TippingPoint
    {
        $drifts = FlowResponse::drifts($this->line);
        $none = $this->line === null ? 'no check shows the flow' : 'one check shows the flow';

        return Tipping::byShare(
            $result->reportedFigure()->high(),
            $limit,
            'flow',
            'the true flow was',
            Tipping::showed($drifts, 'a change of', $none)->then(Tipping::ever($this->largestEver, $drifts, 'changed')),
        );
    }

    /** C-5, where the error of sampling and analysis is known. */
    private static function confidence(Result $result, ExposureLimit $limit, ?Figure $error): ?Confidence
    {
        $figure = $result->reportedFigure();
        if ($error === null
            || $limit->threshold->value->value->isZero()
            || $figure->known->floor !== null
            || $figure->known->bound !== null
            || Real::compare($figure->value, Exact::zero()) < 0) {
            return null;
        }
        $y = Real::by($figure->value, $limit->threshold->value->value);
        // There is nothing below zero.
        $least = Real::minus($y, $error->value);
        $ratio = Figure::derived(
            'Y',
            'result over limit',
            $y,
            CommonUnit::None,
            SharedEquation::OverLimit,
            ['c' => $figure, 'L' => $limit->figure('L', $figure->unit)],
            3,
        );
        $lower = Figure::derived(
            'LCL',
            'lower one-sided 95 % confidence limit',
            Real::compare($least, Exact::zero()) < 0 ? Exact::zero() : $least,
            CommonUnit::None,
            FlowEquation::LowerConfidence,
            ['Y' => $ratio, 'SAE' => $error],
            2,
        );
        $upper = Figure::derived(
            'UCL',
            'upper one-sided 95 % confidence limit',
            Real::plus($y, $error->value),
            CommonUnit::None,
            FlowEquation::UpperConfidence,
            ['Y' => $ratio, 'SAE' => $error],
            2,
        );
        $one = Exact::of(1);

        return new Confidence($lower, $upper, match (true) {
            Real::compare($upper->value, $one) <= 0 => 'below the limit with 95 % confidence of sampling and analysis',
            Real::compare($lower->value, $one) > 0 => 'above the limit with 95 % confidence of sampling and analysis',
            default => 'sampling and analysis alone leave it open on which side of the limit it lies',
        });
    }
}
