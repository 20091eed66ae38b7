<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Storage\Cells;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** How a unit goes on, as it is asked for. */
final class TrendApiTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    public function testAUnitThatJumpedSaysSoBeforeItIsUsed(): void
    {
        $scene = new Scene();
        $found = ['114.0', '114.1', '114.0', '114.0', '114.1', '114.1', '114.0', '114.1', '114.1', '114.0', '114.9'];
        foreach ($found as $week => $level) {
            $at = (new \DateTimeImmutable('2026-01-05T08:00:00'))->modify('+'.(7 * $week).' days');
            $scene->check('k'.$week, $at->format('Y-m-d\TH:i:s'), [$level]);
        }
        $this->import($scene);
        $this->signIn(Role::Reader);
        self::mockTime('2026-03-17T08:00:00+00:00');
        $trend = $this->call('GET', '/api/kit/instruments/D/trend');
        self::assertSame('Standard', $trend->string('policy'));
        self::assertSame('dB', $trend->string('channels.0.unit'));
        $values = array_map(static fn (string $one): float => round((float) $one - 114.0, 9), $found);
        self::assertEqualsWithDelta($values, array_column($trend->list('channels.0.points'), 'value'), 1e-9);
        self::assertSame([10], array_keys(array_column($trend->list('channels.0.points'), 'out'), true, true));
        self::assertStringContainsString('At k10, 16 Mar 2026, it was found off by +0.90 dB', $trend->string('channels.0.now.0'));
        $this->call('GET', '/api/kit/instruments/nobody/trend', status: 404);
    }

    public function testEachChannelGoesOnByItself(): void
    {
        $this->importRecord((new GasScene())->check('k1', '07:45')->check('k2', '12:10')->record);
        $this->signIn(Role::Reader);
        $trend = $this->call('GET', '/api/kit/instruments/G/trend');
        self::assertSame(['O2', 'LEL', 'CO', 'H2S', 'PID'], array_column($trend->list('channels'), 'channel'));
        self::assertNull($trend->at('channels.0.chart'), 'two checks make no chart');
        self::assertStringContainsString('known from 8 drifts on', $trend->string('channels.0.words.0'));
    }

    /** Four units on one calibrator that jumps: the reference says so, and each unit that it was not it. */
    public function testAReferenceThatJumpedIsNamedByItsUnits(): void
    {
        $units = ['D', 'D-2', 'D-3', 'D-4'];
        $scene = new Scene();
        $first = Cells::rows($scene->record, 'instruments')[0];
        foreach (\array_slice($units, 1) as $unit) {
            $scene->add('instruments', [...$first, 'id' => $unit]);
        }
        for ($week = 0; $week < 10; ++$week) {
            $day = (new \DateTimeImmutable('2026-01-05T08:00:00'))->modify('+'.(7 * $week).' days');
            foreach ($units as $place => $unit) {
                $level = 1140 + ($week + $place) % 2 + ($week === 9 ? 8 : 0);
                $at = $day->modify('+'.(5 * $place).' minutes')->format('Y-m-d\TH:i:s');
                $scene->check("k$week-$place", $at, [\sprintf('%.1f', $level / 10)], [], ['instrument' => $unit]);
            }
            // An hour later by another half of the day is another row.
            $later = $day->modify('+5 hours')->format('Y-m-d\TH:i:s');
            $scene->check("n$week", $later, ['114.0'], [], ['instrument' => 'D', 'reference' => 'B']);
        }
        $this->import($scene);
        $this->signIn(Role::Reader);
        self::mockTime('2026-03-17T08:00:00+00:00');
        $shared = $this->call('GET', '/api/kit/references/A/trend');
        self::assertCount(1, $shared->list('channels'));
        self::assertSame([8], array_keys(array_column($shared->list('channels.0.points'), 'out'), true, true));
        self::assertStringContainsString('2026-03-09 morning: 4 of 4 units moved alike by', $shared->string('channels.0.words.1'));
        self::assertSame([], $this->call('GET', '/api/kit/references/B/trend')->list('channels'), 'one unit shares nothing');
        $this->call('GET', '/api/kit/references/nobody/trend', status: 404);
        $own = implode(' ', array_map(strval(...), array_filter(
            $this->call('GET', '/api/kit/instruments/D-2/trend')->list('channels.0.now'),
            \is_string(...),
        )));
        self::assertMatchesRegularExpression('/At k9-1 \+0\.\d+ dB of its \+0\.\d+ dB was shared by 4 of 4 units .* on A then/', $own);
    }
}
