<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Interval;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Evidence\InvalidInterval;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Families;
use Footnote\Core\Flow\FlowFamily;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Judgement\GoingOut;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordedCampaign;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What is wanted again and again, on both sides of the end of its interval: by the policy and by an instrument's own interval, on
 * results and on units that would go out. Intervals: meters and dosimeters two years (ISO 9612, from memory), fixed samplers monthly
 * and quarterly (40 CFR 58 App. A, from memory), calibrators yearly, bump daily, calibration monthly (common practice).
 */
final class IntervalsTest extends TestCase
{
    use RulesOneByOne;

    /** @return iterable<array{string, string, string, string, string}> length, unit, zone, moment, the last moment at which it counts */
    public static function calendar(): iterable
    {
        yield ['24', 'hours', 'UTC', '2026-03-02T07:30:00Z', '2026-03-03T07:30:00+00:00'];
        yield 'hours pass, whatever the clock shows' => [
            '24', 'hours', 'Europe/London', '2026-03-28T07:30:00Z', '2026-03-29T08:30:00+01:00',
        ];
        yield 'days end with the day of the site' => [
            '1', 'days', 'Europe/London', '2026-03-28T07:30:00Z', '2026-03-29T23:59:59+01:00',
        ];
        yield 'of the site, not of the world' => [
            '1', 'days', 'America/Denver', '2026-03-02T05:00:00Z', '2026-03-02T23:59:59-07:00',
        ];
        yield ['1', 'months', 'UTC', '2026-03-02T07:30:00Z', '2026-04-02T23:59:59+00:00'];
        yield 'no thirtieth of February' => ['1', 'months', 'UTC', '2026-01-31T07:30:00Z', '2026-02-28T23:59:59+00:00'];
        yield 'a leap year' => ['1', 'months', 'UTC', '2028-01-31T07:30:00Z', '2028-02-29T23:59:59+00:00'];
        yield 'over the new year' => ['3', 'months', 'UTC', '2025-11-30T07:30:00Z', '2026-02-28T23:59:59+00:00'];
        yield ['1', 'years', 'UTC', '2025-03-02T07:30:00Z', '2026-03-02T23:59:59+00:00'];
        yield 'from a leap day' => ['2', 'years', 'UTC', '2024-02-29T07:30:00Z', '2026-02-28T23:59:59+00:00'];
    }

    #[DataProvider('calendar')]
    public function testAnIntervalEndsByTheCalendarOfTheSite(string $length, string $unit, string $zone, string $of, string $until): void
    {
        $interval = Interval::of(Decimal::parse($length), IntervalUnit::from($unit));
        $last = $interval->lastOf(new \DateTimeImmutable($of), new \DateTimeZone($zone));
        self::assertSame($until, $last->format(\DATE_ATOM));
    }

    /** @return iterable<array{string, string}> */
    public static function noIntervals(): iterable
    {
        yield ['0', 'days'];
        yield ['1.5', 'months'];
        yield ['101', 'years'];
        yield ['-1', 'hours'];
    }

    #[DataProvider('noIntervals')]
    public function testWhatNoCalendarCountsIsRefused(string $length, string $unit): void
    {
        $this->expectException(InvalidInterval::class);
        Interval::of(Decimal::parse($length), IntervalUnit::from($unit));
    }

    /**
     * @param array<string, string> $own further intervals of the unit
     *
     * @return array<string, string>
     */
    private static function own(string $routine, string $every, string $unit, string $since = '2026-01-01', array $own = []): array
    {
        return [
            'routine' => $routine, 'every' => $every, 'unit' => $unit, 'since' => $since,
            'source' => 'the manual, page 12', 'by' => 'S-1', ...$own,
        ];
    }

    /** @param array<string, mixed> $more of the one unit of a scene */
    private static function with(Scene|AirScene|GasScene|ParticleScene $scene, array $more): Scene|AirScene|GasScene|ParticleScene
    {
        $units = $scene->record['instruments'];
        \assert(\is_array($units) && \is_array($units[0]));
        $scene->record['instruments'] = [[...$units[0], ...$more]];

        return $scene;
    }

    /** @return array<string, mixed> */
    private static function certified(string $issued, string $due = '2030-01-01'): array
    {
        return ['certificates' => [['number' => 'L-1', 'laboratory' => 'L', 'issued' => $issued, 'due' => $due]]];
    }

    /** @param array<string, mixed> $unit */
    private static function dosimeter(array $unit): Scene
    {
        $scene = self::with(
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            $unit,
        );
        \assert($scene instanceof Scene);

        return $scene;
    }

    /** @param list<array<string, string>> $own */
    private static function calibrator(string $issued, array $own = []): Scene
    {
        $scene = self::dosimeter([]);
        $reference = Scene::calibrator('A', '114.0', '0.2');
        \assert(\is_array($reference['certificates']) && \is_array($reference['certificates'][0]));
        $reference['certificates'][0]['issued'] = $issued;
        $scene->record['references'] = [[...$reference, 'intervals' => $own]];

        return $scene;
    }

    /** @param array<string, mixed> $unit */
    private static function counter(array $unit): ParticleScene
    {
        return (new ParticleScene($unit))
            ->check('k1', '07:45')->run('r', '08:00', '08:10', ['0.3' => array_fill(0, 10, '300')])->check('k2', '09:50');
    }

    private static function monitor(string $before): GasScene
    {
        $log = array_map(
            static fn (string $value): array => array_fill(0, 60, $value),
            ['O2' => '20.9', 'LEL' => '0', 'CO' => '20', 'H2S' => '0', 'PID' => '0.0'],
        );

        return (new GasScene())->check('k1', $before)->run('r', '08:00', '09:00', $log)->check('k2', '09:30');
    }

    /** @return array<string, string> every step of a fixed sampler's usual check */
    private static function walked(): array
    {
        $unit = new Instrument('P', FlowFamily::ID, 'M', traits: new Traits(['kind' => 'fixed sampler']));
        $steps = array_map(static fn (Step $step): string => $step->id, (new FlowFamily())->procedures($unit)[0]->steps);

        return array_fill_keys($steps, 'done');
    }

    /** @param array<string, mixed> $more */
    private static function fixed(string $before, array $more = [], ?string $range = null): AirScene
    {
        $range = $range === null ? [] : ['rangeHigh' => ['value' => $range, 'unit' => 'L/min']];
        $scene = self::with(
            (new AirScene())->check('k1', $before, ['2.0'], more: ['steps' => self::walked()])
                ->run('r', '08:00', '14:00', ['sampler' => null, 'method' => null])->check('k2', '14:10', ['2.0']),
            ['kind' => 'fixed sampler', ...$range, ...$more],
        );
        \assert($scene instanceof AirScene);

        return $scene;
    }

    /** @return iterable<string, array{string, Scene|AirScene|GasScene|ParticleScene, Scene|AirScene|GasScene|ParticleScene, Severity}> */
    public static function rules(): iterable
    {
        yield 'a dosimeter was in the laboratory more than two years ago' => [
            'unit.laboratory-due', self::dosimeter(self::certified('2024-03-01')),
            self::dosimeter(self::certified('2024-03-02')), Severity::Qualified,
        ];
        yield 'a counter more than a year ago' => [
            'unit.laboratory-due', self::counter(self::certified('2025-03-01')),
            self::counter(self::certified('2025-03-02')), Severity::Qualified,
        ];
        yield 'the site wants it yearly' => [
            'unit.laboratory-due',
            self::dosimeter([...self::certified('2025-03-01'), 'intervals' => [self::own('laboratory calibration', '1', 'years')]]),
            self::dosimeter([...self::certified('2025-03-02'), 'intervals' => [self::own('laboratory calibration', '1', 'years')]]),
            Severity::Qualified,
        ];
        yield 'the site wants it yearly from a day on' => [
            'unit.laboratory-due',
            self::dosimeter([
                ...self::certified('2025-03-01'),
                'intervals' => [self::own('laboratory calibration', '1', 'years', '2026-03-02')],
            ]),
            self::dosimeter([
                ...self::certified('2025-03-01'),
                'intervals' => [self::own('laboratory calibration', '1', 'years', '2026-03-03')],
            ]),
            Severity::Qualified,
        ];
        $longer = static fn (string $years): array => ['intervals' => [self::own('laboratory calibration', $years, 'years')]];
        yield 'the site lets it go longer, and says so' => [
            'unit.laboratory-due',
            self::dosimeter([...self::certified('2023-06-01'), ...$longer('3')]),
            self::dosimeter([...self::certified('2024-06-01'), ...$longer('3')]),
            Severity::Note,
        ];
        yield 'longer, and not as long as that' => [
            'unit.laboratory-due',
            self::dosimeter([...self::certified('2023-03-01'), ...$longer('3')]),
            self::dosimeter([...self::certified('2025-03-01'), ...$longer('3')]),
            Severity::Qualified,
        ];
        yield 'the latest word holds' => [
            'unit.laboratory-due',
            self::dosimeter([...self::certified('2023-06-01'), 'intervals' => [
                self::own('laboratory calibration', '3', 'years'), self::own('laboratory calibration', '2', 'years', '2026-02-01'),
            ]]),
            self::dosimeter([...self::certified('2025-06-01'), 'intervals' => [
                self::own('laboratory calibration', '2', 'years'), self::own('laboratory calibration', '3', 'years', '2026-02-01'),
            ]]),
            Severity::Qualified,
        ];
        yield 'no laboratory ever' => [
            'unit.certificate-missing', self::dosimeter([]), self::dosimeter(self::certified('2025-03-01')), Severity::Note,
        ];
        yield 'a certificate of the day after' => [
            'unit.certificate-missing', self::dosimeter(self::certified('2026-03-03')),
            self::dosimeter(self::certified('2026-03-02')), Severity::Note,
        ];
        yield 'a calibrator more than a year ago, due or not' => [
            'reference.laboratory-due', self::calibrator('2025-03-01'), self::calibrator('2025-03-02'), Severity::Qualified,
        ];
        yield 'a calibrator that the site wants seen every six months' => [
            'reference.laboratory-due',
            self::calibrator('2025-09-01', [self::own('laboratory calibration', '6', 'months')]),
            self::calibrator('2025-09-02', [self::own('laboratory calibration', '6', 'months')]),
            Severity::Qualified,
        ];
        yield 'a calibrator that the site lets go longer' => [
            'reference.laboratory-due',
            self::calibrator('2025-03-01', [self::own('laboratory calibration', '2', 'years')]),
            self::calibrator('2025-03-02', [self::own('laboratory calibration', '2', 'years')]),
            Severity::Note,
        ];
        yield 'a monitor neither bumped nor calibrated for more than a day' => [
            'gas.bump-due', self::monitor('2026-03-01T07:59'), self::monitor('2026-03-01T08:00'), Severity::Qualified,
        ];
        $bump = ['procedure' => 'bump-test'];
        yield 'a dead channel does not count as bumped' => [
            'gas.bump-due',
            self::monitor('2026-03-01T07:00')->check('b', '07:30', ['CO' => '3', 'H2S' => ''], gas: $bump),
            self::monitor('2026-03-01T07:00')->check('b', '07:30', gas: $bump),
            Severity::Qualified,
        ];
        yield 'a bump that was broken off does not count' => [
            'gas.bump-due',
            self::monitor('2026-03-01T07:00')->check('b', '07:30', more: ['brokenOff' => true], gas: $bump),
            self::monitor('2026-03-01T07:00')->check('b', '07:30', gas: $bump),
            Severity::Qualified,
        ];
        yield 'calibrated more than a month ago' => [
            'gas.calibration-due', self::monitor('2026-02-01T23:00'), self::monitor('2026-02-02T00:00'), Severity::Qualified,
        ];
        yield 'a fixed sampler checked more than a month ago' => [
            'flow.check-due', self::fixed('2026-02-01T23:00'), self::fixed('2026-02-02T00:00'), Severity::Qualified,
        ];
        yield 'one of high volume more than a quarter ago' => [
            'flow.check-due', self::fixed('2025-12-01T23:00', range: '200'),
            self::fixed('2025-12-02T00:00', range: '200'), Severity::Qualified,
        ];
        yield 'one whose range does not reach a high volume' => [
            'flow.check-due', self::fixed('2026-02-01T23:00', range: '199.9'),
            self::fixed('2026-02-01T23:00', range: '200'), Severity::Qualified,
        ];
        yield 'a pump is checked before each run, whatever the calendar' => [
            'bracket.pre-check-old',
            self::fixed('2026-03-01T07:59', ['kind' => 'pump']),
            self::fixed('2026-03-01T07:59'),
            Severity::Qualified,
        ];
    }

    /** A monitor that is fixed is checked by its interval, and not bumped. */
    public function testWhatStandsFixedIsCheckedByTheCalendar(): void
    {
        $found = static fn (GasScene $scene): array => array_values(array_unique(array_map(
            static fn ($finding): string => $finding->rule->id,
            array_filter($scene->assess('r')->findings, static fn ($one): bool => $one->severity === Severity::Qualified),
        )));
        $fixed = static function (string $before): GasScene {
            $scene = self::with(self::monitor($before), ['fixed' => true]);
            \assert($scene instanceof GasScene);

            return $scene;
        };
        self::assertNotContains('gas.bump-due', $found($fixed('2026-02-02T08:00')));
        self::assertNotContains('bracket.pre-check-old', $found($fixed('2026-02-02T08:00')));
        self::assertContains('gas.calibration-due', $found($fixed('2026-02-01T08:00')));
        self::assertContains('bracket.pre-check-old', $found(self::monitor('2026-02-02T08:00')));
    }

    /** Where no policy and no site wants a laboratory, none is missed. */
    public function testAPumpWithoutCertificateLacksNothingUnlessItsSiteWantsOne(): void
    {
        $day = static fn (array ...$own): array => array_map(
            static fn ($finding): string => $finding->rule->id,
            self::fixed('07:30', ['kind' => 'pump', 'intervals' => $own])->assess('r')->findings,
        );
        self::assertNotContains('unit.certificate-missing', $day());
        self::assertContains('unit.certificate-missing', $day(self::own('laboratory calibration', '1', 'years')));
    }

    /** The finding prints whose interval it is: that of the policy, or that of the site with who set it and why. */
    public function testAFindingSaysWhoseIntervalItIs(): void
    {
        $finding = self::of(self::dosimeter(self::certified('2024-03-01'))->assess('r'), 'unit.laboratory-due');
        self::assertSame('not more than 2 years', $finding?->limit?->words());
        self::assertStringContainsString('ISO 9612', $finding->rule->source);
        self::assertStringContainsString('certificate L-1) counted until 1 Mar 2026 23:59', $finding->seen);
        $own = self::of(
            self::dosimeter([...self::certified('2025-03-01'), 'intervals' => [self::own('laboratory calibration', '1', 'years')]])
                ->assess('r'),
            'unit.laboratory-due',
        );
        self::assertSame('not more than 1 year', $own?->limit?->words());
        self::assertSame('Its own interval since 1 Jan 2026, set by S-1: the manual, page 12.', $own->rule->source);
        self::assertSame('own', $own->rule->mark->value);
    }

    private static function fitness(RecordedCampaign $campaign, string $policy): Fitness
    {
        foreach ($campaign->timelines as $timeline) {
            $start = $timeline->run('new');
            if ($start instanceof Run) {
                return (new GoingOut(Families::assessor()))->of($start, $timeline, Scene::policy($policy));
            }
        }
        self::fail('There is no run that begins.');
    }

    /** @return iterable<string, array{RecordedCampaign, FitState, string, 3?: string}> */
    public static function units(): iterable
    {
        $dosimeter = static function (string $issued): RecordedCampaign {
            $scene = self::with((new Scene())->check('k', '07:30', ['114.0']), self::certified($issued));
            \assert($scene instanceof Scene);

            return $scene->run('new', '08:00', null, more: ['totals' => null])->read();
        };
        yield 'in its laboratory two years ago today' => [$dosimeter('2024-03-02'), FitState::Fit, ''];
        yield 'in its laboratory two years ago yesterday' => [$dosimeter('2024-03-01'), FitState::Held, 'counted until 1 Mar 2026'];
        $against = static function (string $issued): RecordedCampaign {
            $scene = self::calibrator($issued);
            $scene->record['runs'] = [];

            return $scene->run('new', '17:00', null, more: ['totals' => null])->read();
        };
        yield 'checked against a calibrator of a year ago today' => [$against('2025-03-02'), FitState::Fit, ''];
        yield 'checked against a calibrator of a year ago yesterday' => [
            $against('2025-03-01'), FitState::CheckFirst, 'was to see it again by 1 Mar 2026',
        ];
        $monitor = static fn (string $checked, ?string $bumped = null): RecordedCampaign => ($bumped === null
            ? (new GasScene())->check('k', $checked)
            : (new GasScene())->check('k', $checked)->check('b', $bumped, gas: ['procedure' => 'bump-test']))
            ->run('new', '08:00', null)->read();
        yield 'a school that calibrates weekly bumps daily' => [
            $monitor('2026-02-27T08:00', '2026-03-01T08:00'), FitState::Fit, '', 'survey',
        ];
        yield 'and not two days ago' => [
            $monitor('2026-02-27T08:00', '2026-03-01T07:59'), FitState::CheckFirst, 'bump test counted until 2 Mar 2026 07:59', 'survey',
        ];
        $sampler = static function (string $checked): RecordedCampaign {
            $scene = self::fixed($checked);
            $scene->record['runs'] = [];
            \assert(\is_array($scene->record['checks']));
            $scene->record['checks'] = \array_slice($scene->record['checks'], 0, 1);

            return $scene->run('new', '08:00', null, ['sampler' => null, 'method' => null])->read();
        };
        yield 'a fixed sampler checked a month ago' => [$sampler('2026-02-02T09:00'), FitState::Fit, ''];
        yield 'a fixed sampler checked a month and a day ago' => [
            $sampler('2026-02-01T09:00'), FitState::CheckFirst, 'flow check counted until 1 Mar 2026 23:59',
        ];
    }

    #[DataProvider('units')]
    public function testWhatPassesItsDateChangesTheStateOfTheUnit(
        RecordedCampaign $campaign,
        FitState $expected,
        string $said,
        string $policy = 'standard',
    ): void {
        $fitness = self::fitness($campaign, $policy);
        self::assertSame([$expected, $said === ''], [$fitness->state, $fitness->against === []], implode(' | ', $fitness->against));
        self::assertStringContainsString($said, implode(' | ', $fitness->against));
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refused(): iterable
    {
        yield 'what is not done to such a unit' => [self::own('bump test', '1', 'days'), '/instruments/0/intervals/0/routine'];
        yield 'never' => [self::own('laboratory calibration', '0', 'years'), '/instruments/0/intervals/0/every'];
        yield 'one and a half' => [self::own('laboratory calibration', '1.5', 'years'), '/instruments/0/intervals/0/every'];
        yield 'moons' => [self::own('laboratory calibration', '1', 'moons'), '/instruments/0/intervals/0/unit'];
        yield 'no day' => [self::own('laboratory calibration', '1', 'years', '2026-02-30'), '/instruments/0/intervals/0/since'];
        yield 'nobody' => [self::own('laboratory calibration', '1', 'years', own: ['by' => '']), '/instruments/0/intervals/0/by'];
        yield 'no reason' => [
            self::own('laboratory calibration', '1', 'years', own: ['source' => '']),
            '/instruments/0/intervals/0/source',
        ];
    }

    /** @param array<string, string> $interval */
    #[DataProvider('refused')]
    public function testAnIntervalThatCannotBeReadIsRefusedByItsPlace(array $interval, string $place): void
    {
        try {
            self::dosimeter(['intervals' => [$interval]])->read();
            self::fail('It was read.');
        } catch (InvalidRecord $problem) {
            self::assertSame($place, $problem->path);
        }
    }
}
