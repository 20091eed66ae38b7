<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Particle\Coincidence;
use Footnote\Core\Particle\Spheres;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Statistics\Poisson;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Particle counters and dust monitors: published values, R, properties, and every rule on both sides of its line. */
final class ParticleTest extends TestCase
{
    use PrintedByOthers;
    use RulesOneByOne;

    /** P-2 (published: handbook formula): 1 % of 3.0 µm: 6.737·10⁸/mL; 0.1 % of 2.0 µm: 2.274·10⁸/mL. */
    public function testSpheresInASuspension(): void
    {
        $day = new \DateTimeImmutable('2026-03-02');
        foreach ([['3.0', '1', 6.737e8], ['2.0', '0.1', 2.274e8]] as [$diameter, $solids, $expected]) {
            $lot = self::lot($diameter, $solids);
            self::assertEqualsWithDelta(
                1.0,
                ($lot->perMillilitre($day)?->toFloat() ?? 0.0) / $expected,
                2.5e-4,
                'to the four digits that are printed',
            );
            // P-3 there and back: the spike for a wanted count gives that count.
            $jug = new Measured(Decimal::parse('2'), CommonUnit::Litre);
            $spike = $lot->spikeFor(Decimal::parse('500'), $jug, $day)?->toFloat();
            self::assertEqualsWithDelta(
                500.0,
                $lot->diluted(
                    new Measured(Decimal::parse(number_format((float) $spike, 12, '.', '')), CommonUnit::Millilitre),
                    $jug,
                    $day,
                )?->toFloat(),
                1e-3,
            );
        }
    }

    private static function lot(string $diameter, string $solids): Spheres
    {
        return new Spheres(
            new Reference(
                'L',
                Spheres::KIND,
                'm',
                [
                    new Certificate(
                        'n',
                        'l',
                        new \DateTimeImmutable('2026-01-01'),
                        new \DateTimeImmutable('2027-01-01'),
                        [],
                        new Traits(['diameter' => Decimal::parse($diameter), 'solids' => Decimal::parse($solids)]),
                    ),
                ],
            ),
        );
    }

    /** P-4 (common practice): 10 % at 70 per cm³ and 2.83 L/min means about 32 µs; and observed → true → observed is the identity. */
    public function testCoincidence(): void
    {
        self::assertEqualsWithDelta(0.10, 1 - Coincidence::observed(70.0, 2.83, 31.9) / 70, 0.0005);
        mt_srand(4);
        for ($i = 0; $i < 200; ++$i) {
            $flow = mt_rand(1, 300) / 10;
            $dead = mt_rand(1, 500) / 10;
            $true = mt_rand(1, 999) / 1000 / ($flow * 1000 / 60 * $dead / 1e6);
            self::assertEqualsWithDelta($true, Coincidence::true(Coincidence::observed($true, $flow, $dead), $flow, $dead), 1e-6 * $true);
        }
        self::assertNull(Coincidence::true(1000.0, 28.3, 50.0), 'no concentration shows so many');
    }

    /** Garwood's limits against R's qchisq, from no count at all to three thousand million. */
    public function testPoissonLimitsAgainstR(): void
    {
        $counts = [0, 1, 2, 5, 10, 37, 100, 999, 12345, 99_999, 100_000, 2_500_000, 3_000_000_000];
        $numbers = $this->numbersOfR(
            \sprintf(
                'n <- c(%s); cat(format(c(qchisq(0.025, 2*n)/2, qchisq(0.975, 2*(n+1))/2, qchisq(0.95, 2*(n+1))/2, '
                    .'ppois(n, n*0.9+1)), digits=17), sep="\n")',
                implode(',', $counts),
            ),
        );
        foreach ($counts as $place => $count) {
            [$low, $high] = Poisson::limits($count);
            foreach ([
                $low,
                $high,
                Poisson::upper($count),
                ...($count < 100_000 ? [Poisson::below($count, $count * 0.9 + 1)] : []),
            ] as $k => $own) {
                self::assertEqualsWithDelta($numbers[$place + $k * \count($counts)], $own, 1e-8 * max(1.0, $own), "$count, number $k");
            }
        }
    }

    /** FC-E7: 100 counts against 20 in equal times lie between 58.4 and 103.0 apart; against none in no time they are Garwood's own. */
    public function testLimitsOfADifference(): void
    {
        [$low, $high] = Poisson::difference(100, 1.0, 20, 1.0);
        self::assertEqualsWithDelta([58.4, 103.0], [$low, $high], 0.05);
        self::assertEqualsWithDelta([2 * $low, 2 * $high], Poisson::difference(100, 0.5, 20, 0.5), 1e-9, 'times scale');
        self::assertSame(Poisson::limits(100), Poisson::difference(100, 1.0, 0, 0.0));
    }

    /** FC-B10: both branches observe the same, and a limit between them is settled by a diluted reading alone. */
    public function testBothBranchesOfCoincidence(): void
    {
        $low = (float) Coincidence::true(10.0, 2.83, 32.0);
        $high = (float) Coincidence::high(10.0, 2.83, 32.0);
        self::assertEqualsWithDelta(
            [10.0, 10.0],
            [Coincidence::observed($low, 2.83, 32.0), Coincidence::observed($high, 2.83, 32.0)],
            1e-9,
        );
        self::assertGreaterThan(100 * $low, $high);
        $day = static fn (string $limit, ?string $diluted = null): Robustness => self::limited(
            (new ParticleScene(['deadTime' => '32']))->check('k1', '07:45')->run(
                'r',
                '08:00',
                '09:40',
                ['0.3' => array_fill(0, 100, '28300')],
                $diluted === null ? [] : ['diluted' => $diluted],
            )->check('k2', '09:50'),
            'count:0.3',
            $limit,
        );
        self::assertSame(Robustness::Undecided, $day('100'));
        self::assertSame(Robustness::Robust, $day('100', '10.5'));
        self::assertSame(Robustness::Undecided, $day('100', '9000'));
        self::assertSame(Robustness::Robust, $day('9'), 'more than nine are there on either branch');
    }

    private static function limited(ParticleScene $scene, string $quantity, string $value): Robustness
    {
        $scene->record['campaign'] = [
            'code' => 'c',
            'title' => 'c',
            'criteria' => [],
            'limits' => [[
                'id' => 'l',
                'title' => 'l',
                'quantity' => $quantity,
                'value' => $value,
                'unit' => '1/cm³',
                'comparator' => '>',
                'source' => 's',
                'mark' => 'own',
            ]],
        ];

        return Scene::result($scene->assess(), $quantity)->outcomes[0]->robustness;
    }

    /** P-1 by hand: 2 830 000 counts in 100 min at 2.83 L/min are 10/cm³; 283 a minute in clean air take 0.1 off. */
    public function testConcentrationByHand(): void
    {
        $scene = (new ParticleScene())->check('k1', '07:45', blank: ['0.3' => '2830'])->run(
            'r',
            '08:00',
            '09:40',
            ['0.3' => array_fill(0, 100, '28300')],
        )->check('k2', '09:50', blank: ['0.3' => '2830']);
        $result = Scene::result($scene->assess(), 'count:0.3');
        self::assertSame(['10', '9.9'], [(string) $result->answers->indicated?->value, (string) $result->answers->pre?->value]);
        self::assertEqualsWithDelta(9.9, $result->answers->between?->toFloat(), 1e-9);
        self::assertStringContainsString('By counting alone', $result->beside->notes[0]->words);
    }

    /** The limits by counting lie around the number that stands, whatever the flow did between its checks. */
    public function testLimitsByCountingLieAroundTheNumber(): void
    {
        $result = Scene::result(
            (new ParticleScene())
                ->check('k1', '07:45', ['2.83'])
                ->run('r', '08:00', '09:40', ['0.3' => array_fill(0, 100, '28300')])
                ->check('k2', '09:50', ['2.75'])
                ->assess(),
            'count:0.3',
        );
        self::assertSame(1, preg_match('/between ([\d.]+) and ([\d.]+) /', $result->beside->notes[0]->words, $limits));
        self::assertGreaterThan((float) $limits[1], $result->answers->between?->toFloat());
        self::assertLessThan((float) $limits[2], $result->answers->between?->toFloat());
    }

    /** A log of all from a size up and the same one told between sizes come to the same, up and between. */
    public function testCumulativeAndDifferentialSayTheSame(): void
    {
        mt_srand(11);
        $between = ['0.3' => [], '0.5' => [], '5.0' => []];
        $up = $between;
        for ($i = 0; $i < 90; ++$i) {
            $row = [mt_rand(0, 900), mt_rand(0, 300), mt_rand(0, 20)];
            foreach (['0.3', '0.5', '5.0'] as $place => $size) {
                $between[$size][] = (string) $row[$place];
                $up[$size][] = (string) array_sum(\array_slice($row, $place));
            }
        }
        $one = (new ParticleScene())
            ->check('k1', '07:45', ['2.83'], ['0.3' => '40', '0.5' => '10', '5.0' => '1'])
            ->run('r', '08:00', '09:30', $up)
            ->check('k2', '09:40', ['2.76'], ['0.3' => '60', '0.5' => '20', '5.0' => '3'])
            ->assess();
        $other = (new ParticleScene(['cumulative' => false]))
            ->check('k1', '07:45', ['2.83'], ['0.3' => '30', '0.5' => '9', '5.0' => '1'])
            ->run('r', '08:00', '09:30', $between)
            ->check('k2', '09:40', ['2.76'], ['0.3' => '40', '0.5' => '17', '5.0' => '3'])
            ->assess();
        foreach (['count:0.3', 'count:0.5', 'count:5.0', 'bin:0.3', 'bin:0.5'] as $key) {
            $a = Scene::result($one, $key);
            $b = Scene::result($other, $key);
            foreach (['indicated', 'pre', 'post', 'between'] as $answer) {
                self::assertEqualsWithDelta($a->answers->{$answer}?->toFloat(), $b->answers->{$answer}?->toFloat(), 1e-12, "$key, $answer");
            }
            $notes = static fn (\Footnote\Core\Judgement\Result $one): array => array_map(strval(...), $one->beside->notes);
            self::assertSame($notes($a), $notes($b), $key.': the same counts have the same limits');
        }
    }

    /** Flow and background along the bracket against R, with gaps. */
    public function testAlongTheBracketAgainstR(): void
    {
        mt_srand(12);
        $counts = [];
        for ($i = 0; $i < 240; ++$i) {
            $counts[] = mt_rand(0, 30) === 0 ? '--' : (string) mt_rand(0, 5000);
        }
        $numbers = $this->numbersOfR(
            \sprintf(
                'x <- c(%s); u <- (0:239)/240; q <- 2.83 + (2.70-2.83)*u; b <- 4 + (7-4)*u; '
                    .'cat(format(mean((x - b)/(q*1000), na.rm=TRUE), digits=17))',
                implode(',', array_map(static fn (string $one): string => $one === '--' ? 'NA' : $one, $counts)),
            ),
        );
        $assessment = (new ParticleScene())
            ->check('k1', '07:45', ['2.83'], ['0.3' => '40'])
            ->run('r', '08:00', '12:00', ['0.3' => $counts])
            ->check('k2', '12:10', ['2.70'], ['0.3' => '70'])
            ->assess();
        self::assertEqualsWithDelta($numbers[0], Scene::result($assessment, 'count:0.3')->answers->between?->toFloat(), 1e-9);
    }

    /** P-5: a filter of the same period scales the log; the mean of the scaled log is the filter. */
    public function testPhotometerByItsFilter(): void
    {
        $dust = array_map(static fn (int $i): string => number_format(1 + $i % 5 / 10, 1, '.', ''), range(0, 239));
        $zero = static fn (string $value): array => [
            'zeroFound' => [['value' => $value]],
            'blankMinutes' => null,
            'cell' => null,
            'laser' => null,
        ];
        $scene = ParticleScene::photometer()->check('k1', '07:45', ['1.7'], [], $zero('0.2'))->run(
            'r',
            '08:00',
            '12:00',
            ['dust' => $dust],
            ['weighed' => '2.4', 'weighedFrom' => 'A-7', 'shiftMinutes' => 480],
        )->check('k2', '12:10', ['1.7'], [], $zero('0.2'));
        $assessment = $scene->assess();
        self::assertSame('1', (string) Scene::result($assessment, 'mean:dust')->answers->pre?->value, '1.2 on its scale less 0.2');
        self::assertSame(
            '1.2',
            (string) Scene::result($assessment, 'twa:dust')->answers->between?->value,
            '2.4 mg/m³ for half of the shift',
        );
        self::assertSame('2.88', (string) Scene::result($assessment, 'peak:dust')->answers->between?->value, '(1.4 − 0.2)·2.4');
    }

    /**
     * A hundred minutes between two checks.
     *
     * @param list<string>          $flows    in the evening
     * @param array<string, string> $blank
     * @param array<string, mixed>  $particle
     * @param array<string, mixed>  $more
     * @param array<string, mixed>  $unit
     */
    private static function day(
        array $flows = ['2.83'],
        array $blank = ['0.3' => '1', '0.5' => '0', '5.0' => '0'],
        array $particle = [],
        array $more = [],
        array $unit = [],
        string $count = '300',
    ): ParticleScene {
        return (new ParticleScene($unit))->check('k1', '07:45')->run(
            'r',
            '08:00',
            '09:40',
            ['0.3' => array_fill(0, 100, $count)],
        )->check('k2', '09:50', $flows, $blank, $particle, $more);
    }

    /** @param array<string, mixed> $run */
    private static function dust(array $run): ParticleScene
    {
        return ParticleScene::photometer()->check(
            'k1',
            '07:45',
            ['1.7'],
            [],
            ['zeroFound' => [['value' => '0.0']]],
        )->run(
            'r',
            '08:00',
            '09:00',
            ['dust' => array_fill(0, 60, '1.0')],
            $run,
        )->check('k2', '09:50', ['1.7'], [], ['zeroFound' => [['value' => '0.0']]]);
    }

    /** @return iterable<string, array{string, ParticleScene, ParticleScene, Severity}> */
    public static function rules(): iterable
    {
        $day = self::day(...);
        $dust = self::dust(...);
        $litres = static fn (string $value): array => ['value' => $value, 'unit' => 'L'];
        yield 'flow fell by more than 5 %' => ['particle.flow', $day(['2.688']), $day(['2.6885']), Severity::Void];
        yield 'flow more than 5 % off nominal' => ['particle.flow-nominal', $day(['2.972']), $day(['2.9715']), Severity::Qualified];
        yield 'three counts in ten minutes of clean air' => [
            'particle.background',
            $day(blank: ['0.3' => '3']),
            $day(blank: ['0.3' => '2']),
            Severity::Qualified,
        ];
        yield 'more than its maker allows' => [
            'particle.background',
            $day(blank: ['0.3' => '501'], unit: ['backgroundLimit' => '50']),
            $day(blank: ['0.3' => '500'], unit: ['backgroundLimit' => '50']),
            Severity::Qualified,
        ];
        yield 'clean air not counted' => [
            'particle.background-missing',
            $day(blank: [], particle: ['blankMinutes' => null]),
            $day(),
            Severity::Qualified,
        ];
        yield 'cell at 89.9 %' => [
            'particle.cell',
            $day(particle: ['cell' => '89.9']),
            $day(particle: ['cell' => '90']),
            Severity::Qualified,
        ];
        yield 'but cleaned since' => [
            'particle.cell',
            $day(particle: ['cell' => '85', 'cellLeft' => '88']),
            $day(particle: ['cell' => '85', 'cellLeft' => '95']),
            Severity::Qualified,
        ];
        yield 'laser at 110.1 %' => [
            'particle.laser',
            $day(particle: ['laser' => '110.1']),
            $day(particle: ['laser' => '110']),
            Severity::Qualified,
        ];
        yield 'laser at 89.9 %' => [
            'particle.laser',
            $day(particle: ['laser' => '89.9']),
            $day(particle: ['laser' => '90']),
            Severity::Qualified,
        ];
        yield 'half counted 10.3 % beside' => [
            'particle.size-setting',
            $day(particle: ['lot' => 'L3', 'threshold' => '3.31']),
            $day(particle: ['lot' => 'L3', 'threshold' => '3.3']),
            Severity::Qualified,
        ];
        yield 'too few spheres' => [
            'particle.recovery',
            $day(particle: ['lot' => 'L3', 'spike' => ['value' => '0.001', 'unit' => 'mL'], 'jug' => $litres('1'), 'observed' => '606']),
            $day(particle: ['lot' => 'L3', 'spike' => ['value' => '0.001', 'unit' => 'mL'], 'jug' => $litres('1'), 'observed' => '607']),
            Severity::Note,
        ];
        yield 'period left short' => [
            'particle.period',
            $day(particle: ['periodWas' => '20', 'periodNow' => '10']),
            $day(
                particle: ['periodWas' => '20', 'periodNow' => '10'],
                more: ['steps' => [...ParticleScene::STEPS, 'period-back' => 'done']],
            ),
            Severity::Qualified,
        ];
        yield 'more than a tenth hidden' => [
            'particle.coincidence',
            $day(unit: ['deadTime' => '32'], count: '179000'),
            $day(unit: ['deadTime' => '32'], count: '177000'),
            Severity::Qualified,
        ];
        yield 'more than can be shown' => [
            'particle.coincidence',
            $day(unit: ['deadTime' => '32'], count: '900000'),
            $day(unit: ['deadTime' => '32'], count: '1000'),
            Severity::Qualified,
        ];
        yield 'zeroed on the way, unread' => [
            'particle.rezeroed',
            self::dust(['weighed' => '2'])->intervention('i', '07:50', 're-zeroed'),
            self::dust(['weighed' => '2'])->intervention('i', '07:40', 're-zeroed'),
            Severity::Qualified,
        ];
        yield 'a stretch that a person left out' => [
            'removed.by-person',
            self::dust([
                'weighed' => '2',
                'exclusions' => [['from' => Scene::moment('08:10'), 'to' => Scene::moment('08:12'), 'reason' => 'spilt', 'by' => 'T-1']],
            ]),
            self::dust(['weighed' => '2']),
            Severity::Qualified,
        ];
        yield 'no filter' => ['particle.unweighed', $dust([]), $dust(['weighed' => '2']), Severity::Qualified];
        yield 'a factor of another day' => [
            'particle.factor-borrowed',
            $dust(['photometerFactor' => '2.1']),
            $dust(['photometerFactor' => '2.1', 'weighed' => '2']),
            Severity::Note,
        ];
        yield 'more than 5 % missing' => [
            'particle.gap',
            (new ParticleScene())->check('k1', '07:45')->run(
                'r',
                '08:00',
                '09:40',
                ['0.3' => [...array_fill(0, 94, '3'), ...array_fill(0, 6, '--')]],
            )->check('k2', '09:50'),
            (new ParticleScene())->check('k1', '07:45')->run(
                'r',
                '08:00',
                '09:40',
                ['0.3' => [...array_fill(0, 95, '3'), ...array_fill(0, 5, '--')]],
            )->check('k2', '09:50'),
            Severity::Qualified,
        ];
    }

    public function testACleanDayIsValid(): void
    {
        $assessment = (new ParticleScene())
            ->check('k1', '07:45')
            ->run(
                'r',
                '08:00',
                '09:40',
                ['0.3' => array_fill(0, 100, '300'), '0.5' => array_fill(0, 100, '40'), '5.0' => array_fill(0, 100, '1')],
            )
            ->check('k2', '09:50')
            ->assess();
        self::assertSame([], array_map(static fn (Finding $finding): string => $finding->seen, $assessment->findings));
        self::assertSame(Verdict::Valid, $assessment->verdict);
        self::assertSame('count:0.3', $assessment->family->headline($assessment->results));
    }

    /** @return iterable<string, array{string, ParticleScene}> the path that is named */
    public static function faults(): iterable
    {
        yield 'no size' => ['/instruments/0/sizes', new ParticleScene(['sizes' => []])];
        yield 'sizes out of order' => [
            '/instruments/0/sizes/1/size',
            new ParticleScene(['sizes' => [['size' => '0.5'], ['size' => '0.3']]]),
        ];
        yield 'a nominal flow of zero' => [
            '/instruments/0/nominalFlow/value',
            new ParticleScene(['nominalFlow' => ['value' => '0', 'unit' => 'L/min']]),
        ];
        yield 'a volume without its seconds' => [
            '/checks/0/particle/flowFound/0',
            (new ParticleScene())->check('k', '07:45', particle: ['flowFound' => [['volume' => ['value' => '75', 'unit' => 'mL']]]]),
        ];
        yield 'counts of nobody knows how long' => [
            '/checks/0/particle/blankMinutes',
            (new ParticleScene())->check('k', '07:45', particle: ['blankMinutes' => null]),
        ];
        yield 'half a count' => [
            '/runs/0/log/file',
            (new ParticleScene())->check('k', '07:45')->run('r', '08:00', '08:03', ['0.3' => ['1', '2.5', '3']]),
        ];
        yield 'less than nothing' => [
            '/runs/0/log/file',
            (new ParticleScene())->check('k', '07:45')->run('r', '08:00', '08:03', ['0.3' => ['1', '-2', '3']]),
        ];
        yield 'as left without an adjustment' => [
            '/checks/0/particle/flowLeft',
            (new ParticleScene())->check('k', '07:45', particle: ['flowLeft' => [['value' => ['value' => '2.8', 'unit' => 'L/min']]]]),
        ];
    }

    #[DataProvider('faults')]
    public function testNamesTheFieldThatIsWrong(string $path, ParticleScene $scene): void
    {
        try {
            $scene->assess();
            self::fail('read without a word');
        } catch (InvalidRecord $problem) {
            self::assertSame($path, $problem->path, $problem->getMessage());
        } catch (\OutOfBoundsException) {
            self::fail('read without a word');
        }
    }

    /** Timed volume: 75 mL in 60.0 s are exactly 75 mL/min, whatever the order of the readings. */
    public function testTimedVolume(): void
    {
        $row = static fn (string $volume, string $seconds): array => [
            'volume' => ['value' => $volume, 'unit' => 'mL'],
            'seconds' => $seconds,
        ];
        $unit = ['kind' => 'liquid counter', 'nominalFlow' => ['value' => '75', 'unit' => 'mL/min']];
        $first = (new ParticleScene($unit))->check(
            'k1',
            '07:45',
            particle: ['flowFound' => [$row('75', '60.0'), $row('76', '60.0')]],
        )->run('r', '08:00', '08:10', ['0.3' => array_fill(0, 10, '755')])->assess();
        $swapped = (new ParticleScene($unit))->check(
            'k1',
            '07:45',
            particle: ['flowFound' => [$row('76', '60.0'), $row('75', '60.0')]],
        )->run('r', '08:00', '08:10', ['0.3' => array_fill(0, 10, '755')])->assess();
        $value = Scene::result($first, 'count:0.3')->answers->pre?->value;
        self::assertInstanceOf(Exact::class, $value);
        self::assertSame(
            0,
            $value->compareTo(Exact::of('755')->minus(Exact::of('0.1'))->dividedBy(Exact::of('75.5'))),
            '(755 − 0.1) counts a minute in 75.5 mL',
        );
        self::assertSame((string) $value, (string) Scene::result($swapped, 'count:0.3')->answers->pre?->value);
    }
}
