<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Flow\Standard\Recalled;
use Footnote\Core\Flow\Standard\TransferOrifice;
use Footnote\Core\Flow\Standard\UnreadableFlow;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Statistics\LeastSquares;
use Footnote\Core\Statistics\SlopeIsZero;
use Footnote\Core\Statistics\TooFewPoints;

/**
 * F-12: how a sampler's own gauge answers to flow. x is the flow at 298 K and 760 mmHg in m³/min, y the root of the gauge
 * reading brought to the same conditions.
 */
final readonly class GaugeCurve
{
    public const MERCURY = 760.0;

    /**
     * @param list<array{flow: float, response: float, residualPercent: float}> $points residual as a share of the flow
     */
    private function __construct(
        public string $check,
        public LeastSquares $line,
        public array $points,
        public Figure $slope,
        public Figure $intercept,
        public Figure $correlation,
    ) {
    }

    /** @throws UnreadableFlow|ConditionsMissing|TooFewPoints|SlopeIsZero */
    public static function of(Check $check, FlowCheck $content, Timeline $timeline): self
    {
        $standard = FlowMeasurement::standard($check, $content, $timeline);
        $x = [];
        $y = [];
        $inputs = [];
        foreach (FlowCheck::counting($content->readings->points) as $row) {
            if ($row->sampler->gauge === null) {
                throw new UnreadableFlow('a point has no reading of the sampler\'s gauge');
            }
            $origin = FlowMeasurement::origin($check, $row);
            $inner = $standard instanceof Recalled ? $standard->inner : $standard;
            $flow = $inner instanceof TransferOrifice
                ? $inner->standard($row, $content->standard->air, $origin)
                : $inner->flow($row, $content->standard->air, $origin);
            $flow = $standard instanceof Recalled ? $standard->right($flow) : $flow;
            $x[] = $flow->toFloat() / 1000 * ($inner instanceof TransferOrifice ? 1.0 : self::toStandard($content->standard->air));
            $y[] = self::response($row->sampler->gauge->value->toFloat(), $content->standard->air);
            array_push(
                $inputs,
                $flow,
                Figure::read(
                    'I',
                    'sampler\'s gauge',
                    $row->sampler->gauge->value,
                    CommonUnit::None,
                    $origin,
                    $row->sampler->gauge->decimals(),
                ),
            );
        }
        $line = LeastSquares::through($x, $y);
        $points = [];
        foreach ($x as $i => $flow) {
            // Throws where the slope is zero.
            $points[] = ['flow' => $flow, 'response' => $y[$i], 'residualPercent' => 100 * ($line->inverse($y[$i]) - $flow) / $flow];
        }
        $inputs = [...$inputs, ...$content->standard->air->figures(new Origin('check', $check->id, 'at the calibration'))];
        $derived = static fn (string $symbol, string $meaning, float $value, int $decimals): Figure => Figure::derived(
            $symbol,
            $meaning,
            $value,
            CommonUnit::None,
            FlowEquation::Regression,
            $inputs,
            $decimals,
        );

        return new self(
            $check->id,
            $line,
            $points,
            $derived('slope', 'slope of the gauge curve', $line->slope, 3),
            $derived('intercept', 'intercept of the gauge curve', $line->intercept, 3),
            $derived('r', 'correlation of the gauge curve', $line->r, 4),
        );
    }

    /** √(I·(P/760)·(298/T)). */
    public static function response(float $gauge, Air $air): float
    {
        $mercury = $air->pressure?->in(CommonUnit::MillimetreMercury)->toFloat()
            ?? throw new ConditionsMissing('The pressure is not known.');
        if ($gauge < 0.0) {
            throw new UnreadableFlow('a gauge reading below zero is no reading');
        }

        return sqrt($gauge * ($mercury / self::MERCURY) * (TransferOrifice::KELVIN / $air->kelvin()->toFloat()));
    }

    /** The actual flow at a gauge reading, L/min. */
    public function flow(float $gauge, Air $air, Figure $read): Figure
    {
        $standard = 1000 * $this->line->inverse(self::response($gauge, $air));
        $flow = $standard / self::toStandard($air);

        return Figure::derived(
            'Q',
            'actual flow by the gauge curve of '.$this->check,
            $flow,
            CommonUnit::LitrePerMinute,
            FlowEquation::GaugeCurve,
            [$read, $this->slope, $this->intercept],
            Digits::significant($flow, 4),
        );
    }

    /** What an actual flow is multiplied by to be told at 298 K and 760 mmHg. */
    private static function toStandard(Air $air): float
    {
        $mercury = $air->pressure?->in(CommonUnit::MillimetreMercury)->toFloat()
            ?? throw new ConditionsMissing('The pressure is not known.');

        return $mercury / self::MERCURY * TransferOrifice::KELVIN / $air->kelvin()->toFloat();
    }
}
