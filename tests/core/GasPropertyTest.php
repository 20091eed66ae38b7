<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\TestCase;

/** Random logs: what R makes of them, and what must stay the same whatever the response was. */
final class GasPropertyTest extends TestCase
{
    use PrintedByOthers;

    /** G-2 along the bracket, TWA, rolling fifteen minutes, peak, lowest and time above a limit, with gaps, against R. */
    public function testCorrectionAlongTheBracketAgainstR(): void
    {
        mt_srand(20261126);
        $cases = [];
        $script = '';
        foreach (range(1, 6) as $i) {
            $n = mt_rand(200, 900);
            $log = self::random($n, true);
            $zero = [mt_rand(-5, 5) / 10, mt_rand(-5, 5) / 10];
            $span = [mt_rand(920, 1080) / 10, mt_rand(920, 1080) / 10];
            $cases[] = [$log, $zero, $span];
            $script .= \sprintf(
                'r <- c(%s); n <- length(r); z <- c(%s); s <- c(%s); g <- (s - z)/100; u <- (0:(n-1))/n; '
                    .'x <- (r - (z[1] + (z[2]-z[1])*u))/(g[1] + (g[2]-g[1])*u);',
                implode(',', array_map(static fn (string $one): string => $one === '--' ? 'NA' : $one, $log)),
                implode(',', $zero),
                implode(',', $span),
            );
            $script .= 'w <- sapply(90:n, function(k) { v <- x[(k-89):k]; if (sum(!is.na(v)) < 67.5) NA else mean(v, na.rm=TRUE) });';
            $script .= 'cat(format(c(mean(x, na.rm=TRUE)*n/6/480, max(w, na.rm=TRUE), max(x, na.rm=TRUE), '
                .'sum(x > 30, na.rm=TRUE)/6), digits=17), sep="\n"); cat("\n");';
        }
        $numbers = $this->numbersOfR($script);
        self::assertCount(24, $numbers);
        foreach ($cases as $place => [$log, $zero, $span]) {
            $stop = (new \DateTimeImmutable('2026-03-02T08:00:00Z'))->modify(\sprintf('+%d seconds', 10 * \count($log)));
            $assessment = (new GasScene())->check('k1', '07:45', ['PID' => (string) $span[0]], zero: ['PID' => (string) $zero[0]])
                ->run('r', '08:00', $stop->format('Y-m-d\TH:i:s'), ['PID' => $log])
                ->check(
                    'k2',
                    '12:10',
                    ['PID' => (string) $span[1]],
                    zero: ['PID' => (string) $zero[1]],
                )->limit('peak-ppm:isobutylene', '30', 'ppm')->assess();
            foreach (['twa-ppm:isobutylene', 'stel-ppm:isobutylene', 'peak-ppm:isobutylene', 'above-l0:isobutylene'] as $k => $key) {
                $own = Scene::result($assessment, $key)->answers->between?->toFloat() ?? \NAN;
                self::assertEqualsWithDelta(
                    $numbers[4 * $place + $k],
                    $own,
                    1e-9 * max(1.0, abs($numbers[4 * $place + $k])),
                    "case $place, $key",
                );
            }
        }
    }

    /** A response put on a log and read at both ends is taken out again: every answer but the indicated one is the log as it was. */
    public function testAResponseAddedIsTakenOut(): void
    {
        mt_srand(7);
        foreach (range(1, 8) as $round) {
            $zero = mt_rand(-9, 9);
            $gain = mt_rand(80, 120);
            $true = self::random(360, false);
            // Whole numbers of thousandths, so that nothing is lost in writing.
            $read = array_map(static fn (string $one): string => number_format($zero / 10 + $gain / 100 * (float) $one, 3, '.', ''), $true);
            $end = ['PID' => number_format($zero / 10 + $gain, 3, '.', '')];
            $clean = ['PID' => number_format($zero / 10, 3, '.', '')];
            $plain = self::hour($true);
            $changed = (new GasScene())
                ->check('k1', '07:45', $end, zero: $clean)
                ->run('r', '08:00', '09:00', ['PID' => $read])
                ->check('k2', '12:10', $end, zero: $clean)
                ->assess();
            foreach ($plain->results as $place => $result) {
                foreach ([Answer::Pre, Answer::Post, Answer::Between] as $answer) {
                    self::assertEqualsWithDelta(
                        $result->answers->indicated?->toFloat(),
                        $changed->results[$place]->answer($answer)?->toFloat(),
                        1e-9,
                        "round $round, $result->key, $answer->value",
                    );
                }
            }
        }
    }

    /** Where the reading stood still, every answer lies between the lowest and the highest of the drift interval. */
    public function testEveryAnswerLiesInTheDriftInterval(): void
    {
        mt_srand(8);
        foreach (range(1, 8) as $round) {
            $assessment = (new GasScene())->check(
                'k1',
                '07:45',
                ['PID' => (string) mt_rand(90, 110)],
                zero: ['PID' => (string) (mt_rand(-9, 9) / 10)],
            )
                ->run('r', '08:00', '09:00', ['PID' => GasScene::steady((string) mt_rand(0, 60), 60)])
                ->check('k2', '12:10', ['PID' => (string) mt_rand(90, 110)], zero: ['PID' => (string) (mt_rand(-9, 9) / 10)])->assess();
            foreach ($assessment->results as $result) {
                foreach (array_filter([$result->answers->pre, $result->answers->post, $result->answers->between]) as $figure) {
                    self::assertGreaterThanOrEqual(
                        ($result->lowest()?->toFloat() ?? \INF) - 1e-9,
                        $figure->toFloat(),
                        "round $round, $result->key",
                    );
                    self::assertLessThanOrEqual(
                        ($result->highest()?->toFloat() ?? -\INF) + 1e-9,
                        $figure->toFloat(),
                        "round $round, $result->key",
                    );
                }
            }
        }
    }

    /**
     * FC-A1 and FC-A4: the mix in the log is taken out, and stands on the result with the number that it would be with it; a
     * person who leaves it in gets just that number.
     */
    public function testTestGasLeavesNoTraceAndIsNamed(): void
    {
        $quiet = ['O2' => '20.9', 'LEL' => '0', 'CO' => '3', 'H2S' => '0'];
        $day = static function (int $count, bool $left = false) use ($quiet): Assessment {
            $log = [];
            foreach ($quiet as $channel => $value) {
                $log[$channel] = array_map(
                    static fn (int $i): string => $i >= 600 && $i < 600 + $count ? GasScene::RIGHT[$channel] : $value,
                    range(0, 1439),
                );
            }

            return (new GasScene())
                ->check('k1', '07:45')
                ->run(
                    'r',
                    '08:00',
                    '12:00',
                    $log,
                    more: $left
                        ? [
                            'leftIn' => [[
                                'from' => Scene::moment('09:40'),
                                'to' => Scene::moment('09:42'),
                                'reason' => 'a leak',
                                'by' => 'T-1',
                            ]],
                        ]
                        : [],
                )
                ->check('k2', '12:10')
                ->assess();
        };
        $one = $day(0);
        $other = $day(12);
        $in = $day(12, true);
        self::assertSame(
            [Verdict::Valid, Verdict::Open, Verdict::Valid],
            [$one->channels()['CO'], $other->channels()['CO'], $in->channels()['CO']],
        );
        foreach (['stel-ppm:carbon-monoxide', 'peak-ppm:carbon-monoxide'] as $key) {
            self::assertSame(
                Scene::result($one, $key)->answers->indicated?->full(),
                Scene::result($other, $key)->answers->indicated?->full(),
                $key,
            );
        }
        self::assertSame(
            '1.475',
            Scene::result($other, 'twa-ppm:carbon-monoxide')->answers->indicated?->full(),
            'two minutes of gas and one on either side are not in it: 3 ppm for 236 of 480 min',
        );
        foreach ($other->results as $result) {
            if (str_starts_with($result->key, 'twa')) {
                $byRule = array_values(
                    array_filter($result->footing->altered, static fn (Altered $one): bool => $one->by->kind === AlterationKind::Rule),
                );
                self::assertCount(1, $byRule);
                self::assertSame(Scene::result($in, $result->key)->reportedFigure()->full(), $byRule[0]->otherwise?->full());
            }
        }
    }

    /** A single decimal on its limit: 0.1 to 0.4 ppm against 0.3 passes (binary floats say 0.30000000000000004). */
    public function testDecimalTrap(): void
    {
        $day = static fn (string $after): Assessment => (new GasScene())
            ->channel('H2S', ['kind' => 'other', 'gas' => 'ozone'])
            ->check('k1', '07:45', ['H2S' => '3'], zero: ['H2S' => '0.1'], more: ['reference' => 'OZ'])
            ->bottle('OZ', 'ozone', '3')
            ->run('r', '08:00', '09:00', [], [['channel' => 'H2S', 'mean' => '0.2']])
            ->check('k2', '12:10', ['H2S' => '3'], zero: ['H2S' => $after], more: ['reference' => 'OZ'])
            ->assess();
        foreach (['0.4' => true, '0.401' => false] as $after => $kept) {
            $assessment = $day($after);
            self::assertCount(
                $kept ? 0 : 1,
                array_filter($assessment->findings, static fn ($finding): bool => $finding->rule->id === 'gas.zero-drift'),
                $after,
            );
        }
    }

    /** @param list<string> $log */
    private static function hour(array $log): Assessment
    {
        return (new GasScene())->check('k1', '07:45')->run('r', '08:00', '09:00', ['PID' => $log])->check('k2', '12:10')->assess();
    }

    /** @return list<string> whole numbers of a wandering concentration, with holes where wanted */
    private static function random(int $n, bool $holes): array
    {
        $value = 20;
        $log = [];
        for ($i = 0; $i < $n; ++$i) {
            $value = max(0, min(60, $value + mt_rand(-3, 3)));
            $log[] = $holes && mt_rand(0, 40) === 0 ? '--' : (string) $value;
        }

        return $log;
    }
}
