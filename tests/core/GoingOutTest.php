<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Families;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Judgement\GoingOut;
use Footnote\Core\Record\RecordedCampaign;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whether a unit may go out: each state on both sides of its line, on ordinary days and on dangerous ones. */
final class GoingOutTest extends TestCase
{
    /** Of the run "new", which begins and of which nothing else is known. */
    private static function fitness(RecordedCampaign $campaign, string $policy): Fitness
    {
        foreach ($campaign->timelines as $timeline) {
            $start = $timeline->run('new');
            if ($start !== null) {
                return (new GoingOut(Families::assessor()))->of($start, $timeline, Scene::policy($policy));
            }
        }
        self::fail('There is no run that begins.');
    }

    #[DataProvider('dosimeters')]
    public function testADosimeterIsFitByItsLastCheck(
        Scene $scene,
        string $at,
        FitState $expected,
        string $said = '',
        string $policy = 'standard',
    ): void {
        $fitness = self::fitness($scene->run('new', $at, null, more: ['totals' => null])->read(), $policy);
        self::assertSame([$expected, $said === ''], [$fitness->state, $fitness->against === []], implode(' | ', $fitness->against));
        self::assertStringContainsString($said, implode(' | ', $fitness->against));
    }

    /** @return iterable<string, array{0: Scene, 1: string, 2: FitState, 3?: string, 4?: string}> */
    public static function dosimeters(): iterable
    {
        $checked = static fn (string $found = '114.0', string ...$left): Scene => (new Scene())
            ->check('k', '07:30', [$found], array_values($left));
        yield 'never checked' => [new Scene(), '08:00', FitState::CheckFirst, 'no usable check'];
        yield 'checked' => [$checked(), '08:00', FitState::Fit];
        yield 'checked a day ago to the minute' => [$checked(), '2026-03-03T07:30', FitState::Fit];
        yield 'checked more than a day ago' => [
            $checked(),
            '2026-03-03T07:31',
            FitState::CheckFirst,
            'counted until 3 Mar 2026 07:30',
        ];
        yield 'more than a day ago, where a school looks once a week' => [$checked(), '2026-03-03T07:31', FitState::Fit, '', 'survey'];
        yield 'off by what is allowed' => [$checked('114.5'), '08:00', FitState::Fit];
        yield 'off by more' => [$checked('114.6'), '08:00', FitState::CheckFirst, 'left +0.60 dB off'];
        yield 'off by four decibel' => [$checked('118.0'), '08:00', FitState::CheckFirst, 'left +4.00 dB off'];
        yield 'off by four decibel, set right and read' => [$checked('118.0', '114.0'), '08:00', FitState::Fit];
        yield 'set right and not read again' => [
            (new Scene())->check('k', '07:30', ['114.8'], acoustic: ['adjusted' => true]),
            '08:00',
            FitState::CheckFirst,
            'not read again',
        ];
        $brokenOff = ['brokenOff' => true, 'steps' => ['stopped' => 'done']];
        yield 'the next check was broken off' => [
            $checked()->check('b', '07:50', ['114.0'], more: $brokenOff),
            '08:00',
            FitState::CheckFirst,
            'The check of 07:50 showed nothing: broken off midway',
        ];
        yield 'the next check was broken off, and one was made after it' => [
            $checked()->check('b', '07:50', ['114.0'], more: $brokenOff)->check('c', '07:55', ['114.0']),
            '08:00',
            FitState::Fit,
        ];
        yield 'a person says that the next check shows nothing' => [
            $checked()->check('b', '07:50', ['99.0'], more: [
                'setAside' => ['at' => Scene::moment('07:52'), 'by' => 'H-1', 'reason' => 'made on another unit'],
            ]),
            '08:00',
            FitState::Fit,
        ];
        yield 'a new microphone since' => [
            $checked()->intervention('i', '07:45', 'microphone exchanged'),
            '08:00',
            FitState::CheckFirst,
            'not checked again',
        ];
        yield 'a new microphone before' => [
            (new Scene())->intervention('i', '07:15', 'microphone exchanged')->check('k', '07:30', ['114.0']),
            '08:00',
            FitState::Fit,
        ];
        $certified = static function (string $due) use ($checked): Scene {
            $scene = $checked();
            $unit = ['id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'certificates' => [
                ['number' => 'L-1', 'laboratory' => 'L', 'issued' => '2025-03-01', 'due' => $due],
            ]];
            $scene->record['instruments'] = [$unit];

            return $scene;
        };
        yield 'its laboratory certificate falls due today' => [$certified('2026-03-02'), '08:00', FitState::Fit];
        yield 'its laboratory certificate fell due yesterday' => [
            $certified('2026-03-01'),
            '08:00',
            FitState::Held,
            'Its laboratory certificate L-1 was in date until 1 Mar 2026 23:59.',
        ];
        $recalled = $checked();
        $recalled->record['references'] = [
            [...Scene::calibrator('A', '114.0', '0.2'), 'recalls' => [
                ['since' => Scene::moment('00:00'), 'until' => Scene::moment('07:40'), 'reason' => 'fell'],
            ]],
            Scene::calibrator('B', '114.0', '0.2'),
        ];
        $wrong = static function (?string $until) use ($checked): Scene {
            $scene = $checked();
            $scene->record['instruments'] = [[
                'id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in',
                'recalls' => [[
                    'since' => Scene::moment('07:00'),
                    ...($until === null ? [] : ['until' => Scene::moment($until)]),
                    'reason' => 'torn',
                ]],
            ]];

            return $scene;
        };
        yield 'recalled itself, and that goes on' => [$wrong(null), '08:00', FitState::Held, 'D is recalled'];
        yield 'recalled itself for the time of its last check' => [$wrong('07:40'), '08:00', FitState::CheckFirst, 'D is recalled'];
        yield 'recalled itself until before its last check' => [$wrong('07:20'), '08:00', FitState::Fit];
        yield 'checked against what was recalled' => [$recalled, '08:00', FitState::CheckFirst, 'A'];
    }

    #[DataProvider('monitors')]
    public function testAMonitorIsFitByEachOfItsChannels(GasScene $scene, FitState $expected, string $said = ''): void
    {
        $fitness = self::fitness($scene->run('new', '08:30', null)->read(), 'standard');
        self::assertSame([$expected, $said === ''], [$fitness->state, $fitness->against === []], implode(' | ', $fitness->against));
        self::assertStringContainsString($said, implode(' | ', $fitness->against));
    }

    /** @return iterable<string, array{0: GasScene, 1: FitState, 2?: string}> */
    public static function monitors(): iterable
    {
        $calibrated = static fn (): GasScene => (new GasScene())->check('k', '07:45');
        $bumped = static fn (string $reading): GasScene => $calibrated()->check(
            'b',
            '08:00',
            ['CO' => $reading],
            gas: ['procedure' => 'bump-test'],
        );
        yield 'calibrated' => [$calibrated(), FitState::Fit];
        yield 'one channel left off its label' => [
            (new GasScene())->check('k', '07:45', ['CO' => '60']),
            FitState::CheckFirst,
            'CO was left reading 60 ppm',
        ];
        yield 'only bumped: that shows no number' => [
            (new GasScene())->check('b', '08:00', gas: ['procedure' => 'bump-test']),
            FitState::CheckFirst,
            'no usable check',
        ];
        yield 'calibrated, and bumped since' => [$bumped('50'), FitState::Fit];
        yield 'calibrated, and dead at the bump since' => [$bumped('3'), FitState::Held, 'CO'];
        yield 'dead at the bump, and calibrated since' => [$bumped('3')->check('again', '08:15'), FitState::Fit];
    }

    /** What a check can still close stands beside: it may not be adjusted unread, fit or not. */
    public function testWhatTheNextCheckClosesStandsBeside(): void
    {
        $scene = (new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '11:00')->run('new', '12:00', null);
        $fitness = self::fitness($scene->read(), 'standard');
        self::assertSame([FitState::Fit, ['r']], [$fitness->state, array_map(static fn (Run $run): string => $run->id, $fitness->closes)]);
        self::assertEquals(new \DateTimeImmutable(Scene::moment('2026-03-03T07:30')), $fitness->until?->at);
    }

    /** Whatever is fit at a moment is fit until its end, to the minute, and no longer. */
    public function testItIsFitUntilTheMomentThatIsSaid(): void
    {
        foreach (['standard', 'cautious', 'survey'] as $policy) {
            $until = self::fitness((new Scene())->check('k', '07:30', ['114.0'])->run('new', '08:00', null)->read(), $policy)->until?->at;
            self::assertNotNull($until);
            foreach ([[-60, FitState::Fit], [0, FitState::Fit], [60, FitState::CheckFirst]] as [$seconds, $expected]) {
                $scene = (new Scene())->check('k', '07:30', ['114.0']);
                $start = $until->modify("$seconds seconds")->format(\DATE_ATOM);
                $scene->add('runs', ['id' => 'new', 'instrument' => 'D', 'start' => $start, 'person' => 'W-01', 'task' => 'sawing']);
                self::assertSame($expected, self::fitness($scene->read(), $policy)->state, "$policy $start");
            }
        }
    }
}
