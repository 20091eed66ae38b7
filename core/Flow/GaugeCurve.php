<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
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
     * @param list<array{flow: Figure, response: Figure, residual: Figure}> $points x, y, and its residual as a share of the flow, %
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
        $points = [];
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
            $isStandard = $inner instanceof TransferOrifice;
            $factor = $isStandard ? 1.0 : self::toStandard($content->standard->air);
            $conditions = $content->standard->air->inputs(new Origin('check', $check->id, 'at the calibration'));
            $points[] = [
                Figure::derived(
                    'x',
                    'flow at 298 K and 760 mmHg, m³/min',
                    $flow->toFloat() / 1000 * $factor,
                    CommonUnit::CubicMetrePerMinute,
                    $isStandard ? FlowEquation::StandardFlow : FlowEquation::ActualAtStandard,
                    $isStandard ? ['Q_std' => $flow] : ['Q' => $flow, ...$conditions],
                    4,
                ),
                self::responded(
                    Figure::read(
                        'I',
                        'sampler\'s gauge',
                        $row->sampler->gauge->value,
                        CommonUnit::None,
                        $origin,
                        $row->sampler->gauge->decimals(),
                    ),
                    $content->standard->air,
                    new Origin('check', $check->id, 'at the calibration'),
                ),
            ];
        }
        $inputs = Row::together(['x_i', 'y_i'], $points);
        $x = array_map(static fn (array $point): float => $point[0]->toFloat(), $points);
        $y = array_map(static fn (array $point): float => $point[1]->toFloat(), $points);
        $line = LeastSquares::through($x, $y);
        $derived = static fn (string $symbol, string $what, float $value, FlowEquation $equation, int $decimals): Figure => Figure::derived(
            $symbol,
            $what,
            $value,
            CommonUnit::None,
            $equation,
            $inputs,
            $decimals,
        );
        $slope = $derived('b₁', 'slope of the gauge curve', $line->slope, FlowEquation::Slope, 3);
        $intercept = $derived('b₀', 'intercept of the gauge curve', $line->intercept, FlowEquation::Intercept, 3);

        return new self(
            $check->id,
            $line,
            array_map(
                // Throws where the slope is zero.
                static fn (array $point): array => [
                    'flow' => $point[0],
                    'response' => $point[1],
                    'residual' => Figure::derived(
                        'e',
                        'residual as flow',
                        100 * ($line->inverse($point[1]->toFloat()) - $point[0]->toFloat()) / $point[0]->toFloat(),
                        CommonUnit::Percent,
                        FlowEquation::Residual,
                        ['x' => $point[0], 'y' => $point[1], 'b₁' => $slope, 'b₀' => $intercept],
                        1,
                    ),
                ],
                $points,
            ),
            $slope,
            $intercept,
            $derived('r', 'correlation of the gauge curve', $line->r, FlowEquation::Correlation, 4),
        );
    }

    /** F-12a: a gauge reading brought to 298 K and 760 mmHg, by its root. */
    private static function responded(Figure $gauge, Air $air, Origin $origin): Figure
    {
        return Figure::derived(
            'y',
            'root of the gauge reading at 298 K and 760 mmHg',
            self::response($gauge->toFloat(), $air),
            CommonUnit::None,
            FlowEquation::GaugeResponse,
            ['I' => $gauge, ...$air->inputs($origin)],
            4,
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

    /** F-12d: the actual flow at a gauge reading, L/min. */
    public function flow(Figure $gauge, Air $air, Origin $origin): Figure
    {
        $response = self::responded($gauge, $air, $origin);
        $flow = 1000 * $this->line->inverse($response->toFloat()) / self::toStandard($air);

        return Figure::derived(
            'Q',
            'actual flow by the gauge curve of '.$this->check,
            $flow,
            CommonUnit::LitrePerMinute,
            FlowEquation::GaugeCurve,
            ['y' => $response, 'b₁' => $this->slope, 'b₀' => $this->intercept, ...$air->inputs($origin)],
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
