<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Statistics\Crossing;
use Footnote\Core\Statistics\IndividualsChart;
use Footnote\Core\Statistics\RunsRule;
use Footnote\Core\Statistics\StudentT;
use PHPUnit\Framework\TestCase;

/** Control charts and projections against a published series and against R. */
final class TrendStatisticsTest extends TestCase
{
    use PrintedByOthers;

    /** The flow rates of ten batches and their limits (published: NIST/SEMATECH e-Handbook 6.3.2.2). */
    public function testThePublishedSeries(): void
    {
        $chart = IndividualsChart::of([49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]);
        self::assertNotNull($chart);
        self::assertEqualsWithDelta(50.81, $chart->centre, 1e-9);
        self::assertEqualsWithDelta(55.8041, $chart->upper(), 5e-4);
        self::assertEqualsWithDelta(45.8159, $chart->lower(), 5e-4);
        self::assertSame([], $chart->against(RunsRule::Beyond), 'the process is in control');
        self::assertNull(IndividualsChart::of([1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0]), 'seven make no chart');
    }

    /** What nobody could tell apart is no signal, however small s is: a unit that never moved, and then by one digit of its display. */
    public function testADigitIsNoSignal(): void
    {
        $chart = IndividualsChart::of([...array_fill(0, 20, 0.0), 0.1]);
        self::assertNotNull($chart);
        self::assertSame([20], $chart->against(RunsRule::Beyond));
        self::assertSame([], $chart->against(RunsRule::Beyond, 0.15));
        $still = IndividualsChart::of(array_fill(0, 30, 0.0));
        self::assertNotNull($still);
        foreach (RunsRule::cases() as $rule) {
            self::assertSame([], $still->against($rule), $rule->value);
        }
    }

    public function testStudentAgainstR(): void
    {
        $of = [];
        foreach ([0.6, 0.9, 0.95, 0.975, 0.995, 0.9995] as $probability) {
            foreach ([1, 2, 3, 5, 8, 13, 30, 120, 1000] as $freedom) {
                $of[] = [$probability, $freedom];
            }
        }
        $asked = implode(';', array_map(static fn (array $one): string => \sprintf('cat(sprintf("%%.15g\n",qt(%s,%d)))', ...$one), $of));
        foreach ($this->numbersOfR($asked) as $place => $expected) {
            self::assertEqualsWithDelta($expected, StudentT::quantile(...$of[$place]), 1e-9 * (1 + $expected), implode(' ', $of[$place]));
        }
    }

    /** Limits and every rule on random series, by another program and another way of counting. */
    public function testChartsAgainstR(): void
    {
        mt_srand(41);
        for ($series = 0; $series < 12; ++$series) {
            $values = self::random(mt_rand(8, 60), $series % 3 === 0 ? 0.04 : 0.0);
            $r = $this->numbersOfR('x<-c('.implode(',', $values).');m<-mean(x);s<-mean(abs(diff(x)))/1.128;z<-(x-m)/s;'
                .'cat(sprintf("%.15g\n",c(m-3*s,m+3*s)));'
                .'f<-function(k,w,l){n<-length(z);p<-c();for(i in k:n)for(d in c(1,-1)){u<-d*z[(i-k+1):i];'
                .'if(sum(u>l)>=w&&u[k]>l)p<-c(p,i-1)};cat("-1\n");cat(paste0(p,"\n"),sep="")};'
                .'f(1,1,3);f(3,2,2);f(5,4,1);f(8,8,0)');
            $chart = IndividualsChart::of($values);
            self::assertNotNull($chart);
            self::assertEqualsWithDelta($r[0], $chart->lower(), 1e-9);
            self::assertEqualsWithDelta($r[1], $chart->upper(), 1e-9);
            $ours = [];
            foreach ([RunsRule::Beyond, RunsRule::TwoOfThree, RunsRule::FourOfFive, RunsRule::OneSide] as $rule) {
                array_push($ours, -1.0, ...array_map(floatval(...), $chart->against($rule)));
            }
            self::assertSame($ours, \array_slice($r, 2));
        }
    }

    /** Where R's line, and the confidence band that R draws around it, reach the limit. */
    public function testProjectionsAgainstR(): void
    {
        mt_srand(43);
        $told = 0;
        for ($series = 0; $series < 12; ++$series) {
            $n = mt_rand(5, 25);
            $times = [];
            $values = [];
            $slope = mt_rand(-20, 20) / 1000;
            for ($i = 0; $i < $n; ++$i) {
                $times[] = 7.0 * $i + mt_rand(0, 40) / 10;
                $values[] = round($slope * $times[$i] + (mt_rand() / mt_getrandmax() - 0.5) * 0.4, 2);
            }
            $ours = Crossing::of($times, $values, 5.0);
            $r = $this->numbersOfR('t<-c('.implode(',', $times).');y<-c('.implode(',', $values).');m<-lm(y~t);b<-coef(m)[2];'
                .'p<-summary(m)$coefficients[2,4];cat(sprintf("%.15g\n",c(b,p)));l<-sign(b)*5;'
                .'if(p<0.05){g<-function(k)function(x)predict(m,data.frame(t=x),interval="confidence")[k]-l;'
                .'e<-range(-1e5,1e5);h<-(l-coef(m)[1])/b;cat(sprintf("%.15g\n",c(h,'
                .'sort(c(uniroot(g(2),sort(c(mean(t),mean(t)+1e6*sign(h-mean(t)))),tol=1e-9)$root,'
                .'uniroot(g(3),sort(c(mean(t),mean(t)+1e6*sign(h-mean(t)))),tol=1e-9)$root)))))}');
            if ($r[1] >= 0.05) {
                self::assertNull($ours, 'no direction that could not be chance');
                continue;
            }
            self::assertNotNull($ours);
            ++$told;
            self::assertEqualsWithDelta($r[0], $ours->slope, 1e-9);
            foreach ([$ours->at, $ours->from, $ours->to] as $place => $value) {
                self::assertEqualsWithDelta($r[$place + 2], $value, 1e-5 * (1 + abs($value)));
            }
        }
        self::assertGreaterThan(4, $told);
        self::assertNull(Crossing::of([1.0, 2.0, 3.0, 4.0], [0.1, 0.2, 0.3, 0.4], 1.0), 'four points tell no direction');
        self::assertNull(Crossing::of([1.0, 1.0, 1.0, 1.0, 1.0], [0.1, 0.2, 0.3, 0.4, 0.5], 1.0), 'all at one time');
    }

    /** @return list<float> */
    private static function random(int $count, float $creep): array
    {
        $values = [];
        for ($i = 0; $i < $count; ++$i) {
            $normal = sqrt(-2 * log(mt_rand(1, mt_getrandmax()) / mt_getrandmax())) * cos(2 * \M_PI * mt_rand() / mt_getrandmax());
            $values[] = round($creep * $i + 0.3 * $normal, 3);
        }

        return $values;
    }
}
