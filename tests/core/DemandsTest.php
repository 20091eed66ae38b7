<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a unit can measure, against what is demanded of it for a day: what is not on record is said, and never taken for granted. */
final class DemandsTest extends TestCase
{
    private const MONITOR = ['family' => 'gas-monitor', 'pumped' => true, 'channels' => [
        ['name' => 'O2', 'kind' => 'oxygen', 'range' => '30'],
        ['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500'],
        ['name' => 'CO high', 'kind' => 'carbon monoxide', 'range' => '2000'],
        ['name' => 'H2S', 'kind' => 'hydrogen sulphide'],
        ['name' => 'SO2', 'kind' => 'other', 'gas' => 'sulphur dioxide', 'range' => '20'],
    ]];
    private const DOSIMETER = [
        'family' => 'noise-dosimeter',
        'microphone' => '1/2 in',
        'class' => '2',
        'rangeLow' => '55',
        'rangeHigh' => '140',
    ];
    private const METER = ['family' => 'sound-level-meter', 'class' => '1', 'microphone' => '1/2 in'];
    private const PUMP = ['family' => 'air-sampler', 'kind' => 'pump', 'flowControl' => 'compensated'];
    private const RANGE = ['rangeLow' => ['value' => '5', 'unit' => 'mL/min'], 'rangeHigh' => ['value' => '5.0', 'unit' => 'L/min']];
    private const COUNTER = [
        'family' => 'particle-counter',
        'kind' => 'airborne counter',
        'nominalFlow' => ['value' => '2.83', 'unit' => 'L/min'],
        'sizes' => [['size' => '0.30'], ['size' => '5']],
    ];

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, list<string>, list<string>}> */
    public static function demands(): iterable
    {
        yield 'nothing is demanded' => [self::DOSIMETER, [], [], []];
        yield 'levels as far as its range' => [self::DOSIMETER, ['levelsFrom' => '55', 'levelsTo' => '140.0', 'peaksTo' => '140'], [], []];
        yield 'louder than its range' => [
            self::DOSIMETER,
            ['levelsTo' => '140.1'],
            ['Its range ends at 140 dB, and 140.1 dB are expected.'],
            [],
        ];
        yield 'quieter than its range' => [
            self::DOSIMETER,
            ['levelsFrom' => '54'],
            ['Its range begins at 55 dB, and 54 dB are expected.'],
            [],
        ];
        yield 'peaks go further than levels' => [
            ['peakRange' => '143'] + self::DOSIMETER,
            ['levelsTo' => '140', 'peaksTo' => '143'],
            [],
            [],
        ];
        yield 'peaks beyond' => [
            ['peakRange' => '143'] + self::DOSIMETER,
            ['peaksTo' => '144'],
            ['Its range for peaks ends at 143 dB, and 144 dB are expected.'],
            [],
        ];
        yield 'a better class is wanted' => [self::DOSIMETER, ['class' => '1'], ['It is of class 2, and class 1 is wanted.'], []];
        yield 'a better class than is wanted' => [self::METER, ['class' => '2'], [], []];
        yield 'no range is on record' => [self::METER, ['levelsTo' => '120'], [], ['Its range is not on record, and 120 dB are expected.']];
        yield 'every channel is there' => [
            self::MONITOR,
            ['gases' => [['kind' => 'oxygen'], ['kind' => 'other', 'gas' => 'Sulphur dioxide', 'upTo' => '20']]],
            [],
            [],
        ];
        yield 'a channel is not there' => [
            self::MONITOR,
            ['gases' => [['kind' => 'carbon dioxide'], ['kind' => 'photoionisation']]],
            ['It has no channel for carbon dioxide.', 'It has no channel for vapours by photoionisation.'],
            [],
        ];
        yield 'one of two channels goes as far' => [
            self::MONITOR,
            ['gases' => [['kind' => 'carbon monoxide', 'upTo' => '2000']]],
            [],
            [],
        ];
        yield 'none goes as far' => [
            self::MONITOR,
            ['gases' => [['kind' => 'carbon monoxide', 'upTo' => '2001']]],
            ['CO goes up to 500 ppm, and 2001 are expected.'],
            [],
        ];
        yield 'how far it goes is not on record' => [
            self::MONITOR,
            ['gases' => [['kind' => 'hydrogen sulphide', 'upTo' => '50']]],
            [],
            ['How far H2S goes is not on record, and 50 are expected.'],
        ];
        $flow = static fn (string $value, string $unit): array => ['flow' => ['value' => $value, 'unit' => $unit]];
        yield 'a flow within, in another unit' => [self::RANGE + self::PUMP, $flow('5000', 'mL/min'), [], []];
        yield 'a flow beyond' => [
            self::RANGE + self::PUMP,
            $flow('10', 'L/min'),
            ['It draws from 5 mL/min to 5.0 L/min, and 10 L/min are wanted.'],
            [],
        ];
        yield 'a pump of which no range is known' => [
            self::PUMP,
            $flow('2', 'L/min'),
            [],
            ['Its range is not on record, and 2 L/min are wanted.'],
        ];
        yield 'a size, however it is written' => [self::COUNTER, ['kind' => 'airborne counter', 'size' => '0.3'], [], []];
        yield 'a size that it does not tell apart' => [
            self::COUNTER,
            ['size' => '1'],
            ['It tells particles apart from 0.30, 5 µm, and not from 1.'],
            [],
        ];
        yield 'another kind' => [self::COUNTER, ['kind' => 'photometer'], ['It is no photometric dust monitor.'], []];
    }

    /**
     * @param array<string, mixed> $unit     as it is recorded
     * @param array<string, mixed> $demanded
     * @param list<string>         $against
     * @param list<string>         $unknown
     */
    #[DataProvider('demands')]
    public function testWhatAUnitCanMeasure(array $unit, array $demanded, array $against, array $unknown): void
    {
        $instrument = (new EvidenceReader(Families::formats()))->instrument(Fields::of(['id' => 'U', 'model' => 'M', ...$unit]));
        $demands = Families::demands()->of($instrument->family);
        self::assertNotNull($demands);
        $able = $demands->able($instrument, EntryReader::read(Fields::of($demanded), $demands->entries()));
        self::assertSame([$against, $unknown], [$able->against, $able->unknown]);
    }

    public function testEveryFamilySaysWhatMayBeDemanded(): void
    {
        foreach (Families::all() as [$family]) {
            self::assertContains($family->id(), Families::demands()->families());
        }
        self::assertNull(Families::demands()->of('none'));
        $this->expectException(InvalidRecord::class);
        EntryReader::read(Fields::of(['class' => '3']), Families::demands()->of('sound-level-meter')?->entries() ?? []);
    }
}
