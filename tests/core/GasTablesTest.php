<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Air\Substances;
use Footnote\Core\Evidence\Recalls;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Gas\Bottle;
use Footnote\Core\Gas\Factor;
use Footnote\Core\Gas\GasKind;
use Footnote\Core\Gas\GasRow;
use Footnote\Core\Gas\Plateau;
use Footnote\Core\Gas\ZeroSource;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Source\Steadiness;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Gas and vapour monitors against values worked elsewhere; the source stands beside each. */
final class GasTablesTest extends TestCase
{
    /** EPA Method 7E, Eq. 7E-5B form (published): r̄ 78, C₀ 1.5, C_m 48.2, C_ma 50 give 81.906. */
    public function testMeanOfBothEnds(): void
    {
        $assessment = $this->display('CO', '78', ['CO' => '48.2'], ['CO' => '1.5']);
        self::assertSame(
            '81.906',
            Scene::result($assessment, 'twa-ppm:carbon-monoxide')->answers->pre === null
                ? ''
                : Exact::of(480)->dividedBy(240)->times($this->exact($assessment, 'twa-ppm:carbon-monoxide', Answer::Pre))->rounded(3),
        );
    }

    /** Two-point calibration (common practice): zero 0.2, span 97.4 at 100, reading 40 give 40.947. */
    public function testZeroAndSpanTakenOut(): void
    {
        $assessment = $this->display('PID', '40', ['PID' => '97.4'], ['PID' => '0.2']);
        self::assertSame('40.947', $this->exact($assessment, 'twa-ppm:isobutylene', Answer::Pre)->times(2)->rounded(3));
    }

    /** G-4 (common practice): half and half of factors 0.53 and 0.50 give 0.5146. */
    public function testFactorOfAMixture(): void
    {
        $half = Exact::of('0.5');
        self::assertSame(
            '0.5146',
            Factor::ofMixture([
                ['share' => $half, 'factor' => Exact::of('0.53')],
                ['share' => $half, 'factor' => Exact::of('0.50')],
            ])->rounded(4),
        );
    }

    /** G-8 (common practice): 34, 58, 103 L at 0.5 L/min last 68, 116, 206 min when full; half the pressure, half the time. */
    public function testMinutesOfABottle(): void
    {
        foreach (['34' => '68', '58' => '116', '103' => '206'] as $litres => $minutes) {
            $bottle = new Bottle(
                new Reference(
                    'B',
                    Bottle::KIND,
                    'm',
                    [],
                    new Recalls(),
                    new Traits([
                        'size' => new Measured(Decimal::parse((string) $litres), CommonUnit::Litre),
                        'fullPressure' => new Measured(Decimal::parse('1000'), CommonUnit::PoundPerSquareInch),
                    ]),
                ),
            );
            self::assertSame(
                $minutes,
                $bottle->left(new Measured(Decimal::parse('1000'), CommonUnit::PoundPerSquareInch))?->full(),
            );
            self::assertSame(
                (string) ((int) $minutes / 2),
                $bottle->left(new Measured(Decimal::parse('500'), CommonUnit::PoundPerSquareInch))?->full(),
            );
            self::assertNull($bottle->left(null));
        }
    }

    /** G-6: entered 10, label 100, reading 4.2 give 42 by proportion, and 42 by the response read against the label. */
    public function testWrongValueEnteredIsSetRightByEitherWay(): void
    {
        $row = ['PID' => ['expected' => '10']];
        foreach (['', '10'] as $left) {
            $assessment = (new GasScene())
                ->check('k1', '07:45', ['PID' => '11'], ['PID' => $left], row: $row)
                ->run('r', '08:00', '16:00', [], [['channel' => 'PID', 'mean' => '4.2']])
                ->check('k2', '16:10', ['PID' => '10'])
                ->assess();
            $result = Scene::result($assessment, 'twa-ppm:isobutylene');
            self::assertSame('42', (string) $this->exact($assessment, 'twa-ppm:isobutylene', Answer::Pre));
            self::assertSame('4.2', (string) $result->answers->indicated?->value);
            self::assertSame(Answer::Between, $result->answers->reported, 'what is set right by rule is reported');
            self::assertContains(
                'gas.expected-value',
                array_map(static fn ($finding): string => $finding->rule->id, $assessment->findings),
            );
        }
    }

    /** G-1, one point: oxygen in a mix with 20.9 % tells no slope of its own; z is held at 0. */
    public function testOxygenInAMixLikeAir(): void
    {
        $scene = (new GasScene())->check('k1', '07:45', ['O2' => '20.6'], zero: ['O2' => '20.6'])->run(
            'r',
            '08:00',
            '12:00',
            [],
            [['channel' => 'O2', 'lowest' => '19.2']],
        )->check('k2', '12:10', ['O2' => '20.6'], zero: ['O2' => '20.6']);
        $scene->record = $this->relabelled($scene->record, 'oxygen', '20.9');
        $result = Scene::result($scene->limit('lowest:oxygen', '19.5', '% vol', ['comparator' => '<'])->assess(), 'lowest:oxygen');
        self::assertSame(
            Exact::of('19.2')->times(Exact::of('20.9'))->dividedBy(Exact::of('20.6'))->rounded(6),
            $result->answers->pre?->value instanceof Exact ? $result->answers->pre->value->rounded(6) : '',
        );
        self::assertTrue($result->outcomes[0]->crossed, 'indicated is reported, and 19.2 lies below 19.5');
        self::assertTrue($result->answers->worstIsLow);
    }

    /** The reading applied once, twice or never comes to the same vapour: 40 in isobutylene units at 0.5 are 20 ppm. */
    public function testTheFactorCountsOnce(): void
    {
        foreach ([
            ['40', null, null], ['20', '0.5', null], ['20', null, '0.5'], ['10', '0.5', '0.5'],
            ['44', '1.1', null],
        ] as [$shown, $unit, $hand]) {
            $set = array_filter(
                ['channel' => 'PID', 'substance' => 'toluene', 'mean' => $shown, 'unitFactor' => $unit, 'handFactor' => $hand],
                \is_string(...),
            );
            $assessment = (new GasScene())->check('k1', '07:45')->run('r', '08:00', '16:00', [], [$set])->check('k2', '16:10')->assess();
            self::assertSame(
                '20',
                (string) $this->exact($assessment, 'twa-ppm:toluene', Answer::Indicated),
                json_encode($set, \JSON_THROW_ON_ERROR),
            );
            self::assertSame(
                '75.3701',
                $this->exact($assessment, 'twa:toluene', Answer::Indicated)->rounded(4),
                '20·92.14/24.45 mg/m³ (published: NIOSH Pocket Guide, 3.77 mg/m³ a ppm)',
            );
        }
    }

    /** A mixture of the library: its factor by its parts, 1/(0.5/0.5 + 0.5/0.45) = 0.47368 (common practice). */
    public function testAMixtureOfTheLibrary(): void
    {
        $scene = (new GasScene())->check('k1', '07:45')->run(
            'r',
            '08:00',
            '16:00',
            [],
            [['channel' => 'PID', 'substance' => 'thinner', 'mean' => '40']],
        )->check('k2', '16:10');
        $scene->record['library'] = [
            'substances' => [[
                'code' => 'thinner',
                'name' => 'thinner',
                'parts' => [['substance' => 'toluene', 'share' => '50'], ['substance' => 'xylene', 'share' => '50']],
            ]],
        ];
        self::assertSame('18.947', $this->exact($scene->assess(), 'twa-ppm:thinner', Answer::Indicated)->rounded(3));
        $scene->record['library'] = [
            'substances' => [[
                'code' => 'thinner',
                'name' => 'thinner',
                'parts' => [['substance' => 'toluene', 'share' => '50'], ['substance' => 'isopropanol', 'share' => '50']],
            ]],
        ];
        self::assertContains(
            'gas.factor-missing',
            array_map(static fn ($finding): string => $finding->rule->id, $scene->assess()->findings),
            'one part without a factor leaves the whole without',
        );
    }

    /** C-2 read backwards: 75.37 mg/m³ of toluene on the display are 20 ppm. */
    public function testMilligramsOnTheDisplay(): void
    {
        $assessment = (new GasScene())
            ->check('k1', '07:45')
            ->run(
                'r',
                '08:00',
                '16:00',
                [],
                [['channel' => 'PID', 'substance' => 'toluene', 'unitFactor' => '0.5', 'mean' => '75.37', 'shownIn' => 'mg/m³']],
            )
            ->check('k2', '16:10')
            ->assess();
        self::assertSame('20.000', $this->exact($assessment, 'twa-ppm:toluene', Answer::Indicated)->rounded(3));
    }

    /** NIOSH Pocket Guide, from memory: what a 9.8 eV lamp sees and what it does not. */
    public function testWhatALampSees(): void
    {
        $energies = array_map(
            static fn (Traits $one): ?string => $one->decimal('ionisationEnergy')?->written,
            Substances::shelf()->shipped(),
        );
        self::assertSame(
            ['8.82', '9.24', '10.00', '10.47', '10.10'],
            [$energies['toluene'], $energies['isobutylene'], $energies['butyl-acetate'], $energies['ethanol'], $energies['isopropanol']],
        );
        foreach ([
            'toluene' => Verdict::Valid,
            'butyl-acetate' => Verdict::Void,
            'ethanol' => Verdict::Void,
            'isopropanol' => Verdict::Void,
        ] as $vapour => $verdict) {
            $assessment = (new GasScene())
                ->channel('PID', ['lamp' => '9.8'])
                ->check('k1', '07:45')
                ->run('r', '08:00', '16:00', [], [['channel' => 'PID', 'substance' => $vapour, 'mean' => '20']])
                ->check('k2', '16:10')
                ->assess();
            self::assertSame($verdict === Verdict::Void, $assessment->channels()['PID'] === Verdict::Void, $vapour);
        }
    }

    /**
     * G-9 (own): a creep is none, its end is one.
     *
     * @return iterable<string, array{list<string>, list<string>, bool|null}> seconds, readings, steady
     */
    public static function plateaus(): iterable
    {
        yield 'a slow creep that has come to rest' => [['10', '20', '30', '40', '50'], ['96.8', '97.0', '97.3', '97.4', '97.5'], true];
        yield 'while it still rises' => [['10', '20', '30'], ['92.0', '95.0', '96.8'], false];
        yield 'drift of exactly one percent' => [['0', '10', '20'], ['97.0', '97.5', '98.0'], true];
        yield 'drift of a little more' => [['0', '10', '20'], ['97.0', '97.5', '98.1'], false];
        yield 'range of exactly one percent' => [['0', '10', '20'], ['97.0', '98.0', '97.0'], true];
        yield 'range of a little more' => [['0', '10', '20'], ['97.0', '98.1', '97.0'], false];
        yield 'too short to tell' => [['0', '5'], ['97.0', '97.0'], null];
        yield 'without times' => [[], ['97.0', '97.5', '98.0'], null];
    }

    /**
     * @param list<string> $seconds
     * @param list<string> $readings
     */
    #[DataProvider('plateaus')]
    public function testPlateau(array $seconds, array $readings, ?bool $steady): void
    {
        $rows = [];
        foreach ($readings as $place => $reading) {
            $row = GasRow::of(
                new Traits(
                    array_filter([
                        'channel' => 'PID',
                        'value' => Decimal::parse($reading),
                        'seconds' => isset($seconds[$place]) ? Decimal::parse($seconds[$place]) : null,
                    ]),
                ),
            );
            \assert($row !== null);
            $rows[] = $row;
        }
        $steadiness = new Steadiness(Exact::of(100), Exact::of(1));
        self::assertSame($steady, Plateau::of($rows, $steadiness)->steady);
        self::assertSame($steady, Plateau::of(array_reverse($rows), $steadiness)->steady, 'whatever the order they were written in');
    }

    /** A reading that still moves is no evidence; the last twenty seconds are what counts. */
    public function testAReadingThatStillMovesIsPassedOver(): void
    {
        foreach ([
            [Verdict::Open, ['92.0', '95.0', '96.8']],
            [Verdict::Valid, ['96.8', '97.0', '97.3', '97.4', '97.5']],
        ] as [$verdict, $values]) {
            $rows = [];
            foreach ($values as $place => $value) {
                $rows[] = ['channel' => 'PID', 'value' => $value, 'seconds' => (string) (10 * $place + 10)];
            }
            $assessment = (new GasScene())
                ->check('k1', '07:45')
                ->run('r', '08:00', '12:00', [], [['channel' => 'PID', 'mean' => '20']])
                ->check('k2', '12:10', gas: ['isobutyleneFound' => $rows])
                ->assess();
            self::assertSame($verdict, $assessment->channels()['PID']);
        }
    }

    /** What may zero what (common practice). */
    public function testZeroSources(): void
    {
        $fit = static fn (ZeroSource $source): array => array_values(
            array_map(
                static fn (GasKind $kind): string => $kind->name,
                array_filter(GasKind::cases(), static fn (GasKind $kind): bool => $source->whyUnfit($kind) === null),
            ),
        );
        self::assertSame(['Oxygen', 'Photoionisation'], $fit(ZeroSource::Charcoal));
        self::assertSame(
            ['Oxygen', 'Flammable', 'CarbonMonoxide', 'HydrogenSulphide', 'Photoionisation', 'Other'],
            $fit(ZeroSource::Outdoors),
        );
        self::assertSame($fit(ZeroSource::Outdoors), $fit(ZeroSource::Compressed));
        self::assertNotContains('Photoionisation', $fit(ZeroSource::Indoors));
        self::assertCount(7, $fit(ZeroSource::ZeroAir));
    }

    /** A clock that was set back in the night of a log leaves no gap and no knot; readings below zero are kept. */
    public function testALogThroughTheChangeOfClocks(): void
    {
        $lines = [];
        // 25 October 2026, Europe/London: 01:59:30 is followed by 01:00:00.
        for ($utc = new \DateTimeImmutable('2026-10-25T00:30:00Z'), $i = 0; $i < 180; ++$i) {
            $at = $utc->modify(\sprintf('+%d seconds', 30 * $i))->setTimezone(new \DateTimeZone('Europe/London'));
            $lines[] = $at->format('d.m.Y H:i:s').\sprintf(';%d;-0,5;>2000', $i);
        }
        $log = self::read(['Zeit;CO ppm;H₂S ppm;PID isobutylene', ...$lines], new \DateTimeZone('Europe/London'));
        self::assertSame([30.0, 180], [$log->step(), $log->length()]);
        self::assertSame(range(0, 179000, 1000), self::values($log, 0));
        self::assertSame([-500, SeriesLog::OVER], [self::values($log, 1)[0], self::values($log, 2)[0]]);
        self::assertSame(['CO', 'H2S', 'PID'], array_map(static fn ($column): string => $column->channel, $log->columns()));
        $spring = [];
        for ($utc = new \DateTimeImmutable('2026-03-29T00:30:00Z'), $i = 0; $i < 120; ++$i) {
            $at = $utc->modify(\sprintf('+%d seconds', 30 * $i))->setTimezone(new \DateTimeZone('Europe/London'));
            $spring[] = $at->format('Y-m-d H:i:s').','.$i;
        }
        self::assertSame(120, self::read(['Time,CO', ...$spring], new \DateTimeZone('Europe/London'))->length());
    }

    /** @param list<string> $lines */
    private static function read(array $lines, \DateTimeZone $zone): PackedLog
    {
        return (new LogReader(LogFormatGuess::of(\array_slice($lines, 0, 50), LogKinds::ofChannels('O2', 'CO', 'H2S', 'PID'))))->read(
            array_map(static fn (string $line): string => $line."\n", $lines),
            $zone,
            null,
        );
    }

    /** @return list<int> */
    private static function values(PackedLog $log, int $column): array
    {
        return array_merge(...array_map(array_values(...), [...$log->chunks($column)]));
    }

    /**
     * A run of four hours told by its display, the same response at both ends.
     *
     * @param array<string, string> $span
     * @param array<string, string> $zero
     */
    private function display(string $channel, string $mean, array $span, array $zero): \Footnote\Core\Judgement\Assessment
    {
        return (new GasScene())
            ->check('k1', '07:45', $span, zero: $zero)
            ->run('r', '08:00', '12:00', [], [['channel' => $channel, 'mean' => $mean]])
            ->check('k2', '12:10', $span, zero: $zero)
            ->assess();
    }

    private function exact(\Footnote\Core\Judgement\Assessment $assessment, string $key, Answer $answer): Exact
    {
        $value = Scene::result($assessment, $key)->answer($answer)?->value;
        self::assertInstanceOf(Exact::class, $value);

        return $value;
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private function relabelled(array $record, string $gas, string $concentration): array
    {
        array_walk_recursive($record, static function (mixed &$value, int|string $key) use ($gas, $concentration): void {
            static $last = '';
            if ($key === 'gas') {
                $last = $value;
            } elseif ($key === 'concentration' && $last === $gas) {
                $value = $concentration;
            }
        });

        return $record;
    }
}
