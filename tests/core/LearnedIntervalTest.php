<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Judgement\LearnedInterval;
use Footnote\Core\Judgement\TrendWatch;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Statistics\SteadyRate;
use PHPUnit\Framework\TestCase;

/** What a unit's checks teach of its intervals: against R, on ordinary days, and on those on which a longer interval would hurt. */
final class LearnedIntervalTest extends TestCase
{
    use PrintedByOthers;

    private const NOW = '2026-06-01T08:00:00+00:00';

    /** Rates, their exact limits and the chances by them, by another program (R: poisson.test, pexp). */
    public function testRatesAgainstR(): void
    {
        $cases = [[0, 35.0, 7.0], [0, 700.5, 30.0], [1, 212.0, 91.0], [3, 1000.0, 365.0], [17, 365.25, 1.5], [250, 4000.0, 10.0]];
        $script = '';
        foreach ($cases as [$count, $time, $ahead]) {
            $script .= \sprintf(
                'x<-c(%d/%s,poisson.test(%1$d,%2$s)$conf.int);cat(sprintf("%%.15g\n",c(pexp(%3$s,x),qexp(0.05,x[3]))),sep="");',
                $count,
                $time,
                $ahead,
            );
        }
        $expected = array_chunk($this->numbersOfR($script), 4);
        foreach ($cases as $place => [$count, $time, $ahead]) {
            $rate = SteadyRate::of($count, $time);
            foreach ([...$rate->chanceWithin($ahead), SteadyRate::within(0.05, $rate->high)] as $which => $ours) {
                self::assertEqualsWithDelta($expected[$place][$which], $ours, 1e-9 * (1 + $ours), "$count in $time: $which");
            }
        }
        self::assertInfinite(SteadyRate::within(0.05, 0.0), 'what never came is not said to come');
    }

    /**
     * @param list<array{float|null, float|null}> $checks as found and as left, one each so many days up to the day before now
     *
     * @return list<string>
     */
    private static function told(array $checks, int $every, ?string $due): array
    {
        $now = new \DateTimeImmutable(self::NOW);
        $points = [];
        $left = null;
        foreach ($checks as $place => [$found, $after]) {
            $points[] = new HistoryPoint(
                $now->modify(\sprintf('-%d days', 1 + $every * (\count($checks) - 1 - $place))),
                'k'.$place,
                $found,
                $after,
                $found === null || $left === null ? null : $found - $left,
                $found === null || $after === null || $after === $found ? null : $after - $found,
            );
            $left = $after;
        }
        $history = new UnitHistory($points, LevelUnit::Decibel, LevelUnit::Decibel, 'off by');
        $bench = new AcousticBench();
        $policy = Scene::policy('standard');
        $limit = $bench->actionLimit($policy);
        self::assertNotNull($limit);
        self::assertSame('0.5', $limit->value->written);
        $watch = TrendWatch::of($history, $bench->sharedShift(), $limit, $policy, [], $now);

        return LearnedInterval::of($watch, $limit)->words(
            $due === null ? [] : [['laboratory calibration', new \DateTimeImmutable($due)]],
            $now,
        );
    }

    /**
     * @param list<float> $values
     *
     * @return list<array{float, float}>
     */
    private static function leftAsFound(array $values): array
    {
        return array_map(static fn (float $one): array => [$one, $one], $values);
    }

    /** Five checks on five days teach nothing of a year: the upper limit says so. */
    public function testFewDaysSpeakForNothing(): void
    {
        $told = self::told(self::leftAsFound([0.0, 0.1, 0.0, 0.1, 0.0, 0.1]), 1, '2027-01-01T23:59:59+00:00');
        self::assertSame('Found off by more than 0.5 dB at 0 of 5 checks, in 5.0 days in service.', $told[0]);
        self::assertSame(
            'Of how it will be by 1 Jan 2027, when its laboratory calibration falls due, these checks say nothing: that is too far ahead.',
            $told[1],
        );
        $month = self::told(self::leftAsFound([0.0, 0.1, 0.0, 0.1, 0.0, 0.1]), 14, '2026-07-01T23:59:59+00:00');
        self::assertStringContainsString(' is at most 82 % (95 % confidence)', $month[1]);
        self::assertStringEndsWith('these checks speak for no other interval.', $month[1]);
        $few = self::told(self::leftAsFound([0.0, 0.1, 0.0, 0.1, 0.0]), 1, '2027-01-01T23:59:59+00:00');
        self::assertSame([
            'What interval it needs is learned from 5 checks on that follow one which left it within 0.5 dB; so far there are 4.',
        ], $few);
    }

    /** 103 weeks and never out: a week may be ten days. R: qexp(0.05, poisson.test(0, 721)$conf.int[2]) = 10.03 days. */
    public function testALongerIntervalIsOnlyAdvised(): void
    {
        $values = [];
        for ($week = 0; $week <= 103; ++$week) {
            $values[] = [0.0, 0.1, 0.0, 0.0, 0.1][$week % 5];
        }
        $told = self::told(self::leftAsFound($values), 7, '2026-06-05T23:59:59+00:00');
        self::assertStringContainsString('up to 10 days would keep to it. The manual stands above that.', $told[1]);
    }

    /** It was never out yet, and goes out along a line: that no check found it out says nothing. */
    public function testWhatCreepsIsAdvisedNoLongerInterval(): void
    {
        $creep = [];
        for ($week = 0; $week <= 150; ++$week) {
            $creep[] = 0.0028 * $week + ($week % 2 === 0 ? 0.01 : -0.01);
        }
        $soon = self::told(self::leftAsFound($creep), 7, '2026-06-05T23:59:59+00:00')[1];
        self::assertStringContainsString('But it creeps, which no rate tells: no longer interval is advised.', $soon);
        $late = self::told(self::leftAsFound($creep), 7, '2027-06-05T23:59:59+00:00')[1];
        self::assertStringContainsString('by its own line it may be out before then: a shorter interval is advised.', $late);
    }

    /**
     * Out at every third monthly check and set right each time: three months are too long, 4.6 days keep to 5 in 100
     * (−ln 0.95 · 720 ⁄ 8).
     */
    public function testAShorterIntervalIsAdvised(): void
    {
        $checks = [];
        for ($month = 0; $month <= 24; ++$month) {
            $checks[] = $month % 3 === 2 ? [0.7, 0.0] : [0.1, 0.1];
        }
        $told = self::told($checks, 30, '2026-09-01T23:59:59+00:00');
        self::assertSame('Found off by more than 0.5 dB at 8 of 24 checks, in 720 days in service.', $told[0]);
        self::assertStringContainsString('a shorter interval is advised, by these checks about 4.6 days.', $told[1]);
    }

    /**
     * Out at each of six yearly checks: counted over time that is a chance of 63 in 100 for a year, which nobody would believe of it. The
     * share of the checks (R: binom.test(6, 6)) lies between 54 and 100.
     */
    public function testWhatIsOutNearlyEachTimeIsSaidToBeOutMoreOften(): void
    {
        $told = self::told([[0.0, 0.0], ...array_fill(0, 6, [0.9, 0.0])], 365, '2027-05-31T23:59:59+00:00');
        self::assertSame('Found off by more than 0.5 dB at 6 of 6 checks, in 2190 days in service.', $told[0]);
        self::assertStringContainsString('at least so often, and the chance may be larger than is told here.', $told[1]);
        self::assertStringContainsString(' is 63 % (95 % confidence: 30 % to 89 %).', $told[2]);
    }

    /** A unit that was left too far off is out already; how long it stays so says nothing of how often it goes out. */
    public function testLeftOutIsOutAlready(): void
    {
        $checks = [[0.0, 0.0], [0.1, 0.1], [0.0, 0.0], [0.1, 0.1], [0.1, 0.1], [0.8, 0.8], [0.9, 0.9], [0.8, 0.8]];
        $told = self::told($checks, 10, '2026-09-01T23:59:59+00:00');
        self::assertSame([
            'Found off by more than 0.5 dB at 1 of 5 checks, in 50 days in service.',
            'It was left too far off at its last check: it is out already.',
        ], $told);
    }

    /** Exactly at the limit is within it. */
    public function testTheLimitItselfIsWithinIt(): void
    {
        $atLimit = self::told(self::leftAsFound([0.5, -0.5, 0.5, -0.5, 0.5, -0.5]), 10, null);
        self::assertSame('Found off by more than 0.5 dB at 0 of 5 checks, in 50 days in service.', $atLimit[0]);
    }
}
