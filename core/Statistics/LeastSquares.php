<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** S-2: a straight line y = slope·x + intercept through points by ordinary least squares. */
final readonly class LeastSquares
{
    /**
     * @param float       $r         Pearson's correlation coefficient, with its sign
     * @param list<float> $residuals y − (slope·x + intercept), in the order of the points
     */
    private function __construct(public float $slope, public float $intercept, public float $r, public array $residuals)
    {
    }

    /**
     * @param list<float> $x
     * @param list<float> $y as many
     *
     * @throws TooFewPoints    fewer than three points, or all of one x
     */
    public static function through(array $x, array $y): self
    {
        $n = \count($x);
        if ($n < 3 || $n !== \count($y)) {
            throw new TooFewPoints('A line wants at least three points.');
        }
        $meanX = array_sum($x) / $n;
        $meanY = array_sum($y) / $n;
        $xx = 0.0;
        $xy = 0.0;
        $yy = 0.0;
        for ($i = 0; $i < $n; ++$i) {
            $dx = $x[$i] - $meanX;
            $dy = $y[$i] - $meanY;
            $xx += $dx * $dx;
            $xy += $dx * $dy;
            $yy += $dy * $dy;
        }
        if ($xx <= 1e-24 * (1 + $meanX * $meanX)) {
            throw new TooFewPoints('All points lie at one flow: no line goes through them.');
        }
        $slope = $xy / $xx;
        $intercept = $meanY - $slope * $meanX;
        $residuals = [];
        for ($i = 0; $i < $n; ++$i) {
            $residuals[] = $y[$i] - $slope * $x[$i] - $intercept;
        }

        return new self($slope, $intercept, $yy === 0.0 ? 0.0 : $xy / sqrt($xx * $yy), $residuals);
    }

    public function at(float $x): float
    {
        return $this->slope * $x + $this->intercept;
    }

    /**
     * The x at which the line has that value.
     *
     * @throws SlopeIsZero
     */
    public function inverse(float $y): float
    {
        if ($this->slope === 0.0) {
            throw new SlopeIsZero('The slope is zero: the gauge does not follow the flow.');
        }

        return ($y - $this->intercept) / $this->slope;
    }
}
