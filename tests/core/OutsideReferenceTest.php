<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogClock;
use Footnote\Core\Noise\LevelHistogram;
use Footnote\Core\Noise\MovingSums;
use PHPUnit\Framework\TestCase;

/** Levels and doses of random logs against R, which is installed by bin/test. */
final class OutsideReferenceTest extends TestCase
{
    public function testLevelsAndDosesAgainstR(): void
    {
        mt_srand(20260302);
        for ($round = 0; $round < 3; ++$round) {
            $levels = [];
            for ($i = 0; $i < 3600; ++$i) {
                $levels[] = 100 * mt_rand(650, 1080);
            }
            $first = mt_rand(-5, 5) / 10;
            $last = mt_rand(-5, 5) / 10 + 0.7;
            $file = tempnam(sys_get_temp_dir(), 'levels');
            self::assertIsString($file);
            file_put_contents(
                $file,
                implode("\n", array_map(static fn (int $level): string => number_format($level / 1000, 1, '.', ''), $levels)),
            );
            $r = $this->r($file, $first, $last);
            unlink($file);

            $log = NoiseTablesTest::log($levels, 1.0);
            $ranges = [[0, 3600]];
            $histogram = LevelHistogram::of($log, 0, $ranges);
            self::assertEqualsWithDelta($r[0], $histogram->equivalentLevel(), 1e-9);
            $criteria = [
                NoiseTablesTest::criterion('90', '5', '90'),
                NoiseTablesTest::criterion('90', '5', '80'),
                NoiseTablesTest::criterion('85', '3', '80'),
            ];
            foreach ($criteria as $c => $criterion) {
                self::assertEqualsWithDelta($r[1 + $c], $histogram->dose($criterion, 1.0), 1e-8 * $r[1 + $c]);
                self::assertEqualsWithDelta($r[4 + $c], $histogram->dose($criterion, 1.0, $last), 1e-8 * $r[4 + $c]);
            }
            $scene = (new Scene())
                ->check('k1', '07:30', [number_format(114 + $first, 1, '.', '')])
                ->run('r', '08:00', '09:00')
                ->check('k2', '09:30', [number_format(114 + $last, 1, '.', '')])
                ->assess('r');
            $family = $scene->family;
            self::assertInstanceOf(\Footnote\Core\Noise\NoiseResults::class, $family);
            self::assertNotNull($family->response->line);
            $moving = MovingSums::of($log, 0, $ranges, new LogClock($log, $scene->run), $family->response->line, $criteria);
            self::assertEqualsWithDelta($r[7], $moving->equivalentLevel, 1e-8);
            foreach ($criteria as $c => $criterion) {
                self::assertEqualsWithDelta($r[8 + $c], $moving->doses[$criterion->id], 1e-7 * $r[8 + $c]);
            }
        }
    }

    /** @return list<float> */
    private function r(string $file, float $first, float $last): array
    {
        $script = <<<'R'
            a <- commandArgs(TRUE); L <- scan(a[1], quiet=TRUE); o1 <- as.numeric(a[2]); o2 <- as.numeric(a[3])
            dose <- function(L, lc, q, thr) sum(ifelse(round(L, 9) >= thr, 100/(8*3600) * 2^((L-lc)/q), 0))
            three <- function(L) c(dose(L, 90, 5, 90), dose(L, 90, 5, 80), dose(L, 85, 3, 80))
            leq <- function(L) 10*log10(mean(10^(L/10)))
            m <- L - (o1 + (o2-o1)*(seq_along(L)-1)/length(L))
            cat(format(c(leq(L), three(L), three(L - o2), leq(m), three(m)), digits=17), sep="\n")
            R;
        exec(
            \sprintf('Rscript --vanilla -e %s %s %s %s 2>&1', escapeshellarg($script), escapeshellarg($file), $first, $last),
            $output,
            $status,
        );
        self::assertSame(0, $status, implode("\n", $output));

        return array_map(floatval(...), $output);
    }

    /** An offset added to every level and then taken out gives the same levels and doses. */
    public function testOffsetAddedAndRemovedIsTheIdentity(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 20; ++$round) {
            $levels = array_map(static fn (): int => 100 * mt_rand(600, 1100), range(1, 500));
            $offset = mt_rand(-9, 9);
            $shifted = array_map(static fn (int $level): int => $level + 100 * $offset, $levels);
            $plain = LevelHistogram::of(NoiseTablesTest::log($levels, 1.0), 0, [[0, 500]]);
            $taken = LevelHistogram::of(NoiseTablesTest::log($shifted, 1.0), 0, [[0, 500]]);
            foreach ([['90', '5', '90'], ['90', '5', '80'], ['85', '3', null]] as $criterion) {
                $criterion = NoiseTablesTest::criterion(...$criterion);
                self::assertEqualsWithDelta($plain->dose($criterion, 1.0), $taken->dose($criterion, 1.0, $offset / 10), 1e-9);
            }
            self::assertEqualsWithDelta($plain->equivalentLevel(), $taken->equivalentLevel() - $offset / 10, 1e-9);
        }
    }

    /** The order of samples and a cut at any moment change no sum. */
    public function testOrderAndCutsDoNotMatter(): void
    {
        mt_srand(12);
        $levels = array_map(static fn (): int => 100 * mt_rand(600, 1100), range(1, 9000));
        $criterion = NoiseTablesTest::criterion('90', '5', '80');
        $whole = LevelHistogram::of(NoiseTablesTest::log($levels, 1.0), 0, [[0, 9000]])->dose($criterion, 1.0);
        foreach ([1, 4095, 4096, 4097, 8999] as $cut) {
            $log = NoiseTablesTest::log($levels, 1.0);
            self::assertEqualsWithDelta(
                $whole,
                LevelHistogram::of($log, 0, [[0, $cut]])->dose($criterion, 1.0)
                    + LevelHistogram::of($log, 0, [[$cut, 9000]])->dose($criterion, 1.0),
                1e-9,
            );
        }
        shuffle($levels);
        self::assertEqualsWithDelta(
            $whole,
            LevelHistogram::of(NoiseTablesTest::log($levels, 1.0), 0, [[0, 9000]])->dose($criterion, 1.0),
            1e-9,
        );
    }

    /** Dose falls as the offset that is taken out grows; a tipping point found by that lies on the limit. */
    public function testTippingPointLiesOnTheLimit(): void
    {
        $levels = array_map(static fn (): int => 100 * mt_rand(700, 1000), range(1, 7200));
        $assessment = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '16:30', ['114.2'])
            ->run('r', '08:00', '10:00', '90.0')
            ->assessLog('r', NoiseTablesTest::log($levels, 1.0));
        $outcome = Scene::result($assessment, 'dose:hc')->outcomes[0];
        self::assertNotNull($outcome->tipping->error);
        $criterion = NoiseTablesTest::criterion('90', '5', '80');
        $offset = $outcome->tipping->error->toFloat();
        $at = static fn (float $more): float => LevelHistogram::of(
            NoiseTablesTest::log($levels, 1.0),
            0,
            [[0, 7200]],
        )->dose($criterion, 1.0, $offset + $more);
        self::assertGreaterThanOrEqual(50.0, $at(-0.001));
        self::assertLessThanOrEqual(50.0, $at(0.001));
    }
}
