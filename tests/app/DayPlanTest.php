<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\AirScene;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** A day is planned over the API: with what is fit, for two people, planned again, carried out and compared. */
final class DayPlanTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    use DueKit;

    /**
     * @param list<array<string, mixed>> $wanted
     *
     * @return array<string, mixed>
     */
    private function asked(array $wanted, string $day = '2026-03-03'): array
    {
        $campaign = $this->call('GET', '/api/campaigns')->string('campaigns.0.id');

        return [
            'day' => $day,
            'campaign' => $campaign,
            'base' => 'mill',
            'crew' => [['name' => 'nia', 'from' => '04:00', 'to' => '18:00'], ['name' => 'oto', 'from' => '06:00', 'to' => '18:00']],
            'ways' => [
                ['one' => 'mill', 'other' => 'saw', 'minutes' => '20'],
                ['one' => 'mill', 'other' => 'booth', 'minutes' => '15'],
                ['one' => 'saw', 'other' => 'booth', 'minutes' => '5'],
            ],
            'handling' => ['switchOn' => '1', 'fit' => '5', 'takeOff' => '5', 'notSooner' => '30'],
            'wanted' => $wanted,
        ];
    }

    /**
     * @param array<string, string> $more
     *
     * @return array<string, mixed>
     */
    private static function wanted(string $person, array $more = []): array
    {
        $row = ['person' => $person, 'task' => 'sawing', 'place' => 'saw', 'family' => 'noise-dosimeter'];

        return [...$row, 'from' => '07:00', 'to' => '15:00', ...$more];
    }

    private function begin(string $now = '2026-03-02T10:00:00+00:00'): void
    {
        self::mockTime($now);
        $this->import(self::scene());
        $this->signIn(Role::Technician);
    }

    private function otherwise(Answer $plan): mixed
    {
        return $this->call('GET', '/api/plans/'.$plan->string('id').'/otherwise')->at('otherwise');
    }

    private static function words(Answer $plan, string $list): string
    {
        return implode(' ', array_filter($plan->list($list), \is_string(...)));
    }

    /** @return list<string> */
    private static function column(Answer $plan, string $list, string ...$names): array
    {
        $told = [];
        foreach (array_keys($plan->list($list)) as $at) {
            $told[] = implode(' ', array_map(static fn (string $name): string => $plan->string("$list.$at.$name"), $names));
        }

        return $told;
    }

    public function testADayIsPlannedWithWhatIsFit(): void
    {
        $this->begin();
        $plan = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01'), self::wanted('W-02'), self::wanted('W-03')]), 201);

        // D-2 is past its certificate, D-3 never had one, D-4 is for practice: two units for three measurements.
        self::assertSame(['D', 'D-3'], self::column($plan, 'tasks', 'unit'));
        self::assertSame(
            'There is no usable check of this instrument before the run. laboratory calibration: never done, as far as is known.',
            self::words($plan, 'tasks.1.notes'),
        );
        self::assertSame(['W-03, sawing'], self::column($plan, 'short', 'words'));
        $why = self::words($plan, 'short.0.why');
        self::assertStringContainsString('D: It measures W-01, sawing.', $why);
        self::assertStringContainsString('Its laboratory certificate L-2026-03-01 was in date until 1 Mar 2026', $why);
        self::assertStringContainsString('D-3: It measures W-02, sawing.', $why);
        self::assertStringNotContainsString('D-4', $why);
        self::assertSame('left out', $plan->string('short.0.kind'));

        // Two people on one calibrator: one after the other.
        // A minute for switching on, 9 for the check of so many steps, 20 on the way, 5 for fitting: said, and said to be assumed.
        self::assertSame(
            [
                'switch on D-3 06:16',
                'pre-check D-3 06:17',
                'switch on D 06:25',
                'pre-check D 06:26',
                'fit D 06:55',
                'fit D-3 06:55',
            ],
            array_map(
                static fn (string $one): string => substr(str_replace('2026-03-03T', '', $one), 0, -9),
                \array_slice(self::column($plan, 'activities', 'kind', 'unit', 'from'), 0, 6),
            ),
        );
        self::assertStringContainsString('assumed, a minute for each step', self::words($plan, 'tasks.0.sources'));
        self::assertSame('35', $plan->string('tasks.0.lead.shown'));
        self::assertTrue($plan->at('every'));
        self::assertSame('A is wanted for D at 06:26.', $plan->string('activities.1.because'));

        $this->call('GET', '/api/plans/'.$plan->string('id'));
        $all = $this->call('GET', '/api/plans');
        self::assertSame(['DP-00001', 3, 1], [$all->string('items.0.id'), $all->int('items.0.wanted'), $all->int('items.0.short')]);
        self::assertSame(['DP-00001'], $this->call('GET', '/api/day?date=2026-03-03')->list('plans'));
        $before = $this->call('GET', '/api/day?date=2026-03-02');
        self::assertSame([[], '2026-03-03'], [$before->list('plans'), $before->at('after')]);
        // The day shows it under what is done, with the minutes of the plan itself.
        $day = $this->call('GET', '/api/day?date=2026-03-03');
        self::assertSame('D', $day->string('units.0.id'));
        $on = array_filter(
            $plan->list('activities'),
            static fn (mixed $one): bool => \is_array($one) && [$one['unit'], $one['kind']] === ['D', 'switch on'],
        );
        self::assertSame(array_column($on, 'from'), [$day->string('units.0.planned.0.on')]);
        self::assertSame('DP-00001', $day->string('units.0.planned.0.plan'));
        $sheets = $this->call('GET', '/api/plans/DP-00001/sheets');
        self::assertStringEndsWith('/kit/D', $sheets->string('units.0.address'));
        self::assertStringContainsString('<svg', $sheets->string('units.0.square'));
        self::assertSame('D', $sheets->string('units.0.check.id'));
        self::assertStringContainsString('by Standard', $sheets->string('units.0.action'));
    }

    /** It was fit when the day was planned. On the day it is not: the plan stays as it was printed, and says that another would be made. */
    public function testACertificateRunsOutBeforeTheDay(): void
    {
        $this->begin();
        $fit = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D'])], '2026-03-05'), 201);
        self::assertSame([], $fit->list('short'));
        self::assertFalse($this->otherwise($fit));
        $past = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D'])], '2026-03-06'), 201);
        self::assertSame([], $past->list('tasks'));
        $words = self::words($past, 'short.0.why');
        self::assertStringContainsString('Its laboratory certificate L-2026-03-05 was in date until 5 Mar 2026', $words);
        // Over midnight it ends while it is measured.
        $night = $this->asked([self::wanted('W-01', ['unit' => 'D', 'from' => '22:00', 'to' => '06:00'])], '2026-03-05');
        $night = $this->call('POST', '/api/plans', $night, 201);
        self::assertStringContainsString('At 06:00, when it is done', self::words($night, 'short.0.why'));

        $this->signIn(Role::Steward);
        $this->call('POST', '/api/kit/instruments/D/retirement', ['reason' => 'fell', 'back' => false], 204);
        $again = $this->call('GET', '/api/plans/'.$fit->string('id'));
        self::assertSame(['D'], self::column($again, 'tasks', 'unit'), 'what was printed stands');
        self::assertTrue($this->otherwise($again));
        $this->signIn(Role::Technician);
        $asked = ['version' => '1', 'asked' => $this->asked([self::wanted('W-01', ['unit' => 'D'])], '2026-03-05')];
        $replanned = $this->call('POST', '/api/plans/'.$fit->string('id'), $asked);
        self::assertSame([[], 2], [$replanned->list('tasks'), $replanned->at('version')]);
        self::assertFalse($this->otherwise($replanned));
        $this->call('POST', '/api/plans/'.$fit->string('id'), $asked, 409);

        // Planned again for another day it stands under that one, and under the first no more.
        $moved = ['version' => '2', 'asked' => $this->asked([self::wanted('W-01')], '2026-03-09')];
        self::assertSame('2026-03-09', $this->call('POST', '/api/plans/'.$fit->string('id'), $moved)->string('day'));
        self::assertNotContains($fit->string('id'), $this->call('GET', '/api/day?date=2026-03-05')->list('plans'));
        self::assertSame([$fit->string('id')], $this->call('GET', '/api/day?date=2026-03-09')->list('plans'));
        $first = $this->call('GET', '/api/plans')->list('items')[0];
        self::assertIsArray($first);
        self::assertSame(['2026-03-09', 3, 1], [$first['day'], $first['version'], $first['wanted']]);
    }

    /** A unit that cannot measure what is expected is not taken; what is not on record is said. */
    public function testWhatTheUnitMustBeAbleTo(): void
    {
        $this->begin();
        $demanding = static fn (array $demands, string $unit = ''): array => ['demands' => $demands]
            + self::wanted('W-01', $unit === '' ? [] : ['unit' => $unit]);
        $class = $this->call('POST', '/api/plans', $this->asked([$demanding(['class' => '1'])]), 201);
        self::assertStringContainsString('Its class is not on record, and class 1 is wanted.', self::words($class, 'tasks.0.notes'));
        $loud = $this->asked([$demanding(['levelsTo' => '150'], 'D')], '2026-03-04');
        $loud = $this->call('POST', '/api/plans', $loud, 201);
        self::assertStringContainsString('Its range is not on record, and 150 dB are expected.', self::words($loud, 'tasks.0.notes'));
        $this->signIn(Role::Steward);
        $record = ['model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140'];
        $this->call('POST', '/api/kit/instruments/D/correction', ['record' => $record, 'reason' => 'from the manual'], 204);
        $this->signIn(Role::Technician);
        $again = $this->call('POST', '/api/plans', $this->asked([$demanding(['levelsTo' => '150'], 'D')], '2026-03-05'), 201);
        self::assertSame([], $again->list('tasks'));
        self::assertStringContainsString('Its range ends at 140 dB, and 150 dB are expected.', self::words($again, 'short.0.why'));
        $refused = $this->call('POST', '/api/plans', $this->asked([$demanding(['class' => '3', 'levelsTo' => 'loud'])]), 422);
        $fields = array_column($refused->list('fields'), 'field');
        sort($fields);
        self::assertSame(['/wanted/0/demands/class', '/wanted/0/demands/levelsTo'], $fields);
        self::assertStringContainsString('Levels up to: ', $refused->string('detail'), 'by the name that the form has for it');
    }

    /** Of a large kit only some units are looked at: those that can measure it are among them, wherever they stand. */
    public function testTheOneUnitOfManyThatCanIsFound(): void
    {
        self::mockTime('2026-03-02T10:00:00+00:00');
        $scene = self::scene();
        $many = array_map(static fn (int $i): array => [
            'id' => \sprintf('B-%02d', $i),
            'family' => 'noise-dosimeter',
            'model' => 'M',
            'microphone' => '1/2 in',
            'rangeHigh' => $i === 12 ? '150' : '140',
        ], range(1, 12));
        $own = array_map(
            static fn (mixed $unit): array => ['rangeHigh' => '140'] + (\is_array($unit) ? $unit : []),
            (array) $scene->record['instruments'],
        );
        $scene->record['instruments'] = [...$own, ...$many];
        $this->import($scene);
        $this->signIn(Role::Technician);
        $plan = $this->asked([['demands' => ['levelsTo' => '145', 'peaksTo' => '150']] + self::wanted('W-01')]);
        self::assertSame(['B-12'], self::column($this->call('POST', '/api/plans', $plan, 201), 'tasks', 'unit'));
    }

    /** Two plans of one day: what the first holds is taken last, and what both want at once is said in both. */
    public function testAnotherPlanOfTheDay(): void
    {
        $this->begin();
        $first = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01')]), 201);
        self::assertSame([['D'], []], [self::column($first, 'tasks', 'unit'), $first->list('over')]);
        self::assertFalse($this->otherwise($first));
        $second = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-02')]), 201);
        self::assertSame(['D-3'], self::column($second, 'tasks', 'unit'));
        self::assertMatchesRegularExpression('/A is wanted by DP-00001 at the same time: there from 06:/', self::words($second, 'over'));
        self::assertStringContainsString('nia is wanted by DP-00001 at the same time', self::words($second, 'over'));
        self::assertTrue($this->otherwise($first), 'it was planned before the other');
        $again = ['version' => '1', 'asked' => $this->asked([self::wanted('W-02')])];
        $again = $this->call('POST', '/api/plans/'.$second->string('id'), $again);
        self::assertStringNotContainsString('DP-00002', self::words($again, 'over'), 'it is not beside itself');
        // Where there is no other, or it was named, it is taken, and said.
        $named = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-04', ['unit' => 'D'])]), 201);
        self::assertStringContainsString('DP-00001 has it at the same time.', self::words($named, 'tasks.0.notes'));
        self::assertStringContainsString('D is wanted by DP-00001 at the same time', self::words($named, 'over'));
        // What reaches into the next morning is wanted then too; what is over before holds nothing.
        $day = '2026-03-04';
        $night = $this->asked([self::wanted('W-01', ['unit' => 'D', 'from' => '22:00', 'to' => '06:30'])], '2026-03-03');
        $this->call('POST', '/api/plans', $night, 201);
        $morning = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D'])], $day), 201);
        self::assertStringContainsString('D is wanted by DP-00004 at the same time', self::words($morning, 'over'));
        $late = $this->asked([self::wanted('W-01', ['unit' => 'D', 'from' => '10:00', 'to' => '12:00'])], '2026-03-05');
        self::assertSame([], $this->call('POST', '/api/plans', $late, 201)->list('over'));
    }

    /** The calibrator is in date while it is measured, and not any more after midnight, when the check after it is made. */
    public function testAReferenceRunsOutBeforeTheCheckAfter(): void
    {
        $this->begin();
        $until = fn (string $to): string => implode(' ', array_filter($this->call('POST', '/api/plans', $this->asked(
            [self::wanted('W-01', ['unit' => 'D-3', 'from' => '15:00', 'to' => $to])],
            '2026-06-01',
        ), 201)->list('over'), \is_string(...)));
        $said = 'A is in date until 1 Jun 23:59, and the post-check of D-3 on it is planned until 2 Jun 00:';
        self::assertStringContainsString($said, $until('23:50'));
        self::assertStringNotContainsString('in date until', $until('22:00'));
    }

    /** The runs and checks of the day, beside what was planned; a late start moves what follows. */
    public function testWhatIsDoneStandsBesideThePlanAndMovesIt(): void
    {
        // Its run went from 08:00 to 16:00, its checks were at 07:30 and 16:30.
        $this->begin('2026-03-02T05:00:00+00:00');
        $scene = $this->call('GET', '/api/runs/r');
        $day = substr($scene->string('start'), 0, 10);
        self::mockTime($day.'T05:00:00+00:00');
        $person = $scene->string('person');
        $wanted = [self::wanted($person, ['from' => '07:45', 'to' => '15:45'])];
        $plan = $this->call('POST', '/api/plans', $this->asked($wanted, $day), 201);
        $of = static fn (Answer $told, string $kind, string $what): mixed => array_column($told->list('activities'), $what, 'kind')[$kind];
        self::assertTrue($of($plan, 'pre-check', 'done'));
        self::assertSame('k1', $of($plan, 'pre-check', 'evidence'));
        self::assertSame($day.'T08:00:00+00:00', $of($plan, 'fit', 'nowTo'));
        self::assertSame($day.'T07:45:00+00:00', $of($plan, 'fit', 'to'));
        self::assertSame('r', $of($plan, 'take off', 'evidence'));
        self::assertSame($day.'T16:30:00+00:00', $of($plan, 'post-check', 'nowTo'));
        self::assertFalse($this->otherwise($plan), 'what is done is not planned again');

        // The same unit on somebody else is not what was planned; and a check of the evening before is not that of the morning.
        $others = [self::wanted('somebody else', ['from' => '07:45', 'to' => '15:45'])];
        $other = $this->call('POST', '/api/plans', $this->asked($others, $day), 201);
        self::assertFalse($of($other, 'fit', 'done'));
        $morning = [self::wanted($person, ['from' => '04:10', 'to' => '06:00', 'unit' => 'D'])];
        $next = $this->asked($morning, (new \DateTimeImmutable($day.' +1 day'))->format('Y-m-d'));
        self::assertFalse($of($this->call('POST', '/api/plans', $next, 201), 'pre-check', 'done'));
    }

    /** What is on the way at noon is not expected at seven. */
    public function testWhatIsNotDoneIsNotExpectedBeforeNow(): void
    {
        $this->begin();
        $plan = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01')]), 201);
        self::mockTime('2026-03-03T06:50:00+00:00');
        $this->signIn(Role::Technician);
        $late = $this->call('GET', '/api/plans/'.$plan->string('id'));
        self::assertSame(
            ['2026-03-03T06:50:00+00:00', '2026-03-03T06:51:00+00:00', '2026-03-03T07:20:00+00:00', '2026-03-03T15:00:00+00:00'],
            \array_slice(self::column($late, 'activities', 'nowFrom'), 0, 4),
        );
        self::assertSame('2026-03-03T06:25:00+00:00', $late->string('activities.0.from'));
    }

    public function testWhatCannotBeReadIsNamedFieldByField(): void
    {
        $this->begin();
        $bad = $this->asked([
            self::wanted('W-01', ['from' => '7', 'family' => 'abacus']),
            self::wanted('W-02', ['by' => 'pim', 'place' => 'attic']),
        ]);
        $bad['handling'] = ['switchOn' => '0', 'fit' => '1e999', 'takeOff' => 'soon', 'notSooner' => '30'];
        $told = $this->call('POST', '/api/plans', $bad, 422);
        $fields = array_column($told->list('fields'), 'field');
        $hands = ['/handling/switchOn', '/handling/fit', '/handling/takeOff'];
        foreach (['/wanted/0/from', '/wanted/0/family', '/wanted/1/by', '/ways', ...$hands] as $one) {
            self::assertContains($one, $fields);
        }
        foreach ([
            '/campaign' => ['campaign' => 'none'],
            '/day' => ['day' => '2026-13-01'],
            '/crew' => ['crew' => []],
            '/wanted ' => ['wanted' => []],
            '/wanted' => ['wanted' => array_fill(0, 41, self::wanted('W'))],
            '/wanted/0/unit' => ['wanted' => [self::wanted('W-01', ['unit' => 'A'])]],
            '/handling/notSooner' => ['handling' => ['switchOn' => '1', 'fit' => '5', 'takeOff' => '5', 'notSooner' => '4']],
        ] as $field => $change) {
            $told = $this->call('POST', '/api/plans', [...$this->asked([self::wanted('W-01')]), ...$change], 422);
            self::assertContains(trim($field), array_column($told->list('fields'), 'field'));
        }
        self::assertSame([], $this->call('GET', '/api/plans')->list('items'), 'nothing was kept');
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01')]), 403);
        $this->call('GET', '/api/plans/DP-00009', null, 404);
    }

    /** A sample that can never quantify a tenth of the limit is said to be of no use, with the figures. */
    public function testASampleThatIsOfNoUseIsSaid(): void
    {
        self::mockTime('2026-03-02T10:00:00+00:00');
        $this->importRecord((new AirScene())->record);
        $this->signIn(Role::Technician);
        $sample = [
            'limit' => ['value' => '1', 'unit' => 'mg/m³'],
            'share' => '0.1',
            'quantitation' => ['value' => '100', 'unit' => 'µg'],
            'flow' => ['value' => '2.0', 'unit' => 'L/min'],
        ];
        $row = self::wanted('W-01', ['family' => 'air-sampler']);
        // 100 µg in a tenth of 1 mg/m³ want 1000 L; eight hours at 2 L/min draw 960 L, and half an hour more 1020 L.
        $short = $this->call('POST', '/api/plans', $this->asked([[...$row, 'sample' => $sample]]), 201);
        self::assertFalse($short->at('samples.0.usable'));
        self::assertStringContainsString('10 % of the limit cannot be quantified', $short->string('samples.0.words.0'));
        $long = $this->call('POST', '/api/plans', $this->asked([[...$row, 'to' => '15:30', 'sample' => $sample]]), 201);
        self::assertTrue($long->at('samples.0.usable'));
        self::assertNull($long->at('samples.0.holds'), 'nobody says how long it holds');
        $method = ['code' => 'M-H', 'name' => 'Kept cool', 'holdingDays' => '7'];
        $this->call('POST', '/api/kit/library/methods', $method, 201);
        $held = $this->call('POST', '/api/plans', $this->asked([[...$row, 'sample' => [...$sample, 'method' => 'M-H']]]), 201);
        self::assertSame('2026-03-10T15:00:00+00:00', $held->string('samples.0.holds'), 'seven days after it is taken off');
        $bad = $this->asked([[...$row, 'sample' => [...$sample, 'share' => 'a tenth']]]);
        self::assertSame('/wanted/0/sample/share', $this->call('POST', '/api/plans', $bad, 422)->string('fields.0.field'));
    }

    /** @param array<string, mixed> $said */
    private function said(string $what, array $said, int $status = 200): void
    {
        $this->call('POST', "/api/kit/$what/word", $said, $status);
    }

    /** What is out of the house, lost or given back is not taken; what is missing of a unit is said, and what goes along is listed. */
    public function testWhatIsNotThereIsNotTaken(): void
    {
        $this->begin();
        self::assertNull($this->call('GET', '/api/kit/instruments/D/word')->at('said'));
        $this->said('instruments/D', ['state' => 'out', 'place' => 'at the laboratory']);
        $this->said('instruments/D-3', ['state' => 'here', 'belongs' => [['what' => 'windscreen', 'missing' => true], ['what' => 'case']]]);
        $plan = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01'), self::wanted('W-02')]), 201);
        self::assertSame(['D-3'], self::column($plan, 'tasks', 'unit'));
        self::assertStringContainsString('Missing: windscreen.', self::words($plan, 'tasks.0.notes'));
        self::assertStringContainsString('D: It is out of the house: at the laboratory.', self::words($plan, 'short.0.why'));
        self::assertSame(['A', 'D-3'], self::column($plan, 'packing', 'id'));
        self::assertSame([['case'], ['windscreen']], [$plan->list('packing.1.with'), $plan->list('packing.1.missing')]);

        // Hired until the day before: on that day it is still there.
        $this->said('instruments/D', ['state' => 'here', 'owner' => 'hired', 'whose' => 'Hire House', 'until' => '2026-03-03']);
        $there = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01')]), 201);
        self::assertSame(['D'], self::column($there, 'tasks', 'unit'));
        $later = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D'])], '2026-03-04'), 201);
        self::assertStringContainsString('It went back to Hire House on 2026-03-03.', self::words($later, 'short.0.why'));
        // One that goes back before the day is none either: what counts is where it is then, and not today.
        $this->said('references/A', ['state' => 'here', 'owner' => 'hired', 'whose' => 'Hire House', 'until' => '2026-03-03']);
        $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D-3'])], '2026-03-03'), 201);
        $gone = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01', ['unit' => 'D-3'])], '2026-03-04'), 201);
        self::assertStringContainsString('No reference that it can be checked on.', self::words($gone, 'short.0.why'));
        // A reference that is lost is no reference.
        $this->said('references/A', ['state' => 'lost']);
        $without = $this->call('POST', '/api/plans', $this->asked([self::wanted('W-01')]), 201);
        self::assertStringContainsString('No reference that it can be checked on.', self::words($without, 'short.0.why'));

        self::assertSame('lost', $this->call('GET', '/api/kit/references/A/word')->string('said.record.state'));
        foreach ([['state' => 'here', 'until' => 'soon', 'owner' => 'hired'], ['state' => 'here', 'colour' => 'red'], []] as $bad) {
            $this->said('instruments/D', $bad, 422);
        }
        $this->said('instruments/none', ['state' => 'here'], 404);
        $entries = $this->call('GET', '/api/journal?about=A')->list('entries');
        self::assertSame('T-1 said of A where it is and what belongs to it.', array_column($entries, 'sentence')[0]);
        $this->signIn(Role::Reader);
        $this->said('instruments/D', ['state' => 'here'], 403);
    }
}
