<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What is ordinary practice stays valid: a rule against false comfort that holds one of these is as wrong as one that lets a
 * bad number pass.
 */
final class OrdinaryPracticeTest extends TestCase
{
    /**
     * @param array<string, string>       $found at both checks
     * @param array<string, list<string>> $log
     */
    private static function gas(array $found, array $log = []): GasScene
    {
        return (new GasScene())->check('k1', '07:45', $found)->run(
            'r',
            '08:00',
            '12:00',
            $log === [] ? ['CO' => GasScene::steady('3', 240), 'PID' => GasScene::steady('20', 240)] : $log,
        )->check('k2', '12:10', $found);
    }

    /** @return iterable<string, array{\Closure(): Assessment}> */
    public static function days(): iterable
    {
        $noise = static fn (): Scene => (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00');
        yield 'a class 2 dosimeter read to a tenth, a tenth off' => [
            static fn (): Assessment => $noise()->check('k2', '16:30', ['113.9'])->assess('r'),
        ];
        yield 'the check after the run made next morning' => [
            static fn (): Assessment => $noise()->check('k2', '2026-03-03T07:20:00', ['114.0'])->assess('r'),
        ];
        yield 'two runs in one bracket' => [
            static fn (): Assessment => (new Scene())
                ->check('k1', '07:30', ['114.0'])
                ->run('r', '08:00', '12:00')
                ->run('s', '12:45', '16:00')
                ->check('k2', '16:30', ['114.0'])
                ->assess('r'),
        ];
        yield 'a night shift over midnight' => [
            static fn (): Assessment => (new Scene())
                ->check('k1', '21:30', ['114.0'])
                ->run('r', '22:00', '2026-03-03T06:00:00')
                ->check('k2', '2026-03-03T06:20:00', ['114.0'])
                ->assess('r'),
        ];
        yield '450 of 480 min' => [
            static fn (): Assessment => (new Scene())
                ->check('k1', '07:30', ['114.0'])
                ->run('r', '08:00', '15:30', more: ['shiftMinutes' => 480])
                ->check('k2', '16:00', ['114.0'])
                ->assess('r'),
        ];
        $gas = self::gas(...);
        yield 'oxygen spanned at 18 % in nitrogen' => [
            static fn (): Assessment => $gas([], ['O2' => GasScene::steady('20.9', 240)])->assess(),
        ];
        yield 'carbon monoxide read to whole ppm, one off' => [
            static fn (): Assessment => $gas(['CO' => '49'])->channel('CO', ['resolution' => '1'])->assess(),
        ];
        yield 'vapours that go on through the day' => [
            static fn (): Assessment => $gas(
                [],
                ['PID' => array_map(static fn (int $i): string => (string) (20 + $i % 60), range(0, 1439))],
            )->assess(),
        ];
        yield 'a bump of 30 s that reached its share in 20' => [
            static fn (): Assessment => (new GasScene())
                ->check('k1', '07:45')
                ->check(
                    'b',
                    '07:55',
                    ['O2' => '18.0', 'LEL' => '45', 'CO' => '46', 'H2S' => '23', 'PID' => '90'],
                    gas: ['procedure' => 'bump-test'],
                    row: array_fill_keys(['O2', 'LEL', 'CO', 'H2S', 'PID'], ['seconds' => '20']),
                )
                ->run('r', '08:00', '12:00', ['CO' => GasScene::steady('3', 240)])
                ->check('k2', '12:10')
                ->assess(),
        ];
        $air = static fn (): AirScene => (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r', '08:00', '14:00')
            ->check('k2', '14:10', ['2.0']);
        yield 'a filter with blanks below quantitation' => [
            static fn (): Assessment => $air()->found('r', '720', [], [], '<20')->assess('r'),
        ];
        yield 'a tube with nothing on its back section' => [
            static fn (): Assessment => (new AirScene())
                ->check('k1', '07:45', ['0.05'])
                ->run('r', '08:00', '09:40', ['sampler' => 'tube', 'method' => 'vapour'])
                ->check('k2', '10:00', ['0.05'])
                ->found('r', '226', ['analyte' => 'toluene', 'back' => '<2', 'desorption' => '0.98'], [], '<1')
                ->assess('r'),
        ];
        yield 'sixteen minutes for a short-term value' => [
            static fn (): Assessment => (new AirScene())
                ->check('k1', '07:45', ['2.0'])
                ->run('r', '08:00', '08:16', ['purpose' => 'short-term', 'method' => null])
                ->check('k2', '08:30', ['2.0'])
                ->found('r', '64')
                ->assess('r'),
        ];
        yield 'a pump that changed by two percent' => [
            static fn (): Assessment => (new AirScene())
                ->check('k1', '07:45', ['2.0'])
                ->run('r', '08:00', '14:00')
                ->check('k2', '14:10', ['1.96'])
                ->found('r', '720')
                ->assess('r'),
        ];
        yield 'a counter in a clean room' => [
            static fn (): Assessment => (new ParticleScene(['deadTime' => '32']))
                ->check('k1', '07:45')
                ->run('r', '08:00', '09:40', ['0.3' => array_fill(0, 100, '3')])
                ->check('k2', '09:50')
                ->assess(),
        ];
    }

    /** @param \Closure(): Assessment $day */
    #[DataProvider('days')]
    public function testStaysValid(\Closure $day): void
    {
        $assessment = $day();
        self::assertSame(
            [],
            array_values(
                array_map(
                    static fn (Finding $finding): string => $finding->seen,
                    array_filter($assessment->findings, static fn (Finding $finding): bool => $finding->verdict() !== Verdict::Valid),
                ),
            ),
        );
        self::assertSame(Verdict::Valid, $assessment->verdict);
    }

    /** A tone at noon within a check on record, and an unadjustable unit 0.3 dB off at both ends. */
    public function testARecordedToneIsANote(): void
    {
        $recorded = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('kn', '12:00', ['114.0'])
            ->check('k2', '16:30', ['114.0']);
        self::assertSame(Verdict::Valid, $recorded->assess('r')->verdict);
        $off = (new Scene())->check('k1', '07:30', ['114.3'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.3']);
        self::assertSame(Verdict::Valid, $off->assess('r')->verdict);
    }
}
