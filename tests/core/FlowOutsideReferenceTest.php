<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Air\Air;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Statistics\LeastSquares;
use PHPUnit\Framework\TestCase;

/** Regressions against R, unit conversions and water vapour against GNU units; both are installed by bin/test. */
final class FlowOutsideReferenceTest extends TestCase
{
    use PrintedByOthers;

    public function testRegressionsAgainstR(): void
    {
        mt_srand(20260302);
        $sets = [];
        foreach (range(0, 11) as $i) {
            $n = mt_rand(3, 20);
            $slope = mt_rand(-500, 500) / 10;
            $x = array_map(static fn (): float => mt_rand(100, 100000) / 1000 + 10 ** mt_rand(-1, 4), range(1, $n));
            $sets[] = [$x, array_map(static fn (float $one): float => $slope * $one - 3 + mt_rand(-1000, 1000) / 500, $x)];
        }
        $script = '';
        foreach ($sets as [$x, $y]) {
            $list = static fn (array $values): string => 'c('.implode(
                ',',
                array_map(static fn (mixed $one): string => json_encode($one, \JSON_THROW_ON_ERROR), $values),
            ).')';
            $script .= \sprintf(
                'x <- %s; y <- %s; f <- lm(y ~ x); '
                    .'cat(format(c(coef(f)[2], coef(f)[1], cor(x, y), resid(f)[1]), digits=17), sep="\n"); cat("\n");',
                $list($x),
                $list($y),
            );
        }
        // Anscombe's sets as R ships them.
        $script .= 'for (i in 1:4) { x <- anscombe[[i]]; y <- anscombe[[i+4]]; f <- lm(y ~ x); '
            .'cat(format(c(coef(f)[2], coef(f)[1], cor(x, y), resid(f)[1]), digits=17), sep="\n"); cat("\n") }; '
            .'cat(format(unlist(anscombe), digits=17), sep="\n")';
        $numbers = $this->numbersOfR($script);
        $shipped = \array_slice($numbers, 4 * (\count($sets) + 4));
        self::assertCount(88, $shipped);
        foreach (range(0, 3) as $i) {
            $sets[] = [\array_slice($shipped, 11 * $i, 11), \array_slice($shipped, 11 * ($i + 4), 11)];
        }
        foreach ($sets as $place => [$x, $y]) {
            $line = LeastSquares::through($x, $y);
            foreach ([$line->slope, $line->intercept, $line->r, $line->residuals[0]] as $k => $own) {
                $theirs = $numbers[4 * $place + $k];
                self::assertEqualsWithDelta($theirs, $own, 1e-7 * max(1.0, abs($theirs)), "set $place, number $k");
            }
        }
    }

    public function testUnitsAgainstGnuUnits(): void
    {
        $pairs = [
            [CommonUnit::CubicFootPerMinute, 'ft^3/min', CommonUnit::LitrePerMinute, 'L/min'],
            [CommonUnit::CubicMetrePerMinute, 'm^3/min', CommonUnit::LitrePerMinute, 'L/min'],
            [CommonUnit::MillilitrePerMinute, 'mL/min', CommonUnit::LitrePerMinute, 'L/min'],
            [CommonUnit::InchMercury, 'inHg', CommonUnit::Kilopascal, 'kPa'],
            [CommonUnit::MillimetreMercury, 'mmHg', CommonUnit::Kilopascal, 'kPa'],
            [CommonUnit::Hectopascal, 'hPa', CommonUnit::MillimetreMercury, 'mmHg'],
            [CommonUnit::InchWater, 'inH2O', CommonUnit::Pascal, 'Pa'],
            [CommonUnit::MillimetreWater, 'mmH2O', CommonUnit::Pascal, 'Pa'],
            [CommonUnit::InchMercury, 'inHg', CommonUnit::MillimetreMercury, 'mmHg'],
            [CommonUnit::CubicMetre, 'm^3', CommonUnit::Litre, 'L'],
            [CommonUnit::Milligram, 'mg', CommonUnit::Microgram, 'microgram'],
            [CommonUnit::Hour, 'hour', CommonUnit::Minute, 'min'],
        ];
        foreach ($pairs as [$from, $theirs, $to, $wanted]) {
            $printed = (float) trim($this->printed(['units', '-t', '-d', '12', "37.25 $theirs", $wanted]));
            self::assertEqualsWithDelta(
                $printed,
                $from->convert(Exact::of('37.25'), $to)->toFloat(),
                2e-7 * $printed,
                "$theirs to $wanted",
            );
        }
        foreach (['-40', '32', '70', '98.6'] as $fahrenheit) {
            self::assertEqualsWithDelta(
                (float) trim($this->printed(['units', '-t', '-d', '12', "tempF($fahrenheit)", 'tempC'])),
                CommonUnit::Fahrenheit->convert(Exact::of($fahrenheit), CommonUnit::Celsius)->toFloat(),
                1e-9,
            );
        }
    }

    /** The exponential of F-2, worked by another program, over the temperatures of work. */
    public function testWaterVapourAgainstR(): void
    {
        $printed = array_map(
            floatval(...),
            explode(
                "\n",
                trim(
                    $this->printed([
                        'Rscript',
                        '--vanilla',
                        '-e',
                        't <- seq(-10, 45, 5); cat(format(0.61094*exp(17.625*t/(t+243.04)), digits=15), sep="\n")',
                    ]),
                ),
            ),
        );
        foreach ($printed as $place => $theirs) {
            self::assertEqualsWithDelta($theirs, Air::saturated(-10.0 + 5 * $place), 1e-12);
        }
        self::assertCount(12, $printed);
    }
}
