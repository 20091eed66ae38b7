<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyChoice;
use Footnote\Core\Judgement\TrendWatch;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Noise\LevelUnit;
use PHPUnit\Framework\TestCase;

/** How a unit goes on: what an ordinary unit does is nothing, what a failing one does is said before it is used. */
final class TrendWatchTest extends TestCase
{
    private const NOW = '2026-06-01T08:00:00+00:00';

    /**
     * One check a week up to the day before now.
     *
     * @param list<array{string, 1?: string}> $checks as found, and as left where it was adjusted
     * @param array<int, string>              $events kinds of what was done before a check, by its place
     */
    private static function watched(array $checks, array $events = [], string $choice = ''): TrendWatch
    {
        $scene = new Scene();
        $first = new \DateTimeImmutable(self::NOW.' -1 day -'.(7 * (\count($checks) - 1)).' days');
        foreach ($checks as $place => $check) {
            $at = $first->modify('+'.(7 * $place).' days');
            if (isset($events[$place])) {
                $scene->intervention('i'.$place, $at->modify('-1 day')->format('Y-m-d\TH:i:s'), $events[$place]);
            }
            $scene->check('k'.$place, $at->format('Y-m-d\TH:i:s'), [$check[0]], isset($check[1]) ? [$check[1]] : []);
        }
        $campaign = $scene->read();
        $timeline = $campaign->timelines['D'];
        $bench = new AcousticBench();
        $now = new \DateTimeImmutable(self::NOW);
        $policy = Scene::policy('standard');
        $asked = new Policy($policy->id, $policy->name, $policy->version, '', $policy->reported, $policy->rules, [
            ...$policy->choices,
            ...($choice === '' ? [] : [PolicyChoice::Trends->value => $choice]),
        ]);

        return TrendWatch::of(
            $bench->history($timeline, $now),
            $bench->sharedShift(),
            $bench->actionLimit($asked),
            $asked,
            $timeline->interventions(),
            $now,
        );
    }

    /**
     * @param list<string> $found
     *
     * @return list<array{string}>
     */
    private static function found(array $found): array
    {
        return array_map(static fn (string $one): array => [$one], $found);
    }

    public function testAnOrdinaryUnitIsOrdinary(): void
    {
        $watch = self::watched(self::found([
            '114.0', '114.1', '114.0', '114.0', '114.2', '114.1', '114.0', '114.1', '114.1', '114.0', '114.1', '114.0',
        ]));
        self::assertNotNull($watch->chart);
        self::assertSame([], $watch->signals);
        self::assertSame([], $watch->now);
        self::assertCount(1, $watch->words);
        self::assertStringStartsWith('By 12 checks it was found off by', $watch->words[0]);
    }

    /** One that stood still for months and then shows one digit more is as ordinary; so is one that never moved. */
    public function testADigitIsNothing(): void
    {
        self::assertSame([], self::watched(self::found([...array_fill(0, 20, '114.0'), '114.1']))->now);
        self::assertSame([], self::watched(self::found(array_fill(0, 20, '114.0')))->signals);
    }

    /** A unit that is adjusted at each check by what it drifted is no worse for it: the adjustments are told. */
    public function testAnAdjustmentIsNoJump(): void
    {
        $watch = self::watched([
            ['114.3', '114.0'], ['114.2', '114.0'], ['114.3', '114.0'], ['114.2', '114.0'], ['114.3', '114.0'],
            ['114.2', '114.0'], ['114.3', '114.0'], ['114.2', '114.0'], ['114.3', '114.0'], ['114.2', '114.0'],
        ]);
        self::assertSame([], $watch->signals);
        self::assertSame('Adjusted 10 times, by −2.50 dB in all.', $watch->words[1]);
    }

    public function testAJumpIsSaidBeforeItIsUsed(): void
    {
        $steady = ['114.0', '114.1', '114.0', '114.0', '114.1', '114.1', '114.0', '114.1', '114.1', '114.0'];
        $watch = self::watched(self::found([...$steady, '114.9']));
        self::assertSame(['k10'], array_map(static fn ($one): string => $one->at->check, $watch->signals));
        self::assertStringContainsString('At k10, 31 May 2026, it was found off by +0.90 dB: more than is ordinary', $watch->now[0]);
        // A jump of before is told, and stops nobody today.
        $after = self::watched(self::found([...$steady, '114.9', '114.0', '114.1']));
        self::assertCount(1, $after->signals);
        self::assertSame([], $after->now);
    }

    /** It creeps by 0.04 dB a week from 0.0: at 0.4 dB today it is off by 0.5 dB within some weeks, and that is said before it is used. */
    public function testACreepIsProjected(): void
    {
        $creep = [];
        for ($week = 0; $week <= 10; ++$week) {
            $creep[] = \sprintf('%.2f', 114 + 0.04 * $week + ($week % 2 === 0 ? 0.01 : -0.01));
        }
        $watch = self::watched(self::found($creep));
        self::assertMatchesRegularExpression(
            '/^It goes on by \+0\.17 dB in 30 days since it was last adjusted: off by 0\.5 dB about 1[5-9] Jun 2026, '
                .'with 95 % confidence between \d+ Jun 2026 and \d+ Jun 2026\.$/',
            $watch->now[\count($watch->now) - 1] ?? '',
        );
        // Adjusted at the last check it begins anew, and nothing is known of when.
        $adjusted = array_map(static fn (string $one): array => [$one], $creep);
        $adjusted[10][] = '114.00';
        self::assertSame([], self::watched($adjusted)->now);
        // A creep of less than anybody could tell apart is no direction.
        self::assertSame([], self::watched(self::found(['114.00', '114.01', '114.02', '114.03', '114.04', '114.05', '114.06']))->now);
    }

    public function testARepairBeginsAnew(): void
    {
        $watch = self::watched(
            self::found(['114.0', '114.1', '114.0', '114.0', '114.1', '114.1', '114.0', '114.1', '114.1', '114.0', '112.0', '112.1']),
            [10 => 'repaired'],
        );
        self::assertNull($watch->chart);
        self::assertSame(['k11'], array_map(static fn (array $one): string => $one[0]->check, $watch->series->points));
        self::assertSame(
            'It was last changed before k10, 24 May 2026: found −2.00 dB from how it had been left (repaired). '
                .'Its history begins anew there.',
            $watch->words[0],
        );
        self::assertStringContainsString('since it was last changed there is 1', $watch->words[1]);
    }

    /** Eight in a row on one side are out of the ordinary where the policy looks at them. */
    public function testThePolicySaysWhatIsOut(): void
    {
        $level = 114.0;
        $found = ['114.0'];
        foreach ([...array_fill(0, 10, -0.2), ...array_fill(0, 9, 0.2)] as $place => $drift) {
            $level += $drift + ($place % 2 === 0 ? 0.02 : -0.02);
            $found[] = \sprintf('%.2f', $level);
        }
        $rules = static fn (string $choice): array => array_values(array_unique(array_map(
            static fn ($one): string => $one->rule->value,
            self::watched(self::found($found), [], $choice)->signals,
        )));
        self::assertContains('one side', $rules(''));
        self::assertNotContains('one side', $rules(PolicyChoice::LIMITS_ALONE));
        self::assertContains('four of five', $rules(PolicyChoice::EVERY_RUN));
    }

    /** Of three hundred ordinary units hardly one is called out; of those that jumped by six tenths at the last check, each is. */
    public function testFewOrdinaryUnitsAreCalledOut(): void
    {
        mt_srand(47);
        $policy = Scene::policy('standard');
        $bench = new AcousticBench();
        $now = new \DateTimeImmutable(self::NOW);
        $called = ['ordinary' => 0, 'jumped' => 0];
        for ($unit = 0; $unit < 300; ++$unit) {
            $found = array_map(static fn (): float => self::tenths(0.08), range(1, 24));
            foreach (['ordinary' => $found, 'jumped' => [...$found, $found[23] + 0.6]] as $kind => $levels) {
                $points = [];
                foreach ($levels as $week => $level) {
                    $before = $levels[$week - 1] ?? null;
                    $points[] = new HistoryPoint(
                        $now->modify(\sprintf('-%d days', 7 * (30 - $week))),
                        'k'.$week,
                        $level,
                        $level,
                        $before === null ? null : $level - $before,
                        null,
                    );
                }
                $history = new UnitHistory($points, LevelUnit::Decibel, LevelUnit::Decibel, 'off by');
                $watch = TrendWatch::of($history, $bench->sharedShift(), $bench->actionLimit($policy), $policy, [], $now);
                $called[$kind] += $watch->now === [] ? 0 : 1;
            }
        }
        self::assertLessThan(6, $called['ordinary']);
        self::assertGreaterThan(296, $called['jumped']);
    }

    private static function tenths(float $sigma): float
    {
        $normal = sqrt(-2 * log(mt_rand(1, mt_getrandmax()) / mt_getrandmax())) * cos(2 * \M_PI * mt_rand() / mt_getrandmax());

        return round($sigma * $normal, 1);
    }
}
