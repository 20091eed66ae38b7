<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\BracketState;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Noise\NoiseResults;
use Footnote\Core\Quantity\Exact;
use PHPUnit\Framework\TestCase;

/** The numbered rules of judgement that two people must code alike, one test each. */
final class NumberedRulesTest extends TestCase
{
    private function clean(): Scene
    {
        return (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.2']);
    }

    public function testCleanBracketIsValid(): void
    {
        $assessment = $this->clean()->assess('r1', yardsticks: new \Footnote\Core\Judgement\Yardsticks([], []));
        self::assertSame(Verdict::Valid, $assessment->verdict);
        self::assertSame(BracketState::Closed, $assessment->bracket->state());
        self::assertSame('0.2', (string) $assessment->largestDrift()?->value);
    }

    /** 1. Not adjusted: as left is as found. Adjusted and not read again: nominal assumed, qualified. */
    public function testRule1AsLeft(): void
    {
        $same = $this->clean()->assess('r1');
        self::assertSame('0', (string) self::pre($same));
        $unread = (new Scene())
            ->check('k1', '07:30', ['113.2'], [], [], ['adjusted' => true])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'])
            ->assess('r1');
        self::assertContains('bracket.as-left-not-read', Scene::rules($unread));
        self::assertSame(Verdict::Qualified, $unread->verdict);
        self::assertSame('0', (string) self::pre($unread));
        $read = (new Scene())
            ->check('k1', '07:30', ['113.2'], ['114.1'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'])
            ->assess('r1');
        self::assertSame('0.1', (string) self::pre($read));
        self::assertSame('-0.1', (string) $read->largestDrift()?->value);
    }

    /** 2. Responses sit at the first run's start and the last run's stop: a post-check next morning puts no drift into the night. */
    public function testRule2ResponsesDoNotDriftThroughTheNight(): void
    {
        $evening = $this->clean()->assess('r1');
        $morning = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '2026-03-03T07:30:00', ['114.2'])
            ->assess('r1');
        self::assertSame(
            Scene::result($evening, 'laeq')->answers->between?->full(),
            Scene::result($morning, 'laeq')->answers->between?->full(),
        );
        self::assertSame([], array_values(array_diff(Scene::rules($morning), Scene::rules($evening), ['bracket.late-post-check'])));
        self::assertSame(Verdict::Valid, self::finding($morning, 'bracket.late-post-check')->verdict());
    }

    /** 3. Several runs share both ends; a check between runs that adjusts nothing closes one bracket and opens the next. */
    public function testRule3SeveralRunsInABracket(): void
    {
        $shared = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '11:00')
            ->run('r2', '12:00', '16:00')
            ->check('k2', '16:30', ['114.4']);
        foreach (['r1', 'r2'] as $run) {
            $assessment = $shared->assess($run);
            self::assertSame(['k1', 'k2'], [$assessment->bracket->pre?->id, $assessment->bracket->post?->id]);
            self::assertContains('bracket.another-run', Scene::rules($assessment));
        }
        // Drift runs from the first start to the last stop, so the later run carries more of it.
        self::assertGreaterThan(
            Scene::result($shared->assess('r2'), 'laeq')->answers->between?->toFloat(),
            Scene::result($shared->assess('r1'), 'laeq')->answers->between?->toFloat(),
        );
        $split = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '11:00')
            ->check('k2', '11:30', ['114.1'])
            ->run('r2', '12:00', '16:00')
            ->check('k3', '16:30', ['114.4']);
        self::assertSame(['k1', 'k2'], [$split->assess('r1')->bracket->pre?->id, $split->assess('r1')->bracket->post?->id]);
        self::assertSame(['k2', 'k3'], [$split->assess('r2')->bracket->pre?->id, $split->assess('r2')->bracket->post?->id]);
        self::assertSame('0.3', (string) $split->assess('r2')->largestDrift()?->value);
    }

    /** 4. An unusable check is passed over if nothing was adjusted on it, and breaks the bracket for good if something was. */
    public function testRule4UnusableChecks(): void
    {
        $unsteady = ['steps' => [...Scene::STEPS, 'steady' => 'skipped']];
        $passed = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:10', ['116.0'], [], $unsteady)
            ->check('k3', '16:30', ['114.1'])
            ->assess('r1');
        self::assertSame('k3', $passed->bracket->post?->id);
        self::assertContains('bracket.check-passed-over', Scene::rules($passed));
        self::assertSame('0.1', (string) $passed->largestDrift()?->value);

        $broken = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:10', ['116.0'], ['114.0'], $unsteady)
            ->check('k3', '16:30', ['114.0'])
            ->assess('r1');
        self::assertNull($broken->bracket->post);
        self::assertSame([BracketState::Broken, Verdict::Void], [$broken->bracket->state(), $broken->verdict]);

        $aside = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check(
                'k2',
                '16:10',
                ['112.0'],
                [],
                ['setAside' => ['at' => Scene::moment('16:12'), 'by' => 'H-1', 'reason' => 'the adapter was cracked']],
            )
            ->assess('r1');
        self::assertSame(Verdict::Open, $aside->verdict);

        // A level that no certificate knows is no reading of the unit either.
        $wrongLevel = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:10', ['94.0'], [], [], ['nominal' => '94'])
            ->assess('r1');
        self::assertSame(Verdict::Open, $wrongLevel->verdict);
    }

    /** 5. Breaking is by parameter: a zero pressed breaks no offset; a microphone, firmware or factory reset does. */
    public function testRule5BreakingIsByParameter(): void
    {
        foreach ([
            're-zeroed' => Verdict::Valid,
            'microphone exchanged' => Verdict::Void,
            'firmware changed' => Verdict::Void,
            'factory reset' => Verdict::Void,
            'calibration set changed' => Verdict::Void,
            'adjusted' => Verdict::Void,
        ] as $kind => $verdict) {
            $after = $this->clean()->intervention('i1', '16:10', $kind)->assess(
                'r1',
                yardsticks: new \Footnote\Core\Judgement\Yardsticks([], []),
            );
            self::assertSame($verdict, $after->verdict, $kind.' after the run');
            $before = $this->clean()->intervention('i1', '07:45', $kind)->assess(
                'r1',
                yardsticks: new \Footnote\Core\Judgement\Yardsticks([], []),
            );
            self::assertSame($verdict, $before->verdict, $kind.' before the run');
        }
    }

    /** 6. In-between check passes, post fails: void unless the good segment is declared representative; a total cannot be cut. */
    public function testRule6InBetweenChecks(): void
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '12:00', ['113.9'])
            ->check('k3', '16:30', ['113.0']);
        $void = $scene->assess('r1');
        self::assertSame(Verdict::Void, $void->verdict);
        self::assertSame('-1', (string) $void->largestDrift()?->value);

        $log = NoiseTablesTest::log([...array_fill(0, 240, 90000), ...array_fill(0, 240, 80000)], 60.0);
        self::assertStringContainsString(
            'declare the segment',
            (string) self::finding($scene->assessLog('r1', $log), 'noise.drift')->remedy->advice,
        );

        $declared = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '12:00', ['113.9'])->check('k3', '16:30', ['113.0'])
            ->run(
                'r1',
                '08:00',
                '16:00',
                '90.0',
                ['declaration' => ['check' => 'k2', 'by' => 'H-1', 'reason' => 'same task all day']],
            )->assessLog('r1', $log);
        self::assertSame(Verdict::Qualified, $declared->verdict);
        self::assertSame('-0.1', (string) $declared->largestDrift()?->value);
        self::assertEqualsWithDelta(90.0, Scene::result($declared, 'laeq')->answers->indicated?->toFloat(), 1e-9);

        // Adjusted in between: as found ends the first segment, as left starts the next.
        $adjusted = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '12:00', ['114.4'], ['114.0'])
            ->check('k3', '16:30', ['114.4'])
            ->assess('r1');
        self::assertSame(['0.4', '0.4'], array_map(static fn ($drift): string => (string) $drift->value, $adjusted->drifts));
        self::assertNotContains('noise.drift', Scene::rules($adjusted));
    }

    /** 7. Composites: what follows from a dose keeps its ends, lower with lower and upper with upper. */
    /** A check that was made while a run went on says what held then, in every bracket that it opens or closes (FC-G11). */
    public function testACheckDuringARunKeepsItsOwnTimeAsAnEndToo(): void
    {
        $at = static function (Scene $scene, string $run, string $moment): float {
            $family = $scene->assess($run)->family;
            self::assertInstanceOf(NoiseResults::class, $family);
            self::assertNotNull($family->response->line);

            return $family->response->line->at(new \DateTimeImmutable(Scene::moment($moment)));
        };
        // It opens the bracket of b: −0.2 at 12:00, −0.6 at 18:00, so −0.2 − 0.4·(5.5/6) at half past five.
        $opens = (new Scene())->check('k1', '07:30', ['114.0'])->run('a', '08:00', '16:00')->check('n', '12:00', ['113.8'])
            ->run('b', '17:00', '18:00')->check('k2', '18:30', ['113.4']);
        self::assertEqualsWithDelta(-0.2 - 0.4 * 5.5 / 6, $at($opens, 'b', '17:30'), 1e-9);
        // It closes the bracket of a: 0 at 08:00, −0.6 at 14:00, so −0.3 when a stops at 11:00.
        $closes = (new Scene())->check('k1', '07:30', ['114.0'])->run('a', '08:00', '11:00')->run('b', '12:00', '16:00')
            ->check('n', '14:00', ['113.4'])->check('k2', '16:30', ['113.4']);
        self::assertEqualsWithDelta(-0.3, $at($closes, 'a', '11:00'), 1e-9);
        // A check between two runs does not: it is told for the stop.
        $plain = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('a', '08:00', '11:00')
            ->check('n', '11:30', ['113.4'])
            ->run('b', '12:00', '16:00')
            ->check('k2', '16:30', ['113.4']);
        self::assertEqualsWithDelta(-0.6, $at($plain, 'a', '11:00'), 1e-9);
    }

    public function testRule7WhatFollowsKeepsItsEnds(): void
    {
        $assessment = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.4'])
            ->run(
                'r1',
                '08:00',
                '16:00',
                '90.0',
                ['shiftMinutes' => 600, 'totals' => ['doses' => ['hc' => ['value' => '96', 'provenance' => 'typed']]]],
            )->assess('r1');
        $dose = Scene::result($assessment, 'dose:hc');
        $projected = Scene::result($assessment, 'projected:hc');
        self::assertEqualsWithDelta(1.25 * ($dose->lowest()?->toFloat() ?? 0.0), $projected->lowest()?->toFloat(), 1e-9);
        self::assertEqualsWithDelta(1.25 * ($dose->highest()?->toFloat() ?? 0.0), $projected->highest()?->toFloat(), 1e-9);
    }

    /** 8. Percent of what: the share that ran is of what was planned. */
    public function testRule8ShareOfThePlan(): void
    {
        $at = static fn (int $planned): array => Scene::rules(
            (new Scene())
                ->check('k1', '07:30', ['114.0'])
                ->check('k2', '16:30', ['114.0'])
                ->run('r1', '08:00', '14:00', '90.0', ['plannedMinutes' => $planned])
                ->assess('r1'),
        );
        self::assertNotContains('run.short', $at(480));
        self::assertContains('run.short', $at(481));
    }

    /** 9. Age of the pre-check: the same day (24 h), or 7 days for a survey, both qualified beyond. */
    public function testRule9AgeOfThePreCheck(): void
    {
        $old = (new Scene())->check('k1', '2026-02-28T08:00:00', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        self::assertSame(Verdict::Qualified, self::finding($old->assess('r1'), 'bracket.pre-check-old')->verdict());
        self::assertSame(Verdict::Void, $old->assess('r1', 'cautious')->verdict);
        self::assertNotContains('bracket.pre-check-old', Scene::rules($old->assess('r1', 'survey')));
        $day = (new Scene())->check('k1', '2026-03-01T08:00:00', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        self::assertNotContains('bracket.pre-check-old', Scene::rules($day->assess('r1')));
    }

    /** 10. Nothing measured is no zero: a run without a number has no result to add up, and can still be cured. */
    public function testRule10NothingIsNotZero(): void
    {
        $empty = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '16:30', ['114.0'])
            ->run('r1', '08:00', '16:00', '90.0', ['totals' => null])
            ->assess('r1');
        self::assertSame([], $empty->results);
        self::assertSame(Verdict::Open, $empty->verdict);
    }

    /** 11. Time is the clock less its offset and pauses; the unit's own timer wins only where it stopped by itself. */
    public function testRule11Time(): void
    {
        $run = self::runWith(...);
        self::assertSame(28800.0, $run([])->runningSeconds());
        self::assertSame(
            27000.0,
            $run(['pauses' => [['from' => Scene::moment('12:00'), 'to' => Scene::moment('12:30')]]])->runningSeconds(),
        );
        self::assertSame(28800.0, $run(['timerMinutes' => 300])->runningSeconds());
        self::assertSame(
            18000.0,
            $run(['timerMinutes' => 300, 'remarks' => [['kind' => 'stopped by itself', 'note' => '']]])->runningSeconds(),
        );
        $ahead = $run(['timesFrom' => 'unit', 'clockOffsetSeconds' => 90]);
        self::assertSame('07:58:30', $ahead->timing->start->format('H:i:s'));
    }

    /** 12. Verdict order: void, open, qualified, corrected, valid; notes never count; two qualified are not void. */
    public function testRule12VerdictOrder(): void
    {
        $twice = (new Scene())
            ->check('k1', '2026-02-28T08:00:00', ['113.2'], [], [], ['adjusted' => true])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'])
            ->assess('r1');
        self::assertSame(Verdict::Qualified, $twice->verdict);
        $open = (new Scene())->check('k1', '2026-02-28T08:00:00', ['114.0'])->run('r1', '08:00', '16:00')->assess('r1');
        self::assertSame(Verdict::Open, $open->verdict);
        $cure = self::finding($open, 'bracket.no-post-check')->remedy->cure;
        self::assertStringContainsString('closes this run', (string) $cure?->evidence);
        $void = (new Scene())->run('r1', '08:00', '16:00')->assess('r1');
        self::assertSame(Verdict::Void, $void->verdict, 'void stands above open where nothing can cure it');
        $weights = array_map(
            static fn (Verdict $verdict): int => $verdict->weight(),
            [Verdict::Valid, Verdict::Corrected, Verdict::Qualified, Verdict::Open, Verdict::Void],
        );
        self::assertSame([0, 1, 2, 3, 4], $weights);
    }

    /** 13. Unit findings touch every channel: a dosimeter's clock and knocks are findings of the whole unit. */
    public function testRule13UnitFindingsTouchTheWholeUnit(): void
    {
        $assessment = $this->clean()->run(
            'r9',
            '2026-03-04T08:00:00',
            '2026-03-04T09:00:00',
            '90.0',
            ['clockOffsetSeconds' => 400, 'remarks' => [['kind' => 'knocked', 'note' => 'against a vice']]],
        )->assess('r9');
        self::assertNull(self::finding($assessment, 'clock.doubtful')->touched->channel);
        self::assertStringContainsString('against a vice', self::finding($assessment, 'run.remark')->seen);
        self::assertNotContains('clock.offset', Scene::rules($assessment), 'the graver rule silences the lighter');
    }

    /** 14. One policy at a time; limits and severities differ between policies, the logic never does. */
    public function testRule14PoliciesDifferInLimitsOnly(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['113.2']);
        self::assertSame([Verdict::Void, Verdict::Void], [$scene->assess('r1')->verdict, $scene->assess('r1', 'cautious')->verdict]);
        self::assertNotContains('noise.drift', Scene::rules($scene->assess('r1', 'survey')));
        self::assertEquals($scene->assess('r1')->largestDrift()?->value, $scene->assess('r1', 'survey')->largestDrift()?->value);
    }

    /** 15. Different references: a note, or qualified where their combined uncertainty exceeds half of the drift limit. */
    public function testRule15DifferentReferences(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check(
            'k2',
            '16:30',
            ['114.2'],
            [],
            ['reference' => 'B'],
        );
        self::assertSame(
            'qualified',
            self::finding($scene->assess('r1'), 'bracket.different-reference')->severity->value,
            'hypot(0.2, 0.2) is 0.283, more than 0.25',
        );
        $scene->record['references'] = [Scene::calibrator('A', '114.0', '0.15'), Scene::calibrator('B', '114.0', '0.2')];
        self::assertSame(
            'note',
            self::finding($scene->assess('r1'), 'bracket.different-reference')->severity->value,
            'hypot(0.15, 0.2) is exactly 0.25',
        );
    }

    /** 16. Each reading says how it came, and its footnote repeats it. */
    public function testRule16Provenance(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check(
            'k2',
            '16:30',
            [],
            [],
            [],
            ['asFound' => [['value' => '114.2', 'provenance' => 'read back']]],
        );
        $drift = $scene->assess('r1')->largestDrift();
        $reading = $drift?->from->inputs['ε_post']->from->inputs['L_i₁'];
        self::assertStringContainsString('read back by a second person', (string) $reading?->from->origin?->note);
        self::assertSame('k2', $reading?->from->origin?->id);
    }

    /** A unit that adjusts itself: the value as found is gone, the change of its factor tells it. */
    public function testSelfAdjustingUnitByItsFactor(): void
    {
        $assessment = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')
            ->check('k2', '16:30', [], ['114.0'], [], ['factorBefore' => '0.4', 'factorAfter' => '0.1'])->assess('r1');
        self::assertSame('0.3', (string) $assessment->largestDrift()?->value);
        $gone = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->check('k2', '16:30', [], ['114.0'])
            ->assess('r1');
        self::assertSame(Verdict::Void, $gone->verdict);
        self::assertContains('bracket.broken', Scene::rules($gone));
    }

    /** @param array<string, mixed> $more */
    private static function runWith(array $more): \Footnote\Core\Evidence\Run
    {
        return (new Scene())->run('r1', '08:00', '16:00', '90.0', $more)->read()->timelines['D']->runs()[0];
    }

    private static function pre(\Footnote\Core\Judgement\Assessment $assessment): Exact
    {
        $family = $assessment->family;
        self::assertInstanceOf(\Footnote\Core\Noise\NoiseResults::class, $family);
        $value = $family->response->line?->knots[0]->offset->value;
        self::assertInstanceOf(Exact::class, $value);

        return $value;
    }

    private static function finding(\Footnote\Core\Judgement\Assessment $assessment, string $rule): Finding
    {
        foreach ($assessment->findings as $finding) {
            if ($finding->rule->id === $rule) {
                return $finding;
            }
        }
        self::fail($rule.' found nothing among '.implode(', ', Scene::rules($assessment)));
    }
}
