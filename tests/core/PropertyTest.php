<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\SteadyStretches;
use Footnote\Core\Noise\LevelHistogram;
use Footnote\Core\Noise\MovingSums;
use Footnote\Core\Noise\NoiseResults;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Record\AssessmentWriter;
use PHPUnit\Framework\TestCase;

/** What must hold whatever comes: quick ways against plain ones, and order that does not matter. */
final class PropertyTest extends TestCase
{
    /** The running window finds exactly the stretches that trying every window finds. */
    public function testSteadyStretchesAgainstTryingEveryWindow(): void
    {
        mt_srand(41);
        for ($round = 0; $round < 60; ++$round) {
            $levels = [];
            for ($i = 0; $i < 300; ++$i) {
                $levels[] = match (true) {
                    mt_rand(0, 60) === 0 => SeriesLog::GAP,
                    intdiv($i, 40) % 2 === 0 => 114000 + mt_rand(-250, 250),
                    default => mt_rand(60000, 116000),
                };
            }
            $window = mt_rand(3, 12);
            $spread = mt_rand(50, 250);
            $near = 1000;
            $nominal = $round % 2 === 0 ? [114000, 94000] : null;
            $finder = new SteadyStretches($window, $spread, false, $nominal, $near);
            foreach (array_chunk($levels, mt_rand(1, 97)) as $chunk) {
                $finder->feed($chunk);
            }
            self::assertSame(self::byTrying($levels, $window, $spread, $nominal, $near), $finder->stretches(), "round $round");
        }
    }

    /**
     * @param list<int>      $levels
     * @param list<int>|null $nominal
     *
     * @return list<array{int, int}>
     */
    private static function byTrying(array $levels, int $window, int $spread, ?array $nominal, int $near): array
    {
        $inside = array_fill(0, \count($levels), false);
        for ($from = 0; $from + $window <= \count($levels); ++$from) {
            $some = \array_slice($levels, $from, $window);
            if (\in_array(SeriesLog::GAP, $some, true)) {
                continue;
            }
            foreach ($some as $level) {
                if ($nominal !== null && array_filter($nominal, static fn (int $one): bool => abs($one - $level) <= $near) === []) {
                    continue 2;
                }
            }
            $mean = array_sum($some) / $window;
            $variance = array_sum(array_map(static fn (int $level): float => ($level - $mean) ** 2, $some)) / ($window - 1);
            if ($variance <= $spread ** 2 + 1e-6) {
                for ($i = $from; $i < $from + $window; ++$i) {
                    $inside[$i] = true;
                }
            }
        }
        $stretches = [];
        foreach ($inside as $i => $is) {
            $last = \count($stretches) - 1;
            if ($is && $last >= 0 && $stretches[$last][1] === $i) {
                $stretches[$last] = [$stretches[$last][0], $i + 1];
            } elseif ($is) {
                $stretches[] = [$i, $i + 1];
            }
        }

        return $stretches;
    }

    /** One range less others, against counting every place. */
    public function testRangesAgainstCountingPlaces(): void
    {
        mt_srand(42);
        for ($round = 0; $round < 300; ++$round) {
            $whole = [mt_rand(0, 20), mt_rand(20, 60)];
            $out = [];
            for ($i = mt_rand(0, 5); $i > 0; --$i) {
                $from = mt_rand(0, 60);
                $out[] = [$from, $from + mt_rand(0, 15)];
            }
            $places = [];
            for ($place = $whole[0]; $place < $whole[1]; ++$place) {
                if (array_filter($out, static fn (array $range): bool => $range[0] <= $place && $place < $range[1]) === []) {
                    $places[] = $place;
                }
            }
            $left = LogRanges::less($whole, $out);
            $counted = [];
            foreach ($left as [$from, $to]) {
                self::assertLessThan($to, $from, 'no range is empty');
                array_push($counted, ...range($from, $to - 1));
            }
            self::assertSame($places, $counted);
        }
    }

    /** Sums with a moving offset over a log with holes, against a plain loop over its samples. */
    public function testMovingSumsOverHolesAgainstAPlainLoop(): void
    {
        mt_srand(43);
        $criteria = [
            NoiseTablesTest::criterion('90', '5', '90'),
            NoiseTablesTest::criterion('90', '5', '80'),
            NoiseTablesTest::criterion('85', '3', null),
        ];
        for ($round = 0; $round < 4; ++$round) {
            $levels = array_map(static fn (): int => mt_rand(0, 50) === 0 ? SeriesLog::GAP : 100 * mt_rand(700, 1050), range(1, 9000));
            $log = NoiseTablesTest::log($levels, 1.0);
            $scene = (new Scene())
                ->check('k1', '07:30', ['113.8'])
                ->run('r', '08:00', '10:30')
                ->check('m', '09:00', ['114.3'], ['113.9'])
                ->check('k2', '11:00', ['114.4'])
                ->assess('r');
            $family = $scene->family;
            self::assertInstanceOf(NoiseResults::class, $family);
            $line = $family->response->line;
            self::assertNotNull($line);
            $clock = new LogClock($log, $scene->run);
            $ranges = LogRanges::less([mt_rand(0, 100), 8990], [[500, 700], [4090, 4100], [8000, 8001]]);
            $energy = 0.0;
            $count = 0;
            $doses = array_fill(0, 3, 0.0);
            $highest = -\INF;
            foreach ($ranges as [$from, $to]) {
                for ($i = $from; $i < $to; ++$i) {
                    if ($levels[$i] === SeriesLog::GAP) {
                        continue;
                    }
                    $true = $levels[$i] / 1000 - $line->at($clock->at($i));
                    $energy += 10 ** ($true / 10);
                    ++$count;
                    $highest = max($highest, $true);
                    foreach ($criteria as $c => $criterion) {
                        if ($criterion->threshold === null || $true >= $criterion->threshold->value->toFloat() - 1e-7) {
                            $doses[$c] += 100 / 28800 * 2 ** (($true - $criterion->l()) / $criterion->q());
                        }
                    }
                }
            }
            $sums = MovingSums::of($log, 0, $ranges, $clock, $line, $criteria);
            self::assertEqualsWithDelta(10 * log10($energy / $count), $sums->equivalentLevel, 1e-9);
            foreach ($criteria as $c => $criterion) {
                self::assertEqualsWithDelta($doses[$c], $sums->doses[$criterion->id], 1e-9 * $doses[$c]);
            }
            $histogram = LevelHistogram::of($log, 0, $ranges);
            self::assertSame($count, $histogram->samples);
            self::assertEqualsWithDelta($highest, MovingSums::highest($log, 0, $histogram->highest() ?? 0, $ranges, $clock, $line), 1e-9);
        }
    }

    /** In whatever order evidence is written down, the same assessment comes out, to the letter. */
    public function testTheOrderOfEvidenceDoesNotMatter(): void
    {
        $scene = static fn (): Scene => (new Scene())
            ->check('a', '07:30', ['114.0', '114.1'])
            ->check('b', '11:30', ['113.9'])
            ->check('c', '12:00', ['113.9'], ['114.0'])
            ->check('d', '16:30', ['114.2'])
            ->check('e', '17:00', ['114.9'], ['114.0'])
            ->intervention('i', '18:00', 'repaired')
            ->run('r1', '08:00', '11:00', '88.2')
            ->run('r2', '12:30', '16:00', '90.1');
        $written = static fn (Scene $one, string $run): string => json_encode(
            (new AssessmentWriter())->write($one->assess($run)),
            \JSON_THROW_ON_ERROR,
        );
        mt_srand(44);
        foreach (['r1', 'r2'] as $run) {
            $expected = $written($scene(), $run);
            for ($round = 0; $round < 8; ++$round) {
                $shuffled = $scene();
                foreach (['checks', 'runs', 'references'] as $list) {
                    $items = $shuffled->record[$list];
                    self::assertIsArray($items);
                    shuffle($items);
                    $shuffled->record[$list] = $items;
                }
                self::assertSame($expected, $written($shuffled, $run));
            }
        }
    }

    /** A common error of the calibrator leaves the drift alone and moves the level by itself. */
    public function testACommonErrorOfTheCalibratorLeavesTheDriftAlone(): void
    {
        $assess = static function (string $certified): \Footnote\Core\Judgement\Assessment {
            $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.3']);
            $scene->record['references'] = [Scene::calibrator('A', $certified, '0.2')];

            return $scene->assess('r');
        };
        $right = $assess('114.0');
        $wrong = $assess('114.3');
        self::assertEquals($right->largestDrift()?->value, $wrong->largestDrift()?->value);
        foreach (['pre', 'post', 'between'] as $answer) {
            $value = static fn (
                \Footnote\Core\Judgement\Assessment $one,
            ): float => Scene::result($one, 'laeq')->answers->{$answer}?->toFloat() ?? \NAN;
            self::assertEqualsWithDelta(
                $value($right) + 0.3,
                $value($wrong),
                1e-9,
                $answer.': the calibrator is truly 0.3 higher, so is the level',
            );
        }
        self::assertSame(
            Scene::result($right, 'laeq')->answers->indicated?->full(),
            Scene::result($wrong, 'laeq')->answers->indicated?->full(),
            'as indicated stays as indicated',
        );
    }

    /** Fractions add up exactly where binary numbers do not. */
    public function testFractionsAreExact(): void
    {
        mt_srand(45);
        for ($round = 0; $round < 200; ++$round) {
            $a = Exact::of(mt_rand(-9999, 9999))->dividedBy(mt_rand(1, 99));
            $b = Exact::of(mt_rand(-9999, 9999))->dividedBy(mt_rand(1, 99));
            self::assertSame(0, $a->plus($b)->minus($b)->compareTo($a));
            self::assertSame(0, Exact::mean([$a, $b])->compareTo(Exact::mean([$b, $a])));
            self::assertSame(0, $a->negated()->absolute()->compareTo($a->absolute()));
            self::assertSame($a->compareTo($b), -$b->compareTo($a));
            if (!$b->isZero()) {
                self::assertSame(0, $a->dividedBy($b)->times($b)->compareTo($a));
            }
        }
    }
}
