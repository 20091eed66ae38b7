<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\LevelColumn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every limit in which the shipped policies differ, on both sides of its line under each of them: the last value that is
 * kept, and the first that is not. What each policy makes of it stands beside.
 */
final class EveryPolicyTest extends TestCase
{
    private const POLICIES = ['standard', 'cautious', 'survey'];

    /**
     * Rule, the day that it is about, and under each policy the value that is kept, the one that is not, and its weight.
     *
     * @return iterable<string, array{string, \Closure(string, string): Assessment, list<array{string, string, Severity}>}>
     */
    public static function limits(): iterable
    {
        $note = Severity::Note;
        $qualified = Severity::Qualified;
        $void = Severity::Void;
        yield 'age of the check before, min' => [
            'bracket.pre-check-old',
            self::aged(...),
            [['1440', '1441', $qualified], ['1440', '1441', $void], ['10080', '10081', $qualified]],
        ];
        yield 'drift of a microphone, dB' => [
            'noise.drift',
            self::drifted(...),
            [['113.5', '113.4', $void], ['113.5', '113.4', $void], ['113.0', '112.9', $void]],
        ];
        yield 'found far off, dB' => [
            'noise.as-found-large',
            self::foundOff(...),
            [['115.0', '115.1', $note], ['114.5', '114.6', $note], ['115.5', '115.6', $note]],
        ];
        yield 'adjustments added up, dB' => [
            'noise.cumulative-adjustment',
            self::foundOff(...),
            [['115.5', '115.6', $note], ['115.0', '115.1', $note], ['116.0', '116.1', $note]],
        ];
        yield 'left off the level, dB' => [
            'noise.left-off',
            self::leftOff(...),
            [['114.5', '114.6', $qualified], ['114.3', '114.4', $qualified], ['115.0', '115.1', $qualified]],
        ];
        yield 'left far off the level, dB' => [
            'noise.left-off-large',
            self::leftOff(...),
            [['115.5', '115.6', $void], ['115.0', '115.1', $void], ['117.0', '117.1', $void]],
        ];
        yield 'share of the plan, %' => [
            'run.short',
            self::ran(...),
            [['75', '74.9', $qualified], ['90', '89.9', $qualified], ['50', '49.9', $qualified]],
        ];
        yield 'share of the day not sampled, %' => [
            'run.unsampled',
            self::sampled(...),
            [['10', '10.1', $qualified], ['5', '5.1', $qualified], ['25', '25.1', $qualified]],
        ];
        yield 'missing in a log of levels, seconds of 2000' => [
            'noise.gap',
            self::levelsMissing(...),
            [['20', '21', $note], ['10', '11', $note], ['40', '41', $note]],
        ];
        yield 'much missing in a log of levels, seconds of 2000' => [
            'noise.gap-large',
            self::levelsMissing(...),
            [['100', '101', $qualified], ['40', '41', $qualified], ['200', '201', $qualified]],
        ];
        yield 'clock off, s' => ['clock.offset', self::clockOff(...), [['60', '61', $note], ['30', '31', $note], ['120', '121', $note]]];
        yield 'clock doubtful, s' => [
            'clock.doubtful',
            self::clockOff(...),
            [['300', '301', $qualified], ['120', '121', $qualified], ['600', '601', $qualified]],
        ];
        yield 'start of a meter, s apart' => [
            'noise.start-unmatched',
            self::startedApart(...),
            [['60', '61', $qualified], ['30', '31', $qualified], ['120', '121', $qualified]],
        ];
        yield 'replicates of a flow, spread %' => [
            'flow.replicates',
            self::spread(...),
            [['2', '2.2', $qualified], ['1', '1.2', $qualified], ['5', '5.2', $qualified]],
        ];
        yield 'change of flow, L/min from 2' => [
            'flow.change',
            self::flowEnds(...),
            [['1.900', '1.899', $void], ['1.900', '1.899', $void], ['1.900', '1.899', $qualified]],
        ];
        yield 'off the design flow, L/min from 2' => [
            'flow.design',
            self::flowed(...),
            [['2.1', '2.11', $qualified], ['2.1', '2.11', $qualified], ['2.2', '2.21', $qualified]],
        ];
        yield 'far off the design flow, L/min from 2' => [
            'flow.design-large',
            self::flowed(...),
            [['2.2', '2.21', $void], ['2.2', '2.21', $void], ['2.3', '2.31', $void]],
        ];
        yield 'blank, µg beside 100' => [
            'lab.blank-high',
            self::blank(...),
            [['10', '10.1', $note], ['5', '5.1', $note], ['20', '20.1', $note]],
        ];
        yield 'carbon monoxide, span after 50' => [
            'gas.span-drift',
            self::spanned('CO'),
            [['45', '44.9', $void], ['47.5', '47.4', $void], ['42.5', '42.4', $void]],
        ];
        yield 'hydrogen sulphide, span after 25' => [
            'gas.span-drift',
            self::spanned('H2S'),
            [['22.5', '22.4', $void], ['23.75', '23.7', $void], ['21.25', '21.2', $void]],
        ];
        yield 'flammable gas, span after 50' => [
            'gas.span-drift',
            self::spanned('LEL'),
            [['45', '44.9', $void], ['47.5', '47.4', $void], ['42.5', '42.4', $void]],
        ];
        yield 'oxygen, span after 18' => [
            'gas.span-drift',
            self::spanned('O2'),
            [['17.5', '17.4', $void], ['17.75', '17.7', $void], ['17.25', '17.2', $void]],
        ];
        yield 'a photoionisation detector, span after 100' => [
            'gas.span-drift',
            self::spanned('PID'),
            [['90', '89.9', $void], ['95', '94.9', $void], ['85', '84.9', $void]],
        ];
        yield 'carbon monoxide, zero after' => [
            'gas.zero-drift',
            self::zeroed('CO'),
            [['5', '5.1', $void], ['2.5', '2.6', $void], ['7.5', '7.6', $void]],
        ];
        yield 'hydrogen sulphide, zero after' => [
            'gas.zero-drift',
            self::zeroed('H2S'),
            [['2.5', '2.6', $void], ['1.25', '1.3', $void], ['3.75', '3.8', $void]],
        ];
        yield 'oxygen in clean air after' => [
            'gas.zero-drift',
            self::zeroed('O2'),
            [['21.4', '21.5', $void], ['21.15', '21.2', $void], ['21.65', '21.7', $void]],
        ];
        yield 'carbon monoxide left at, label 50' => [
            'gas.read-back',
            self::leftAt('CO'),
            [['52', '52.1', $qualified], ['51', '51.1', $qualified], ['52', '52.1', $qualified]],
        ];
        yield 'hydrogen sulphide left at, label 25' => [
            'gas.read-back',
            self::leftAt('H2S'),
            [['27', '27.1', $qualified], ['26', '26.1', $qualified], ['27', '27.1', $qualified]],
        ];
        yield 'flammable gas left at, label 50' => [
            'gas.read-back',
            self::leftAt('LEL'),
            [['52', '52.1', $qualified], ['51', '51.1', $qualified], ['52', '52.1', $qualified]],
        ];
        yield 'oxygen left at, label 18' => [
            'gas.read-back',
            self::leftAt('O2'),
            [['18.5', '18.6', $qualified], ['18.36', '18.4', $qualified], ['18.5', '18.6', $qualified]],
        ];
        yield 'a photoionisation detector left at, label 100' => [
            'gas.read-back',
            self::leftAt('PID'),
            [['105', '105.1', $qualified], ['103', '103.1', $qualified], ['110', '110.1', $qualified]],
        ];
        yield 'readings missing of 1000' => [
            'gas.gap',
            self::readingsMissing(...),
            [['10', '11', $note], ['5', '6', $note], ['20', '21', $note]],
        ];
        yield 'many readings missing of 1000' => [
            'gas.gap-large',
            self::readingsMissing(...),
            [['50', '51', $qualified], ['20', '21', $qualified], ['100', '101', $qualified]],
        ];
        yield 'flow of a counter after, L/min from 2' => [
            'particle.flow',
            self::counted(...),
            [['1.90', '1.899', $void], ['1.96', '1.959', $void], ['1.80', '1.799', $void]],
        ];
        yield 'flow of a counter, nominal 2' => [
            'particle.flow-nominal',
            self::counterAt(...),
            [['1.90', '1.899', $qualified], ['1.96', '1.959', $qualified], ['1.80', '1.799', $qualified]],
        ];
        yield 'counts missing of 200' => [
            'particle.gap',
            self::countsMissing(...),
            [['10', '11', $qualified], ['4', '5', $qualified], ['20', '21', $qualified]],
        ];
    }

    /**
     * @param \Closure(string, string): Assessment      $day
     * @param list<array{string, string, Severity}> $lines
     */
    #[DataProvider('limits')]
    public function testALimitIsKeptUpToItsLineUnderEachPolicy(string $rule, \Closure $day, array $lines): void
    {
        foreach (self::POLICIES as $place => $policy) {
            [$kept, $beyond, $severity] = $lines[$place];
            self::assertNull(self::found($day($kept, $policy), $rule), "$policy keeps $kept");
            $finding = self::found($day($beyond, $policy), $rule);
            self::assertNotNull($finding, "$policy does not keep $beyond");
            self::assertSame($severity, $finding->severity, $policy);
            self::assertSame($rule, $finding->rule->id);
        }
    }

    /** The table says something of every limit in which a policy differs: a new one is missed here. */
    public function testNoLimitInWhichPoliciesDifferIsLeftOut(): void
    {
        $elsewhere = ['gas.bump', 'flow.change-large'];
        $told = array_map(static fn (array $one): string => $one[0], array_values(iterator_to_array(self::limits())));
        foreach (['cautious', 'survey'] as $policy) {
            foreach (Scene::policy($policy)->rules as $rule => $setting) {
                foreach ($setting->limits as $name => $limit) {
                    $standard = Scene::policy('standard')->rule($rule)?->limits[$name] ?? null;
                    if ($standard === null || $standard->value->value->compareTo($limit->value->value) === 0) {
                        continue;
                    }
                    self::assertContains($rule, [...$told, ...$elsewhere], "$policy, $rule, $name");
                }
            }
        }
    }

    private static function found(Assessment $assessment, string $rule): ?Finding
    {
        foreach ($assessment->findings as $finding) {
            if ($finding->rule->id === $rule) {
                return $finding;
            }
        }

        return null;
    }

    private static function aged(string $minutes, string $policy): Assessment
    {
        $at = (new \DateTimeImmutable('2026-03-10T08:00:00+00:00'))->modify("-$minutes minutes")->format('Y-m-d\TH:i:s');

        return (new Scene())->check('k1', $at, ['114.0'])->run('r', '2026-03-10T08:00:00', '2026-03-10T16:00:00')
            ->check('k2', '2026-03-10T16:30:00', ['114.0'])->assess('r', $policy);
    }

    private static function drifted(string $after, string $policy): Assessment
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', [$after])
            ->assess('r', $policy);
    }

    private static function foundOff(string $found, string $policy): Assessment
    {
        return (new Scene())->check('k1', '07:30', [$found], ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0'])
            ->assess('r', $policy);
    }

    private static function leftOff(string $left, string $policy): Assessment
    {
        return (new Scene())->check('k1', '07:30', ['114.0'], [$left])->run('r', '08:00', '16:00')->check('k2', '16:30', [$left])
            ->assess('r', $policy);
    }

    private static function ran(string $share, string $policy): Assessment
    {
        $stop = (new \DateTimeImmutable('2026-03-02T08:00:00'))->modify(
            \sprintf('+%d seconds', (int) round(60 * 400 * (float) $share / 100)),
        );

        return (new Scene())->check('k1', '07:30', ['114.0'])
            ->run(
                'r',
                '08:00',
                $stop->format('H:i:s'),
                more: ['plannedMinutes' => 400],
            )->check('k2', '16:30', ['114.0'])->assess('r', $policy);
    }

    private static function sampled(string $left, string $policy): Assessment
    {
        $stop = (new \DateTimeImmutable('2026-03-02T08:00:00'))->modify(
            \sprintf('+%d seconds', (int) round(60 * 400 * (1 - (float) $left / 100))),
        );

        return (new Scene())->check('k1', '07:30', ['114.0'])
            ->run(
                'r',
                '08:00',
                $stop->format('H:i:s'),
                more: ['shiftMinutes' => 400],
            )->check('k2', '16:30', ['114.0'])->assess('r', $policy);
    }

    private static function levelsMissing(string $count, string $policy): Assessment
    {
        $levels = array_map(
            static fn (int $i): int => $i >= 500 && $i < 500 + (int) $count ? SeriesLog::GAP : 80000 + 1000 * ($i * 7 % 11),
            range(0, 1999),
        );
        $log = PackedLog::ofValues(
            [new LogColumn(LevelColumn::Equivalent)],
            new \DateTimeImmutable('2026-03-02T08:00:00+00:00'),
            1.0,
            [$levels],
        );

        return (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00:00', '08:33:20')->check('k2', '16:30', ['114.0'])
            ->assessLog('r', $log, $policy);
    }

    private static function clockOff(string $seconds, string $policy): Assessment
    {
        return (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00', more: ['clockOffsetSeconds' => $seconds])
            ->check('k2', '16:30', ['114.0'])->assess('r', $policy);
    }

    private static function startedApart(string $seconds, string $policy): Assessment
    {
        $file = (new \DateTimeImmutable('2026-03-02T10:00:00'))->modify("+$seconds seconds")->format('H:i:s');

        return (new MeterScene())->check('k1', '09:00')->room(
            more: ['notedStart' => '10:00:00', 'fileStart' => $file],
        )->check('k2', '11:00')
            ->assess(policy: $policy);
    }

    private static function spread(string $percent, string $policy): Assessment
    {
        $half = (float) $percent / 100;
        $rows = [number_format(2 - $half, 4, '.', ''), '2.0000', number_format(2 + $half, 4, '.', '')];

        return self::flow($rows, ['2.000'], $policy);
    }

    private static function flowEnds(string $after, string $policy): Assessment
    {
        return self::flow(['2.000'], [$after], $policy);
    }

    private static function flowed(string $flow, string $policy): Assessment
    {
        return self::flow([$flow], [$flow], $policy);
    }

    /**
     * @param list<string> $before
     * @param list<string> $after
     */
    private static function flow(array $before, array $after, string $policy): Assessment
    {
        return (new AirScene())->check('k1', '07:30', $before)->run('r', '08:00', '12:00')->check('k2', '12:30', $after)->found('r', '960')
            ->assess('r', $policy);
    }

    private static function blank(string $mass, string $policy): Assessment
    {
        return (new AirScene())->check('k1', '07:30', ['2.000'])->run('r', '08:00', '12:00')->check('k2', '12:30', ['2.000'])
            ->found('r', '100', blank: $mass)->assess('r', $policy);
    }

    /** @return \Closure(string, string): Assessment */
    private static function spanned(string $channel): \Closure
    {
        return static fn (string $after, string $policy): Assessment => self::gas($channel)
            ->check('k2', '12:10', [$channel => $after])
            ->assess('r', $policy);
    }

    /** @return \Closure(string, string): Assessment */
    private static function zeroed(string $channel): \Closure
    {
        return static fn (string $after, string $policy): Assessment => self::gas($channel)->check(
            'k2',
            '12:10',
            zero: [$channel => $after],
        )
            ->assess('r', $policy);
    }

    /** @return \Closure(string, string): Assessment */
    private static function leftAt(string $channel): \Closure
    {
        return static fn (string $left, string $policy): Assessment => (new GasScene())->check('k1', '07:45', left: [$channel => $left])
            ->run('r', '08:00', '12:00', [$channel => GasScene::steady('3', 240)])
            ->check('k2', '12:10', [$channel => $left])->assess('r', $policy);
    }

    private static function gas(string $channel): GasScene
    {
        return (new GasScene())->check('k1', '07:45')->run('r', '08:00', '12:00', [$channel => GasScene::steady('3', 240)]);
    }

    private static function readingsMissing(string $count, string $policy): Assessment
    {
        $readings = array_map(static fn (int $i): string => $i >= 300 && $i < 300 + (int) $count ? '--' : (string) ($i % 9), range(0, 999));

        return (new GasScene())->check('k1', '07:45')->run('r', '08:00:00', '10:46:40', ['CO' => $readings])->check('k2', '12:10')
            ->assess('r', $policy);
    }

    private static function counted(string $after, string $policy): Assessment
    {
        return self::counts(array_fill(0, 100, '300'), ['2.00'], [$after], $policy);
    }

    private static function counterAt(string $flow, string $policy): Assessment
    {
        return self::counts(array_fill(0, 100, '300'), [$flow], [$flow], $policy);
    }

    private static function countsMissing(string $count, string $policy): Assessment
    {
        $counts = array_map(static fn (int $i): string => $i >= 30 && $i < 30 + (int) $count ? '--' : '300', range(0, 199));

        return self::counts($counts, ['2.00'], ['2.00'], $policy);
    }

    /**
     * @param list<string> $counts a minute each
     * @param list<string> $before L/min
     * @param list<string> $after
     */
    private static function counts(array $counts, array $before, array $after, string $policy): Assessment
    {
        $stop = (new \DateTimeImmutable('2026-03-02T08:00:00'))->modify(\sprintf('+%d minutes', \count($counts)))->format('H:i');

        return (new ParticleScene(['nominalFlow' => ['value' => '2.00', 'unit' => 'L/min']]))->check('k1', '07:45', $before)
            ->run('r', '08:00', $stop, ['0.3' => $counts])->check('k2', '12:30', $after)->assess('r', $policy);
    }
}
