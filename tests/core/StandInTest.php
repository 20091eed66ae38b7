<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Flow\PumpStandIn;
use Footnote\Core\Gas\MonitorStandIn;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Noise\CalibratorStandIn;
use Footnote\Core\Particle\CounterStandIn;
use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\Line;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandIns;
use Footnote\Core\StandIn\WarmUp;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A stand-in behaves as what it stands in for, the same again for the same seed; each of its faults leads to what is named for it. */
final class StandInTest extends TestCase
{
    private static function sensor(string $resolution = '0.1', float $noise = 0, float $drift = 0, float $degree = 0): Sensor
    {
        return new Sensor(
            $resolution,
            Parameter::own($noise),
            Parameter::own(0),
            WarmUp::none(),
            Parameter::own($drift),
            Parameter::own($degree),
        );
    }

    /** The definition of T90: nine tenths of any step after it, and of the rest after it again. */
    #[TestWith([1.0, 0.0, 100.0])]
    #[TestWith([25.0, 20.9, 18.0], 'downwards')]
    #[TestWith([120.0, -5.0, 5.0])]
    public function testNineTenthsOfAStepAfterItsTime(float $t90, float $from, float $to): void
    {
        $course = (new Course($from))->then(10, $to);
        $share = static fn (float $when): float => ($course->followed($when, $t90) - $from) / ($to - $from);

        self::assertEqualsWithDelta(0.0, $share(10), 1e-12);
        self::assertEqualsWithDelta(0.9, $share(10 + $t90), 1e-12);
        self::assertEqualsWithDelta(0.99, $share(10 + 2 * $t90), 1e-12);
        self::assertSame($to, $course->followed(10, 0), 'one without a time follows at once');
        self::assertSame($from, $course->followed(9.999, $t90), 'and none before it');
    }

    /** A step taken in two is that step: what happens in between does not hang on when somebody looks. */
    public function testAStepInTwoIsOneStep(): void
    {
        $once = (new Course(0))->then(0, 50);
        $twice = (new Course(0))->then(0, 50)->then(7, 50)->then(19, 50);
        foreach ([0.5, 7.0, 8.25, 19.0, 300.0] as $when) {
            self::assertEqualsWithDelta($once->followed($when, 12), $twice->followed($when, 12), 1e-9);
        }
    }

    #[TestWith(['0.1'])]
    #[TestWith(['1'])]
    #[TestWith(['0.05'])]
    #[TestWith(['5'])]
    public function testADisplayHasSteps(string $resolution): void
    {
        $course = (new Course(-3))->then(0, 17);
        $sensor = self::sensor($resolution, 1.3);
        $shown = [];
        for ($second = -1; $second < 200; ++$second) {
            $shown[] = $sensor->shows($second, $course, 20, new Chance(4), 'x');
        }
        foreach (array_unique($shown) as $value) {
            self::assertEqualsWithDelta(0, fmod(abs((float) $value) / (float) $resolution + 1e-6, 1), 1e-4, $value);
            self::assertSame(self::decimals($resolution), self::decimals($value), 'digits as the display has them');
            self::assertNotSame('-', rtrim($value, '0.'), 'no zero below zero');
        }
        self::assertGreaterThan(1, \count(array_unique($shown)));
    }

    #[TestWith([0.5])]
    #[TestWith([-0.5])]
    public function testItDriftsInTheDirectionOfItsSign(float $perHour): void
    {
        $sensor = self::sensor('0.001', 0.01, $perHour);
        $at = static fn (float $when): float => (float) $sensor->shows($when, new Course(50), 20, new Chance(2), 'x');
        self::assertEqualsWithDelta(4 * $perHour, $at(4 * 3600) - $at(0), 0.06);
        $warm = self::sensor('0.001', 0, 0, $perHour);
        self::assertEqualsWithDelta(
            50 + 10 * $perHour,
            (float) $warm->shows(0, new Course(50), 30, new Chance(2), 'x'),
            1e-9,
        );
    }

    public function testWarmingUpItComesToATenth(): void
    {
        $warmUp = new WarmUp(Parameter::own(-2), Parameter::own(300));
        self::assertSame([-2.0, -0.2, -0.02], [$warmUp->at(0), round($warmUp->at(300), 12), round($warmUp->at(600), 12)]);
    }

    /** Chance is normal: mean and deviation within four standard errors, the tail beyond 1.96 near one in twenty (any table of it). */
    public function testChanceIsNormalAndOfItsSeed(): void
    {
        $chance = new Chance(11);
        $drawn = array_map(static fn (int $when): float => $chance->normal('x', $when), range(1, 20000));
        $mean = array_sum($drawn) / 20000;
        $deviation = sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $drawn)) / 19999);
        self::assertEqualsWithDelta(0, $mean, 4 / sqrt(20000));
        self::assertEqualsWithDelta(1, $deviation, 4 / sqrt(40000));
        $beyond = \count(array_filter($drawn, static fn (float $one): bool => abs($one) > 1.959964));
        self::assertEqualsWithDelta(0.05, $beyond / 20000, 0.007);
        self::assertSame($drawn[499], (new Chance(11))->normal('x', 500), 'whatever was asked before');
        self::assertNotSame($drawn[499], (new Chance(12))->normal('x', 500));
        self::assertNotSame($drawn[499], $chance->normal('y', 500));
    }

    public function testTheSameSeedPrintsTheSameLines(): void
    {
        foreach (StandIns::of(Families::formats()) as $standIn) {
            $text = static fn (int $seed): string => implode("\n", array_map(
                static fn (Line $line): string => $line->json(),
                self::printed($standIn, null, 200, $seed),
            ));
            self::assertSame($text(3), $text(3));
            self::assertNotSame($text(3), $text(4));
            self::assertMatchesRegularExpression(
                '/^{"at":"2026-03-02T07:00:00\.000\+00:00","unit":"[A-Z]+-90","channel":"[^"]+","value":"-?[\d.]+","in":"[^"]+",'
                    .'"simulated":true}$/m',
                $text(3),
            );
            try {
                $standIn->exercise(new \DateTimeImmutable('2026-03-02T07:00:00Z'), 1, 'haunted');
                self::fail('It has no such fault.');
            } catch (NoSuchFault $problem) {
                self::assertStringContainsString('it has', $problem->getMessage());
            }
        }
    }

    /** Somebody reads the plateau, and notices nothing: the rule that is named for the fault does; without one there is nothing to find. */
    public function testEachFaultLeadsToWhatIsNamedForIt(): void
    {
        foreach ([11, 12, 13] as $seed) {
            foreach (StandIns::of(Families::formats()) as $standIn) {
                foreach ([null, ...$standIn->faults()] as $fault) {
                    $assessed = self::assessed($standIn, $fault?->id, $seed);
                    $rules = array_map(static fn (Finding $one): string => $one->rule->id, $assessed->findings);
                    if ($fault === null) {
                        $named = array_map(static fn (Fault $one): string => $one->rule, $standIn->faults());
                        self::assertSame([], array_intersect($named, $rules), $standIn->id());
                        self::assertNotSame(Verdict::Void, $assessed->verdict, $standIn->id());
                    } else {
                        self::assertContains($fault->rule, $rules, $fault->id.': '.implode(', ', $rules));
                    }
                }
            }
        }
    }

    private static function assessed(StandIn $standIn, ?string $fault, int $seed): Assessment
    {
        if ($standIn instanceof CalibratorStandIn) {
            $found = self::plateau($standIn, $fault, $seed, (int) CalibratorStandIn::ON + 30);

            return (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')
                ->check('k2', '16:30', [$found['level']])->assess('r');
        }
        if ($standIn instanceof PumpStandIn) {
            $flows = array_map(
                static fn (int $second): string => self::plateau($standIn, $fault, $seed, $second)['flow'],
                [600, 630, 660],
            );

            return (new AirScene())->check('k1', '07:50', ['2.0'])->run('r', '08:00', '12:00')->check('k2', '12:10', $flows)->assess('r');
        }
        if ($standIn instanceof CounterStandIn) {
            $shown = self::plateau($standIn, $fault, $seed, 600);
            $counts = array_diff_key($shown, ['flow' => 1, 'minutes' => 1, 'spheres' => 1]);
            // 6.737·10⁸ spheres of 3 µm in a millilitre of 1 % (P-2): two thousandths of that in a litre are 1347 per cm³.
            $spheres = [
                'lot' => 'L3',
                'spike' => ['value' => '0.002', 'unit' => 'mL'],
                'jug' => ['value' => '1000', 'unit' => 'mL'],
                'observed' => $shown['spheres'],
            ];
            $counted = array_map(static fn (): array => array_fill(0, 60, '100'), $counts);

            return (new ParticleScene())->check('k1', '07:45')->run('r', '08:00', '09:00', $counted)
                ->check('k2', '09:30', [$shown['flow']], $counts, $spheres)->assess('r');
        }
        self::assertInstanceOf(MonitorStandIn::class, $standIn);
        $mix = self::plateau($standIn, $fault, $seed, (int) MonitorStandIn::CLEAN - 1);
        $vapour = self::plateau($standIn, $fault, $seed, (int) MonitorStandIn::ISOBUTYLENE + 120);
        $zero = self::plateau($standIn, $fault, $seed, (int) MonitorStandIn::MIX - 1);

        $quiet = ['O2' => '20.9', 'LEL' => '0', 'CO' => '3', 'H2S' => '0', 'PID' => '20'];
        $log = array_map(static fn (string $value): array => GasScene::steady($value, 240), $quiet);

        return (new GasScene())->check('k1', '07:45')->run('r', '08:00', '12:00', $log)
            ->check('k2', '12:10', [...$mix, 'PID' => $vapour['PID']], zero: $zero, gas: ['isobutyleneFound' => [
                ['channel' => 'PID', 'value' => $vapour['PID'], 'provenance' => 'typed'],
                ['channel' => 'CO', 'value' => $vapour['CO'], 'provenance' => 'typed'],
            ]])->assess('r');
    }

    private static function decimals(string $written): int
    {
        $point = strpos($written, '.');

        return $point === false ? 0 : \strlen($written) - $point - 1;
    }

    /** @return array<string, string> what each channel shows so many seconds after it was switched on */
    private static function plateau(StandIn $standIn, ?string $fault, int $seed, int $second): array
    {
        $shown = [];
        foreach (self::printed($standIn, $fault, $second, $seed) as $line) {
            $shown[$line->channel] = $line->value;
        }

        return $shown;
    }

    /** @return list<Line> of so many seconds */
    private static function printed(StandIn $standIn, ?string $fault, int $seconds, int $seed): array
    {
        $from = new \DateTimeImmutable('2026-03-02T07:00:00Z');

        return $standIn->exercise($from, $seed, $fault)->between(0, $seconds + 1);
    }
}
