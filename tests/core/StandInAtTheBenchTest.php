<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Families;
use Footnote\Core\Flow\PumpStandIn;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Noise\CalibratorStandIn;
use Footnote\Core\Particle\CounterStandIn;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Source\LineProfile;
use Footnote\Core\Source\Stretch;
use Footnote\Core\StandIn\Doings;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scene as BenchScene;
use Footnote\Core\StandIn\StandIn;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** In somebody's hands a stand-in shows what the same unit would on the same reference, and follows what is done to it. */
final class StandInAtTheBenchTest extends TestCase
{
    private const BEGAN = '2026-03-02T08:00:00+00:00';

    /**
     * Whatever standard it is put on, the sums of that standard come to the flow that it was set for: 2 L/min, some percent off as
     * found, and right once it is adjusted.
     *
     * @param array<string, mixed> $reference
     */
    #[TestWith([['kind' => 'dry-piston', 'scale' => 'mL/min']])]
    #[TestWith([['kind' => 'soap-film-burette']])]
    #[TestWith([[
        'kind' => 'mass-flow-meter',
        'scale' => 'L/min',
        'statedTemperature' => ['value' => '0', 'unit' => '°C'],
        'statedPressure' => ['value' => '101.325', 'unit' => 'kPa'],
    ]])]
    #[TestWith([['kind' => 'transfer-orifice', 'gravity' => '0.83', 'certificates' => [[
        'number' => 'o', 'laboratory' => 'L', 'issued' => '2026-01-01', 'due' => '2027-01-01',
        'slope' => '0.9', 'intercept' => '-0.01', 'flowUnit' => 'L/min',
    ]]]])]
    public function testAPumpIsWhatItsStandardSays(array $reference): void
    {
        $standard = (new EvidenceReader(Families::formats()))->reference(Fields::of(['id' => 'S', 'model' => 'M', ...$reference]));
        foreach ([7, 8, 9] as $seed) {
            $found = self::flow($standard, $seed, null);
            self::assertEqualsWithDelta(2.0, $found, 0.08, 'some percent off');
            self::assertEqualsWithDelta(2.0, self::flow($standard, $seed, 600), 0.02, 'as it is set for');
            self::assertEqualsWithDelta(7 / 8, self::flow($standard, $seed, null, PumpStandIn::WEAK) / $found, 0.02, 'an eighth is gone');
        }
    }

    private static function flow(Reference $standard, int $seed, ?int $adjusted, ?string $fault = null): float
    {
        $shown = self::shown(
            new PumpStandIn(),
            new BenchScene(
                new \DateTimeImmutable(self::BEGAN),
                self::unit('air-sampler', ['kind' => 'pump', 'flowControl' => 'compensated']),
                $standard,
                [],
                new Doings(settled: $adjusted === null ? [] : ['adjust' => self::at('08:10:00')]),
                self::said(['target' => ['value' => '2.0', 'unit' => 'L/min'], 'adjusted' => $adjusted !== null], 'air-sampler'),
            ),
            $seed,
            $fault,
        );
        $columns = [
            'flow' => 'value', 'volume' => 'volume', 'seconds' => 'seconds', 'left leg' => 'left', 'right leg' => 'right',
        ];
        $row = [];
        foreach ($columns as $channel => $column) {
            if (isset($shown[$channel])) {
                $row[$column] = $shown[$channel];
            }
        }
        $air = Air::of(self::said([
            'temperature' => ['value' => $shown['temperature'], 'unit' => '°C'],
            'pressure' => ['value' => $shown['pressure'], 'unit' => 'kPa'],
        ], 'air-sampler'));
        $of = FlowStandards::of($standard, new \DateTimeImmutable(self::BEGAN), '', ['left' => null, 'right' => null, 'gravity' => null]);
        self::assertNotNull($of);
        $entries = array_values(array_filter(FlowRow::entries(), static fn (Entry $entry): bool => isset($row[$entry->name])));
        $traits = EntryReader::read(Fields::of($row), $entries);

        return $of->flow(FlowRow::of($traits, Provenance::Simulated), $air, new Origin('check', 'c', 'read'))->toFloat();
    }

    /** The tone sounds from when it is switched on until it is off; the unit is off by its own until somebody adjusts it. */
    public function testAToneSoundsWhileItIsOn(): void
    {
        self::assertEqualsWithDelta(114, self::level([], false, null), 0.5);
        self::assertEqualsWithDelta(113.2, self::level([], false, CalibratorStandIn::DRIFTED), 0.5);
        self::assertEqualsWithDelta(114, self::level(['adjust' => self::at('08:05:00')], true, CalibratorStandIn::DRIFTED), 0.15);
        self::assertEqualsWithDelta(94, self::level([], false, CalibratorStandIn::WRONG_LEVEL), 0.5);
        self::assertEqualsWithDelta(42, self::level(['calibrator-off' => self::at('08:08:00')], false, null), 0.5);
    }

    /**
     * The other tones sound one after the other, the next as soon as one was taken, weighted as the unit is set: at 250 Hz A takes 8.6 dB
     * off (published: IEC 61672-1:2013 Table 3). The chosen one sounds before and behind them; of a unit that reads no others, alone.
     */
    public function testTheOtherTonesSoundOneAfterTheOther(): void
    {
        $meters = (new MeterScene())->record;
        \assert(\is_array($meters['references']) && \is_array($meters['references'][0]));
        $calibrator = (new EvidenceReader(Families::formats()))->reference(Fields::of($meters['references'][0]));
        $shows = static fn (Doings $doings): float => (float) self::shown(new CalibratorStandIn(), new BenchScene(
            self::at('08:00:00'),
            self::unit('sound-level-meter', ['class' => '1']),
            $calibrator,
            [],
            $doings,
            EntryReader::read(
                Fields::of(['setting' => '94', 'weighting' => 'A']),
                [Entry::text('setting', 'Setting'), ...self::entries(['weighting'], 'sound-level-meter')],
            ),
        ), 5, null)['level'];
        $on = ['steady' => self::at('08:01:00')];
        $read = ['as-found' => self::at('08:05:00')];
        $one = ['further-found' => [self::at('08:06:00')]];
        $both = ['further-found' => [self::at('08:06:00'), self::at('08:07:00')]];
        self::assertEqualsWithDelta(94.0, $shows(new Doings('adjust', $on, $read)), 0.5);
        self::assertEqualsWithDelta(114.0, $shows(new Doings('further-found', $on, $read)), 0.5);
        self::assertEqualsWithDelta(114.1 - 8.6, $shows(new Doings('further-found', $on, $read, $one)), 0.5);
        $inARound = ['as-found' => [self::at('08:05:00')]];
        self::assertEqualsWithDelta(114.0, $shows(new Doings('further-found', $on, [], $inARound)), 0.5);
        $gone = [...$read, 'further-found' => self::at('08:08:00')];
        self::assertEqualsWithDelta(94.0, $shows(new Doings('as-left', $on, $gone, $both)), 0.5);
        self::assertEqualsWithDelta(42.0, $shows(new Doings('', $on, [...$gone, 'calibrator-off' => self::at('08:09:00')], $both)), 0.5);
    }

    /** Its valve is closed a little further as soon as a point was taken: from the highest flow of the sampler to the lowest. */
    public function testPointsAreWalkedDown(): void
    {
        $flow = static fn (int $taken): float => (float) self::shown(new PumpStandIn(), new BenchScene(
            self::at('08:00:00'),
            self::unit('air-sampler', [
                'kind' => 'gauge sampler',
                'flowControl' => 'uncompensated',
                'rangeLow' => ['value' => '1.0', 'unit' => 'm³/min'],
                'rangeHigh' => ['value' => '1.8', 'unit' => 'm³/min'],
            ]),
            null,
            [],
            new Doings('points', taken: $taken === 0 ? [] : ['points' => array_fill(0, $taken, self::at('08:10:00'))]),
            new Traits(),
        ), 5, null)['flow'];
        foreach ([1800, 1600, 1400, 1200, 1000, 1000] as $taken => $wanted) {
            self::assertEqualsWithDelta($wanted, $flow($taken), 0.03 * $wanted, 'after '.$taken.' points');
        }
    }

    private static function at(string $clock): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-02T'.$clock.'+00:00');
    }

    /** @param array<string, \DateTimeImmutable> $settled */
    private static function level(array $settled, bool $adjusted, ?string $fault): float
    {
        $scene = new BenchScene(
            self::at('08:00:00'),
            self::unit('noise-dosimeter', []),
            null,
            [],
            new Doings(clocks: ['steady' => self::at('08:01:00')], settled: $settled),
            self::said(['adjusted' => $adjusted], 'noise-dosimeter'),
        );

        return (float) self::shown(new CalibratorStandIn(), $scene, 5, $fault)['level'];
    }

    /** Counts begin when the filter is on, in whole numbers beside the minutes that it counted. */
    public function testACounterCountsWhatItsFilterLetsThrough(): void
    {
        $sizes = ['sizes' => [['size' => '0.3'], ['size' => '0.5'], ['size' => '5.0']]];
        $flow = ['nominalFlow' => ['value' => '2.83', 'unit' => 'L/min']];
        $shown = static fn (?string $fault): array => self::shown(
            new CounterStandIn(),
            new BenchScene(
                new \DateTimeImmutable(self::BEGAN),
                self::unit('particle-counter', ['kind' => 'airborne counter', ...$sizes, ...$flow]),
                null,
                [],
                new Doings(settled: ['flow-found' => self::at('08:10:00')]),
                new Traits(),
            ),
            3,
            $fault,
        );
        $good = $shown(null);
        self::assertSame(['1', '0', '0', '10.0'], [$good['0.3'], $good['0.5'], $good['5.0'], $good['minutes']]);
        self::assertEqualsWithDelta(2.83, (float) $good['flow'], 0.06);
        self::assertSame(['900', '240', '3'], array_map(
            static fn (string $size): string => $shown(CounterStandIn::LEAKING)[$size],
            ['0.3', '0.5', '5.0'],
        ));
        self::assertEqualsWithDelta(2.55, (float) $shown(CounterStandIn::SLOW)['flow'], 0.06);
    }

    /** @return array<string, string> what each channel says last, twenty minutes after it was switched on */
    private static function shown(StandIn $standIn, BenchScene $scene, int $seed, ?string $fault): array
    {
        $from = new \DateTimeImmutable(self::BEGAN);
        $bytes = '';
        foreach ((new Printing('U', $standIn->atTheBench($scene, $seed, $fault), $from, $seed))->between(1180, 1201) as $line) {
            $bytes .= $line->json()."\n";
        }
        $shown = [];
        foreach (Stretch::read($bytes, LineProfile::openLines(), [], new \DateTimeZone('UTC'))->samples as $sample) {
            $shown[$sample->channel] = $sample->value->written;
        }

        return $shown;
    }

    /** @param array<string, mixed> $asked */
    private static function unit(string $family, array $asked): Instrument
    {
        return (new EvidenceReader(Families::formats()))->instrument(
            Fields::of(['id' => 'U', 'family' => $family, 'model' => 'M', 'practice' => true, ...$asked]),
        );
    }

    /** @param array<string, mixed> $said */
    private static function said(array $said, string $family): Traits
    {
        return EntryReader::read(Fields::of($said), self::entries(array_keys($said), $family));
    }

    /**
     * @param list<string> $names
     *
     * @return list<Entry>
     */
    private static function entries(array $names, string $family): array
    {
        return array_values(array_filter(
            [...Families::formats()->of($family)->check(), ...Air::entries()],
            static fn (Entry $entry): bool => \in_array($entry->name, $names, true),
        ));
    }
}
