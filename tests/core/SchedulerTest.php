<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Planning\Activity;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\Backwards;
use Footnote\Core\Planning\Because;
use Footnote\Core\Planning\Clash;
use Footnote\Core\Planning\DayAsked;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Planning\Handling;
use Footnote\Core\Planning\Lead;
use Footnote\Core\Planning\Member;
use Footnote\Core\Planning\NearestKind;
use Footnote\Core\Planning\Pins;
use Footnote\Core\Planning\Places;
use Footnote\Core\Planning\Readiness;
use Footnote\Core\Planning\Scheduler;
use Footnote\Core\Planning\Ties;
use Footnote\Core\Planning\UnitForDay;
use Footnote\Core\Planning\UnknownWay;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Quantity\Span;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The plan of a day: nobody and nothing in two places at once, whatever is asked; of a few measurements as good as the best of every
 * order of everything that is done, found by another way; and what cannot be done is said with what can.
 */
final class SchedulerTest extends TestCase
{
    private const PLACES = ['mill', 'saw', 'booth'];

    public function testSoakAndWayAreCountedBackFromTheBeginning(): void
    {
        $plan = self::plan([self::wanted('W-01', '07:00', '15:00')], [self::unit('G-01', soak: 60, check: 25)]);

        self::assertSame([
            '05:09 switch on', '06:10 pre-check', '06:55 fit', '15:00 take off', '15:25 post-check',
        ], self::told($plan));
        $lead = Lead::of($plan, $plan->tasks[0]->wanted);
        self::assertSame('111', $lead?->shown());
        $because = array_map((new Because($plan))->of(...), $plan->activities);
        self::assertSame([
            '60 min before its check at 06:10.',
            'nia leaves for saw at 06:35.',
            'It is wanted from 07:00.',
            'It is wanted until 15:00.',
            'nia is back from saw.',
        ], $because);
    }

    public function testOneSoaksWhileAnotherIsChecked(): void
    {
        $plan = self::plan(
            [self::wanted('W-01', '07:00', '15:00'), self::wanted('W-02', '07:00', '15:00', family: 'gas')],
            [self::unit('D-01'), self::unit('G-01', 'gas', soak: 60, check: 25)],
        );

        // While it soaks the other is checked, and the last check is the longest soak's.
        self::assertSame('05:04', $plan->tasks[0]->moment($plan->activities[0]->from)->format('H:i'));
        self::assertSame(
            ['switch on G-01', 'switch on D-01', 'pre-check D-01', 'pre-check G-01'],
            array_map(
                static fn (Activity $one): string => $one->kind->value.' '.$one->task->unit->id,
                \array_slice($plan->activities, 0, 4),
            ),
        );
    }

    /** @return iterable<string, array{int}> */
    public static function days(): iterable
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            yield 'day '.$seed => [$seed];
        }
    }

    /** Whatever is asked: two people, shared references, units for several measurements, people who come late. */
    #[DataProvider('days')]
    public function testNobodyAndNothingIsInTwoPlacesAtOnce(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $wanted = [];
        $count = $random->getInt(1, $seed % 10 === 0 ? 25 : 7);
        for ($i = 0; $i < $count; ++$i) {
            $from = $random->getInt(6 * 12, 13 * 12) * 5;
            $pins = new Pins(by: $random->getInt(0, 5) === 0 ? 'oto' : null);
            $to = $from + $random->getInt(3, 60) * 5;
            $wanted[] = self::wanted("W-$i", self::clock($from), self::clock($to), self::PLACES[$random->getInt(0, 2)], pins: $pins);
        }
        $units = [];
        for ($i = 0; $i < $random->getInt(1, 8); ++$i) {
            $references = $random->getInt(0, 1) === 0 ? ['A-1', 'A-2'] : ['A-2'];
            $units[] = self::unit("D-$i", soak: 5 * $random->getInt(0, 8), check: $random->getInt(4, 30), references: $references);
        }
        $crew = [self::member('nia', '05:00'), self::member('oto', self::clock($random->getInt(4 * 60, 10 * 60)))];
        $plan = Scheduler::plan(new DayAsked($wanted, $units, $crew, self::places()));

        self::assertHolds($plan);
        $done = array_map(static fn ($task): string => $task->wanted->id, $plan->tasks);
        $short = array_map(static fn ($one): string => $one->wanted->id, $plan->short);
        foreach ($wanted as $one) {
            $lacks = $plan->lateness($one) > 0 || !\in_array($one->id, $done, true);
            self::assertSame($lacks, \in_array($one->id, $short, true), 'what is not done as wanted is said, and nothing else');
        }
        foreach ($plan->activities as $one) {
            self::assertNotSame('', (new Because($plan))->of($one));
        }
        // Whatever is late moves what follows, and nothing into two places.
        $first = $plan->activities[0] ?? null;
        if ($first !== null) {
            $late = ['from' => $first->from + 47, 'to' => $first->to + 60];
            $moved = $plan->movedBy([$first->task->wanted->id.' '.$first->kind->value => $late], null);
            self::assertHolds($moved);
            self::assertSame($late['from'], $moved->activity($first->task->wanted, $first->kind)?->from);
        }
    }

    /**
     * Every way to share three measurements out, every order of everything that is done, timed backwards one by one: 1680 for one person.
     * The plan switches on no earlier than the best of them, and its units wait no longer than in the best of those; where the best of
     * them wants somebody too early, the plan says that something begins later.
     */
    #[DataProvider('days')]
    public function testItIsAsGoodAsTheBestOfEveryOrder(int $seed): void
    {
        $random = new Randomizer(new Mt19937(1000 + $seed));
        $wanted = [];
        $units = [];
        for ($i = 0; $i < 3; ++$i) {
            $from = self::clock(7 * 60 + 15 * $random->getInt(0, 8));
            $wanted[] = self::wanted("W-$i", $from, '16:00', self::PLACES[$random->getInt(0, 2)], family: "family-$i");
            $check = $random->getInt(4, 30);
            $units[] = self::unit("D-$i", "family-$i", soak: 5 * $random->getInt(0, 10), check: $check, references: ["A-$i"]);
        }
        $crew = [self::member('nia', $seed % 5 === 0 ? '06:00' : '00:10'), self::member('oto', self::clock($random->getInt(1, 480)))];
        $crew = \array_slice($crew, 0, $seed % 3 === 0 ? 2 : 1);
        $asked = new DayAsked($wanted, $units, $crew, self::places(), new Handling(notSooner: $seed % 2 === 0 ? 30 : 600));
        $plan = Scheduler::plan($asked);
        self::assertTrue($plan->every);
        self::assertHolds($plan);
        $waits = array_sum(array_map(static fn (Wanted $one): int => (int) (Lead::of($plan, $one)?->toFloat() ?? 0), $wanted));
        $best = self::bestOfEveryOrder($asked);
        if ($best[0] === 0) {
            self::assertSame([$best[1], $best[2]], [$plan->activities[0]->from, -$waits]);
            self::assertSame([], $plan->short);
        } else {
            self::assertNotSame([], $plan->short);
        }
    }

    public function testMoreThanAFewAreToldAsTheBestOfThoseTried(): void
    {
        $wanted = [];
        $units = [];
        for ($i = 0; $i < 10; ++$i) {
            $wanted[] = self::wanted("W-$i", '07:00', '16:00');
            $units[] = self::unit("D-$i", references: ["A-$i"]);
        }
        $asked = new DayAsked($wanted, $units, [self::member('nia', '03:00')], self::places(), new Handling(notSooner: 60));
        $plan = Scheduler::plan($asked);

        self::assertFalse($plan->every);
        self::assertHolds($plan);
        self::assertSame([], $plan->short);
        // Fitted in 10 times 5 min, there in 20 min; before that 10 times a minute for switching on and 10 min for a check.
        self::assertSame('04:00', $plan->tasks[0]->moment($plan->activities[0]->from)->format('H:i'));
    }

    /** Nobody is fitted long before being there, however well it would suit the one who does it. */
    public function testNobodyIsFittedBeforeBeingThere(): void
    {
        $wanted = [];
        $units = [];
        for ($i = 0; $i < 4; ++$i) {
            $wanted[] = self::wanted("W-$i", '07:00', '16:00');
            $units[] = self::unit("D-$i");
        }
        $asked = new DayAsked($wanted, $units, [self::member('nia', '03:00')], self::places(), new Handling(fit: 10, notSooner: 30));
        $plan = Scheduler::plan($asked);

        self::assertSame(['It begins at 07:10, 10 min later.'], array_map(static fn ($one): string => $one->nearest, $plan->short));
        foreach ($plan->activities as $one) {
            if ($one->kind === ActivityKind::Fit) {
                self::assertGreaterThanOrEqual($one->task->begins - 30, $one->from);
            }
        }
    }

    public function testOneUnitTooFew(): void
    {
        $wanted = [self::wanted('W-01', '07:00', '11:00'), self::wanted('W-02', '07:00', '15:00'), self::wanted('W-03', '07:30', '15:00')];
        $plan = self::plan($wanted, [self::unit('D-01'), self::unit('D-02')]);

        self::assertCount(2, $plan->tasks);
        self::assertSame('W-03', $plan->short[0]->wanted->id, 'what matters least is left out');
        self::assertSame(NearestKind::Later, $plan->short[0]->kind);
        // Off at 11:00, 5 min, 20 min back, 10 min check; on 1 min, check 10 min, 20 min there, fitted in 5 min.
        self::assertSame('Begun at 12:11, D-01 can measure it.', $plan->short[0]->nearest);
        self::assertSame(['D-01: It measures W-01.', 'D-02: It measures W-02.'], $plan->short[0]->why);
    }

    public function testAUnitThatIsNotFitIsNotTakenAndAnotherIsNamed(): void
    {
        $held = self::unit('D-01', against: ['=W-01' => ['Its certificate ends at noon.']]);
        $pinned = self::wanted('W-01', '07:00', '15:00', pins: new Pins('D-01'));
        $plan = self::plan([$pinned], [$held, self::unit('D-02')]);

        self::assertSame([], $plan->activities);
        self::assertSame(['D-01: Its certificate ends at noon.'], $plan->short[0]->why);
        self::assertSame(NearestKind::OtherUnit, $plan->short[0]->kind);
        self::assertSame('D-02 can measure it.', $plan->short[0]->nearest);

        $alone = self::plan([$pinned], [$held]);
        self::assertSame(NearestKind::LeftOut, $alone->short[0]->kind);
        self::assertSame('D-02', self::plan([self::wanted('W-01', '07:00', '15:00')], [$held, self::unit('D-02')])->tasks[0]->unit->id);
    }

    public function testABatteryThatDoesNotLastIsSaid(): void
    {
        $asWritten = static fn (int $battery): DayPlan => self::plan(
            [self::wanted('W-01', '07:00', '15:00')],
            [new UnitForDay('D-01', 'dosimeter', new Readiness(0, 10, $battery), ['A-1'])],
        );

        self::assertSame(
            ['D-01: Its battery lasts 489 min; it would be on for at least 490 min.'],
            $asWritten(489)->short[0]->why,
        );
        // It is just enough for what it measures, and not for the way there and back.
        self::assertSame(
            ['The battery of D-01 lasts 490 min, and it is on for 551 min, until 15:35: charge it in between, or change it.'],
            $asWritten(490)->over,
        );
        self::assertSame([], $asWritten(551)->over);
    }

    /** Another plan has it while it would be made ready, measure or be checked: taken last; a minute apart it is free. */
    public function testWhatAnotherPlanHasIsTakenLast(): void
    {
        $other = self::plan([self::wanted('X-01', '07:00', '15:00')], [self::unit('D-01')]);
        $clash = new Clash('DP-1', $other);
        $own = static fn (string $from, string $to): Wanted => self::wanted('W-01', $from, $to);
        $unit = self::unit('D-01');
        // There it is switched on at 06:24 and free again at 15:35.
        self::assertSame(['06:24', '15:35'], [
            $other->activities[0]->task->moment($other->activities[0]->from)->format('H:i'),
            $other->activities[4]->task->moment($other->activities[4]->to)->format('H:i'),
        ]);
        self::assertTrue($clash->holds($unit, $own('15:44', '16:00')));
        self::assertFalse($clash->holds($unit, $own('15:45', '16:00')));
        self::assertTrue($clash->holds($unit, $own('06:00', '06:15')));
        self::assertFalse($clash->holds($unit, $own('06:00', '06:14')));
        self::assertFalse($clash->holds(self::unit('D-02'), $own('07:00', '15:00')));

        $taken = $unit->wantedBy('DP-1');
        $slow = self::unit('D-02', soak: 60);
        $plan = self::plan([$own('07:00', '15:00')], [$taken, $slow]);
        self::assertSame('D-02', $plan->tasks[0]->unit->id, 'however long it takes to be ready');
        $twice = self::plan([$own('07:00', '15:00')], [$taken]);
        self::assertSame('D-01', $twice->tasks[0]->unit->id);
        self::assertSame([
            'D-01 is wanted by DP-1 at the same time: there from 06:24 to 15:35, here from 06:24 to 15:35.',
            'nia is wanted by DP-1 at the same time: there from 06:24 to 06:25, here from 06:24 to 06:25.',
            'A-1 is wanted by DP-1 at the same time: there from 06:25 to 06:35, here from 06:25 to 06:35.',
        ], $clash->with($twice));
        self::assertSame([], $clash->with(self::plan([], [$unit])));
        self::assertSame([], $clash->with(self::plan([$own('18:00', '19:00')], [$unit])));
    }

    /** In date while it is measured, and not any more at the check after it: nobody would see it from the measurement alone. */
    public function testAReferenceThatEndsBeforeTheCheckAfterIsSaid(): void
    {
        $over = static fn (string $until): array => self::plan(
            [self::wanted('W-01', '07:00', '15:00')],
            [new UnitForDay('D-01', 'dosimeter', new Readiness(0, 10), ['A-1'], ties: new Ties([
                '=A-1' => self::at($until),
                '=A-2' => self::at('08:00'),
            ]))],
        )->over;

        self::assertSame([], $over('15:35'), 'at its last moment it counts');
        self::assertCount(1, $over('15:34'));
        self::assertMatchesRegularExpression(
            '/^A-1 is in date until \d+ \w+ 15:34, and the post-check of D-01 on it is planned until \d+ \w+ 15:35: /',
            $over('15:34')[0],
        );
    }

    public function testWhoComesTooLateBeginsLaterByTheLeast(): void
    {
        $asked = new DayAsked(
            [self::wanted('W-01', '07:00', '15:00')],
            [self::unit('D-01')],
            [self::member('nia', '06:40'), self::member('oto', '06:30')],
            self::places(),
        );
        $plan = Scheduler::plan($asked);

        self::assertSame(['It begins at 07:06, 6 min later.'], array_map(static fn ($one): string => $one->nearest, $plan->short));
        self::assertSame('oto', $plan->activities[0]->by, 'who is there first goes');
        self::assertHolds($plan);
        $inTime = $asked->of([self::wanted('W-01', '07:06', '15:00')]);
        self::assertSame([], Scheduler::plan($inTime)->short, 'as wanted to the minute');
    }

    public function testWhoIsGoneByThenIsSaid(): void
    {
        $asked = new DayAsked(
            [self::wanted('W-01', '07:00', '15:00')],
            [self::unit('D-01')],
            [new Member('nia', new Span(self::at('05:00'), self::at('15:30')))],
            self::places(),
        );

        self::assertSame(
            ['nia is there until 15:30, and is done at 15:35: the last is post-check, D-01.'],
            Scheduler::plan($asked)->over,
        );
    }

    public function testWhatSomebodySettledStands(): void
    {
        $pins = new Pins('D-02', 'oto');
        $asked = new DayAsked(
            [self::wanted('W-01', '07:00', '15:00', pins: $pins)],
            [self::unit('D-01'), self::unit('D-02', check: 20)],
            [self::member('nia', '05:00'), self::member('oto', '05:00')],
            self::places(),
        );
        foreach (Scheduler::plan($asked)->activities as $one) {
            self::assertSame(['D-02', 'oto'], [$one->task->unit->id, $one->by]);
        }
    }

    /** On the last Sunday of March an hour is left out: minutes are counted as they pass. */
    public function testTheClockIsChangedInBetween(): void
    {
        $zone = new \DateTimeZone('Europe/Vienna');
        $at = static fn (string $clock): \DateTimeImmutable => new \DateTimeImmutable('2026-03-29 '.$clock, $zone);
        $asked = new DayAsked(
            [new Wanted('W-01', 'W-01', 'dosimeter', 'saw', new Span($at('03:30'), $at('10:00')))],
            [self::unit('D-01', soak: 60)],
            [new Member('nia', new Span($at('00:00'), $at('18:00')))],
            self::places(),
        );

        // 96 min before 03:30, one hour of which the clock leaves out.
        self::assertSame('00:54 switch on', self::told(Scheduler::plan($asked))[0]);
    }

    public function testAWayThatNobodyHasSaidIsNotGuessed(): void
    {
        $places = new Places('mill', [['mill', 'saw', 20]]);

        self::assertSame(20, $places->between('saw', 'mill'));
        self::assertSame(['mill', 'booth'], $places->unknownAmong('saw', 'booth'));
        self::assertNull($places->unknownAmong('saw'));
        $this->expectException(UnknownWay::class);
        $places->between('saw', 'booth');
    }

    /** Everything that must hold of any plan, looked at from outside. */
    private static function assertHolds(DayPlan $plan): void
    {
        $places = $plan->asked->places;
        $base = $places->base;
        foreach ($plan->activities as $i => $one) {
            foreach (\array_slice($plan->activities, $i + 1) as $other) {
                if ($one->by === $other->by) {
                    $way = $places->between($one->place, $other->place);
                    self::assertTrue($one->to + $way <= $other->from || $other->to + $way <= $one->from, $one->by.' in two places');
                }
                if ($one->reference !== null && $one->reference === $other->reference) {
                    self::assertTrue($one->to <= $other->from || $other->to <= $one->from, $one->reference.' at two checks');
                }
            }
        }
        foreach ($plan->tasks as $i => $task) {
            $of = static fn (ActivityKind $kind): Activity => $plan->activity($task->wanted, $kind) ?? self::fail('all steps are planned');
            $on = $of(ActivityKind::SwitchOn);
            $before = $of(ActivityKind::PreCheck);
            $after = $of(ActivityKind::PostCheck);
            self::assertGreaterThanOrEqual($task->unit->readiness->soak, $before->from - $on->to, 'it soaks');
            self::assertLessThanOrEqual($of(ActivityKind::Fit)->from, $before->to);
            self::assertSame($before->by, $of(ActivityKind::Fit)->by, 'who checked it carries it');
            self::assertGreaterThanOrEqual($task->ends, $of(ActivityKind::TakeOff)->from);
            self::assertGreaterThanOrEqual($of(ActivityKind::TakeOff)->to + $places->between($base, $task->wanted->place), $after->from);
            self::assertSame([$base, $base, $base], [$on->place, $before->place, $after->place]);
            self::assertSame($before->reference, $after->reference);
            self::assertContains($before->reference, $task->unit->references);
            foreach (\array_slice($plan->tasks, $i + 1) as $other) {
                if ($other->unit->id === $task->unit->id) {
                    $otherOn = $plan->activity($other->wanted, ActivityKind::SwitchOn);
                    $otherAfter = $plan->activity($other->wanted, ActivityKind::PostCheck);
                    self::assertTrue($after->to <= $otherOn?->from || $otherAfter?->to <= $on->from, $task->unit->id.' measures twice');
                }
            }
        }
        foreach ($plan->journeys() as $journey) {
            self::assertSame($places->between($journey->from, $journey->to), $journey->arrives - $journey->leaves);
            foreach ($plan->ofMember($journey->by) as $one) {
                self::assertTrue($one->to <= $journey->leaves || $one->from >= $journey->arrives, 'nobody does anything on the way');
            }
        }
    }

    /** @return list<int> minutes too early, negative; the latest first switch-on of those; the least that units wait, negative */
    private static function bestOfEveryOrder(DayAsked $asked): array
    {
        $best = [\PHP_INT_MIN];
        $people = \count($asked->crew);
        for ($way = 0; $way < $people ** 3; ++$way) {
            $day = [0, \PHP_INT_MAX, 0];
            foreach ($asked->crew as $number => $member) {
                $has = static fn (int $which): bool => intdiv($way, $people ** $which) % $people === $number;
                $part = self::bestOfOne($asked, $member, array_map(static fn (int $one): int => $has($one) ? 3 : 0, [0, 1, 2]));
                $day = [$day[0] + $part[0], min($day[1], $part[1]), $day[2] + $part[2]];
            }
            $best = max($best, $day);
        }

        return $best;
    }

    /**
     * @param list<int> $steps of each measurement that are this person's
     *
     * @return list<int>
     */
    private static function bestOfOne(DayAsked $asked, Member $member, array $steps): array
    {
        $best = [\PHP_INT_MIN];
        foreach (self::orders($steps) as $order) {
            $head = \PHP_INT_MAX;
            $place = 'mill';
            $checks = [];
            $stage = [0, 0, 0];
            $waits = 0;
            $early = 0;
            foreach ($order as $which) {
                $wanted = $asked->wanted[$which];
                $begins = intdiv($wanted->span->from->getTimestamp(), 60);
                $unit = $asked->units[$which];
                $there = ++$stage[$which] === 1 ? $wanted->place : 'mill';
                $over = $head === \PHP_INT_MAX ? $head : $head - $asked->places->between($there, $place);
                $over = match ($stage[$which]) {
                    1 => min($over, $begins),
                    2 => $over,
                    default => min($over, $checks[$which] - $unit->readiness->soak),
                };
                $head = $over - [1 => 5, 2 => $unit->readiness->check, 3 => 1][$stage[$which]];
                $place = $there;
                $early += $stage[$which] === 1 ? max(0, $begins - $asked->handling->notSooner - $head) : 0;
                $checks[$which] = $stage[$which] === 2 ? $head : $checks[$which] ?? 0;
                $waits += $stage[$which] === 3 ? $begins - $head : 0;
            }
            $best = max($best, [-$early - max(0, $member->comes() - $head), $head, -$waits]);
        }

        return $best;
    }

    /**
     * @param list<int> $left how often each is still to come
     *
     * @return iterable<list<int>>
     */
    private static function orders(array $left): iterable
    {
        if (array_sum($left) === 0) {
            yield [];
        }
        foreach ($left as $which => $times) {
            if ($times > 0) {
                foreach (self::orders(array_values(array_replace($left, [$which => $times - 1]))) as $rest) {
                    yield [$which, ...$rest];
                }
            }
        }
    }

    /**
     * @param list<Wanted>     $wanted
     * @param list<UnitForDay> $units
     */
    private static function plan(array $wanted, array $units): DayPlan
    {
        return Scheduler::plan(new DayAsked($wanted, $units, [self::member('nia', '04:00')], self::places(), new Handling()));
    }

    private static function places(): Places
    {
        return new Places('mill', [['mill', 'saw', 20], ['booth', 'mill', 15], ['saw', 'booth', 5]]);
    }

    private static function member(string $name, string $from): Member
    {
        return new Member($name, new Span(self::at($from), self::at('23:00')));
    }

    private static function wanted(
        string $id,
        string $from,
        string $to,
        string $place = 'saw',
        string $family = 'dosimeter',
        Pins $pins = new Pins(),
    ): Wanted {
        return new Wanted($id, $id, $family, $place, new Span(self::at($from), self::at($to)), $pins);
    }

    /**
     * @param list<string>                $references
     * @param array<string, list<string>> $against
     */
    private static function unit(
        string $id,
        string $family = 'dosimeter',
        int $soak = 0,
        int $check = 10,
        array $references = ['A-1'],
        array $against = [],
    ): UnitForDay {
        return new UnitForDay($id, $family, new Readiness($soak, $check), $references, $against);
    }

    private static function at(string $clock): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-12-02 '.$clock, new \DateTimeZone('Europe/Vienna'));
    }

    private static function clock(int $minute): string
    {
        return \sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    }

    /** @return list<string> */
    private static function told(DayPlan $plan): array
    {
        return array_map(
            static fn (Activity $one): string => $one->task->moment($one->from)->format('H:i').' '.$one->kind->value,
            $plan->activities,
        );
    }
}
