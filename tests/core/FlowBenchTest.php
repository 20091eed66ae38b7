<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Flow\FlowBench;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Flow\FlowProcedures;
use Footnote\Core\Flow\FlowUsability;
use Footnote\Core\Flow\LeakTest;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What the bench says and asks at a flow check, and when a check is no evidence. */
final class FlowBenchTest extends TestCase
{
    /** @param array<string, mixed> $reference */
    private static function scene(array $reference): AirScene
    {
        $scene = new AirScene();
        $scene->add('references', $reference);

        return $scene;
    }

    /** @return array<string, mixed> */
    private static function venturi(): array
    {
        $flow = static fn (string $value): array => ['value' => $value, 'unit' => 'L/min'];

        return [
            'id' => 'V',
            'kind' => 'venturi',
            'model' => 'm',
            'scale' => 'L/min',
            'throats' => [
                ['name' => 'A', 'low' => $flow('0.3'), 'high' => $flow('1.5')],
                ['name' => 'B', 'low' => $flow('1.5'), 'high' => $flow('6')],
                ['name' => 'C', 'low' => $flow('6'), 'high' => $flow('30')],
            ],
            'certificates' => [AirScene::certificate('V')],
        ];
    }

    /** @return array<string, mixed> */
    private static function rotameter(): array
    {
        return [
            'id' => 'R',
            'kind' => 'rotameter',
            'model' => 'm',
            'scale' => 'L/min',
            'floatRead' => 'middle',
            'calibratedTemperature' => ['value' => '20', 'unit' => '°C'],
            'calibratedPressure' => ['value' => '101.325', 'unit' => 'kPa'],
            'certificates' => [
                AirScene::certificate(
                    'R',
                    ['values' => [['nominal' => '1', 'certified' => '1.1'], ['nominal' => '3', 'certified' => '3.3']]],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function massFlow(): array
    {
        return [
            'id' => 'MF',
            'kind' => 'mass-flow-meter',
            'model' => 'm',
            'scale' => 'L/min',
            'statedTemperature' => ['value' => '0', 'unit' => '°C'],
            'statedPressure' => ['value' => '101.325', 'unit' => 'kPa'],
            'certificates' => [AirScene::certificate('MF')],
        ];
    }

    /**
     * @param array<string, mixed>       $reference
     * @param list<array<string, mixed>> $rows
     * @param array<string, mixed>       $flow
     */
    private static function one(array $reference, array $rows, array $flow = []): AirScene
    {
        return self::scene($reference)->check('k', '07:50', [], [], ['reference' => $reference['id']], ['asFound' => $rows, ...$flow]);
    }

    /**
     * @param list<string> $gauges
     *
     * @return list<array<string, string>>
     */
    private static function points(array $gauges): array
    {
        $points = [];
        foreach ($gauges as $i => $gauge) {
            $points[] = ['gauge' => $gauge, 'value' => (string) (1 + $i), 'provenance' => 'typed'];
        }

        return $points;
    }

    /** @return iterable<string, array{AirScene, string|null}> */
    public static function readings(): iterable
    {
        $one = self::one(...);
        $value = static fn (string $read): array => [['value' => $read, 'provenance' => 'typed']];
        yield 'within the throat' => [$one(self::venturi(), $value('1.5'), ['setting' => 'B']), null];
        yield 'below the throat' => [
            $one(self::venturi(), $value('1.49'), ['setting' => 'B']),
            '1.490 L/min is outside throat B of V, 1.5 L/min to 6 L/min',
        ];
        yield 'no throat chosen' => [
            $one(self::venturi(), $value('2')),
            'V lacks what its kind lives from: a throat, a table, or slope and intercept of a certificate',
        ];
        yield 'above the piston' => [
            (new AirScene())->check('k', '07:50', ['5.001']),
            '5.001 L/min is outside the range of S, 5 mL/min to 5 L/min',
        ];
        yield 'zero is no flow' => [
            (new AirScene())->check('k', '07:50', ['0']),
            'nothing flowed: was the train open, and the pump powered?',
        ];
        yield 'on the table' => [$one(self::rotameter(), $value('3'), ['floatRead' => 'middle']), null];
        yield 'past the table' => [
            $one(self::rotameter(), $value('3.1'), ['floatRead' => 'middle']),
            'the mark 3.1 is outside of its table, 1 to 3',
        ];
        yield 'wrong part of the float' => [
            $one(self::rotameter(), $value('2'), ['floatRead' => 'bottom']),
            'the bottom of the float was read, the table of R is for its middle',
        ];
        yield 'a standard flow without the air' => [
            $one(self::massFlow(), $value('2'), ['temperature' => null]),
            'The temperature is not known',
        ];
        yield 'a thermometer is no flow standard' => [
            (new AirScene())->check('k', '07:50', ['2'], [], ['reference' => 'T']),
            'T is no flow standard',
        ];
        yield 'film without its time' => [
            $one(
                ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]],
                [['volume' => '500', 'provenance' => 'typed']],
            ),
            'volume and time are both needed',
        ];
        yield 'film in no time' => [
            $one(
                ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]],
                [['volume' => '500', 'seconds' => '0', 'provenance' => 'typed']],
            ),
            'a time of zero is no time',
        ];
        yield 'all struck out' => [
            (new AirScene())->check(
                'k',
                '07:50',
                [],
                [],
                [],
                ['asFound' => [['value' => '2', 'struck' => 'bubble', 'provenance' => 'typed']]],
            ),
            'adjusted before the value as found was noted',
        ];
        yield 'two points' => [
            (new AirScene())->check('k', '07:50', [], [], [], ['asFound' => [], 'points' => self::points(['10', '20'])]),
            'A line wants at least three points',
        ];
        yield 'a gauge that stands still' => [
            (new AirScene())->check('k', '07:50', [], [], [], ['asFound' => [], 'points' => self::points(['10', '10', '10'])]),
            'The slope is zero: the gauge does not follow the flow',
        ];
    }

    #[DataProvider('readings')]
    public function testWhenACheckIsNoEvidence(AirScene $scene, ?string $reason): void
    {
        $timeline = $scene->read()->timelines['P'];
        self::assertSame($reason === null ? [] : [$reason], (new FlowUsability())->whyUnusable($timeline->checks()[0], $timeline));
    }

    /** A reading out of range is passed over; the next check closes the bracket. */
    public function testAnUnusableCheckIsPassedOver(): void
    {
        $assessment = (new AirScene())
            ->check('k1', '07:50', ['2.0'])
            ->run('r', '08:00', '14:00')
            ->check('k2', '14:05', ['7.0'])
            ->check('k3', '14:10', ['2.0'])
            ->found('r', '720')
            ->assess('r');
        self::assertSame('k3', $assessment->bracket->post?->id);
        self::assertContains('bracket.check-passed-over', Scene::rules($assessment));
    }

    public function testTheHumidityOfTheRoomTakesTheWaterOfTheFilmOut(): void
    {
        $film = ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]];
        $flow = static fn (?string $humidity): float => self::scene($film)->check(
            'k1',
            '07:50',
            [],
            [],
            ['reference' => 'F'],
            ['asFound' => [['volume' => '1000', 'seconds' => '30', 'provenance' => 'typed']], 'humidity' => $humidity],
        )->run('r', '08:00', '09:00')->result('r', 'volume')->answers->pre?->toFloat() ?? 0.0;
        self::assertSame(120.0, $flow(null));
        // 20 °C, 100 kPa, 50 %: (100 − 2.333)/(100 − 1.167) with the vapour pressure of F-2.
        $water = 0.61094 * exp(17.625 * 20 / 263.04);
        self::assertEqualsWithDelta(120 * (100 - $water) / (100 - 0.5 * $water), $flow('50'), 1e-9);
        self::assertEqualsWithDelta(120.0, $flow('100'), 1e-9, 'saturated air takes no water up');
    }

    private static function live(AirScene $scene, string $policy = 'standard'): LiveSheet
    {
        $timeline = $scene->read()->timelines['P'];

        return (new FlowBench())->live($timeline->checks()[\count($timeline->checks()) - 1], $timeline, Scene::policy($policy));
    }

    public function testLiveSpreadDeviationAndChange(): void
    {
        $sheet = self::live((new AirScene())->check('k1', '07:50', ['2.0'])->check('k2', '14:00', ['1.89', '1.90', '1.92']));
        self::assertSame([
            ['flow as found', '1.903', null],
            ['spread', '1.58', true],
            ['from the flow it is set for', '-4.83', true],
            ['change since k1', '-4.83', true],
        ], array_map(static fn (LiveLine $line): array => [$line->label, $line->figure?->shown(), $line->kept], $sheet->lines));
        self::assertSame([], $sheet->questions);
        self::assertFalse(self::live((new AirScene())->check('k2', '14:00', ['1.89', '1.90', '1.92']), 'cautious')->lines[1]->kept);
    }

    /** @return iterable<string, array{array<string, mixed>, string|null}> */
    public static function oddAir(): iterable
    {
        $air = static fn (string $t, string $unit, string $p = '100', string $of = 'kPa'): array => [
            'temperature' => ['value' => $t, 'unit' => $unit],
            'pressure' => ['value' => $p, 'unit' => $of],
        ];
        yield 'a room' => [$air('21', '°C'), null];
        yield 'fahrenheit typed as celsius' => [$air('70', '°C'), '70 °C is hot for a place of work. Was it °F? That would be 21.1 °C.'];
        yield 'a room in fahrenheit' => [$air('70', '°F'), null];
        yield 'celsius typed as fahrenheit' => [$air('21', '°F'), '21 °F is -6.1 °C, below freezing. Was it °C?'];
        yield 'gauge pressure, or another unit' => [
            $air('20', '°C', '29.9'),
            '29.9 kPa is 29.9 kPa, which no weather at a place of work gives. Is the unit right, and is it the absolute pressure?',
        ];
        yield 'inches of mercury' => [$air('20', '°C', '29.9', 'inHg'), null];
    }

    /** @param array<string, mixed> $air */
    #[DataProvider('oddAir')]
    public function testOddAirIsAskedAboutAndNotRefused(array $air, ?string $question): void
    {
        $sheet = self::live((new AirScene())->check('k', '07:50', ['2.0'], [], [], $air));
        self::assertSame($question === null ? [] : [$question], $sheet->questions);
        self::assertNotSame([], $sheet->lines, 'it still shows what it can');
    }

    /** 2.0 L/min at 0 °C and 101.325 kPa are 2.17 L/min of the room's air: was the pump set by the wrong one? */
    public function testStandardFlowTakenForActual(): void
    {
        $sheet = self::live(self::scene(self::massFlow())->check('k', '07:50', ['2.0'], [], ['reference' => 'MF']));
        self::assertStringContainsString('Was it set by the wrong one of the two?', $sheet->questions[0] ?? '');
        self::assertStringContainsString('2.000 L/min there are 2.175 L/min', $sheet->questions[0]);
        self::assertSame(
            [],
            self::live(self::scene(self::massFlow())->check('k', '07:50', ['1.84'], [], ['reference' => 'MF']))->questions,
        );
    }

    public function testChoicesSayWhatSpeaksAgainstThem(): void
    {
        $scene = self::scene(self::venturi());
        $scene->add('references', [...AirScene::piston('OLD'), 'certificates' => []]);
        $timeline = $scene->read();
        $reader = new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats());
        $references = array_map(
            static fn (array $one): \Footnote\Core\Evidence\Reference => $reader->reference(Fields::of($one)),
            [self::venturi(), [...AirScene::piston('OLD'), 'certificates' => []], AirScene::piston('S')],
        );
        $choices = (new FlowBench())->choices($timeline->timelines['P']->instrument, $references, new \DateTimeImmutable('2026-03-02'));
        self::assertSame(['A', 'B', 'C'], array_column($choices[0]->settings, 'value'));
        self::assertSame([[], ['It has no certificate.'], []], array_map(static fn ($choice): array => $choice->problems, $choices));
        self::assertSame('dry piston, 5 mL/min to 5 L/min', $choices[2]->about);

        // The piston ends at 5 L/min: it is offered for a sampler of that flow, and not for one that begins above it.
        foreach (['5' => 1, '5.001' => 0] as $from => $offered) {
            $unit = (new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats()))->instrument(
                Fields::of(AirScene::pump('P', ['rangeLow' => ['value' => (string) $from, 'unit' => 'L/min']])),
            );
            self::assertCount($offered, (new FlowBench())->choices($unit, [$references[2]], new \DateTimeImmutable('2026-03-02')));
        }
    }

    /** Every kind of standard has its own columns and asks for what only it needs. */
    public function testEachStandardAsksForItsOwn(): void
    {
        $reader = new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats());
        $unit = (new AirScene())->read()->timelines['P']->instrument;
        $bench = new FlowBench();
        $procedure = FlowProcedures::of($unit)[0];
        $asFound = $procedure->step('as-found');
        $conditions = $procedure->step('conditions');
        self::assertInstanceOf(Step::class, $asFound);
        self::assertInstanceOf(Step::class, $conditions);
        $names = static fn (array $entries): array => array_map(
            static fn (mixed $entry): string => $entry instanceof Entry ? $entry->name : '',
            $entries,
        );
        $orifice = [
            'id' => 'O',
            'kind' => 'transfer-orifice',
            'model' => 'm',
            'certificates' => [AirScene::certificate('O', ['slope' => '9.9', 'intercept' => '0', 'flowUnit' => 'm³/min'])],
        ];
        $film = ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]];
        $expected = [
            [$film, ['volume', 'seconds'], ['humidity']],
            [$orifice, ['left', 'right'], ['restLeft', 'restRight', 'gravity']],
            [self::rotameter(), ['value'], ['floatRead']],
            [self::venturi(), ['value'], []],
            [AirScene::piston('S'), ['value'], []],
        ];
        foreach ($expected as [$record, $columns, $own]) {
            $reference = $reader->reference(Fields::of($record));
            self::assertSame($columns, $names($bench->columns($asFound, $unit, $reference)), $reference->kind);
            self::assertSame(
                ['temperature', 'pressure', 'thermometer', 'barometer', ...$own, 'standstill'],
                $names($bench->fields($conditions, $unit, $reference)),
                $reference->kind,
            );
            // What the air of a pump's check asks, a fixed sampler is asked once its standard is chosen.
            $standard = FlowProcedures::of(
                (new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats()))->instrument(
                    Fields::of(AirScene::pump('P', ['kind' => 'fixed sampler'])),
                ),
            )[0]->step('standard');
            self::assertInstanceOf(Step::class, $standard);
            self::assertSame([...$own, 'standstill'], $names($bench->fields($standard, $unit, $reference)), $reference->kind);
        }
    }

    /**
     * A leak is judged while it is typed: by the manual of the unit, else by the share that the policy allows.
     *
     * @param array<string, mixed> $unit
     */
    #[TestWith([['leakLimit' => ['value' => '2.5', 'unit' => 'kPa'], 'leakLimitSeconds' => '60'], '47.5', null], 'as much as it allows')]
    #[TestWith([['leakLimit' => ['value' => '2.5', 'unit' => 'kPa'], 'leakLimitSeconds' => '60'], '47.4', '1.0 times'])]
    #[TestWith([['leakLimit' => ['value' => '2.5', 'unit' => 'kPa'], 'leakLimitSeconds' => '60'], '20', '12.0 times as fast'])]
    #[TestWith([['leakLimit' => ['value' => '2.5', 'unit' => 'kPa'], 'leakLimitSeconds' => '60'], '20', 'mistyped'])]
    #[TestWith([['leakLimit' => ['value' => '0', 'unit' => 'kPa'], 'leakLimitSeconds' => '60'], '49', 'where none'])]
    #[TestWith([[], '20', 'fell by 60.0 %'])]
    public function testALeakIsAskedAbout(array $unit, string $end, ?string $asks): void
    {
        $leak = ['leakStart' => ['value' => '50', 'unit' => 'kPa'], 'leakEnd' => ['value' => $end, 'unit' => 'kPa'], 'leakSeconds' => '60'];
        $traits = (new EvidenceReader(Families::formats()))->instrument(Fields::of(AirScene::pump('P', $unit)))->traits;
        $question = LeakTest::of(EntryReader::read(Fields::of($leak), LeakTest::entries()))
            ?->question($traits, Scene::policy('standard')->limit('flow.leak', 'decay'));
        if ($asks === null) {
            self::assertNull($question);
        } else {
            self::assertStringContainsString($asks, $question ?? '');
        }
    }

    public function testEachKindOfSamplerHasItsProcedures(): void
    {
        $of = static fn (string $kind): array => array_map(
            static fn (Procedure $one): string => $one->id,
            FlowProcedures::of(
                (new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats()))->instrument(
                    Fields::of(AirScene::pump('P', ['kind' => $kind])),
                ),
            ),
        );
        self::assertSame(['flow-check', 'flow-look'], $of('pump'));
        self::assertSame(['verification', 'calibration', 'flow-look'], $of('fixed sampler'));
        self::assertSame(['flow-check', 'multi-point', 'flow-look'], $of('gauge sampler'));
        $verification = FlowProcedures::of(
            (new \Footnote\Core\Record\EvidenceReader(\Footnote\Core\Families::formats()))->instrument(
                Fields::of(AirScene::pump('P', ['kind' => 'fixed sampler'])),
            ),
        )[0];
        self::assertNull($verification->step('adjust'), 'a verification changes nothing');
        foreach (['device-off', 'sampling-on', 'leak-again', 'self-test'] as $forgotten) {
            self::assertTrue($verification->step($forgotten)?->required, 'what people forget is a step: '.$forgotten);
        }
        self::assertLessThan(
            $verification->place('as-found'),
            $verification->place('temperature'),
            'flow is worked out from temperature and pressure',
        );
    }

    public function testHistoryShowsHowTheFlowChanged(): void
    {
        $timeline = (new AirScene())
            ->check('k1', '07:00', ['2.0'])
            ->check('k2', '08:00', ['1.9'], ['2.0'])
            ->check('k3', '09:00', ['2.02'])
            ->read()->timelines['P'];
        $history = (new FlowBench())->history($timeline, new \DateTimeImmutable('2026-03-03'));
        self::assertSame(
            [null, -5.0, 1.0],
            array_map(static fn ($point): ?float => $point->drift === null ? null : round($point->drift, 9), $history->points),
        );
        self::assertSame('k2', $history->furthest()?->check);
        self::assertEqualsWithDelta(0.1, $history->points[1]->adjustment, 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badFields(): iterable
    {
        yield 'a pressure of zero' => [['pressure' => ['value' => '0', 'unit' => 'kPa']], '/flow/pressure/value'];
        yield 'a negative pressure' => [['pressure' => ['value' => '-3', 'unit' => 'kPa']], '/flow/pressure/value'];
        yield 'colder than absolute zero' => [['temperature' => ['value' => '-300', 'unit' => '°C']], '/flow/temperature/value'];
        yield 'a unit of something else' => [['temperature' => ['value' => '20', 'unit' => 'kPa']], '/flow/temperature/unit'];
        yield 'letters' => [['asFound' => [['value' => 'two', 'provenance' => 'typed']]], '/flow/asFound/0/value'];
        yield 'an exponent' => [['asFound' => [['value' => '1e999', 'provenance' => 'typed']]], '/flow/asFound/0/value'];
        yield 'humidity of 101 %' => [['humidity' => '101'], '/flow/humidity'];
        yield 'as left without an adjustment' => [['asLeft' => [['value' => '2', 'provenance' => 'typed']]], '/flow/asLeft'];
        yield 'a negative flow to be set' => [['target' => ['value' => '-2', 'unit' => 'L/min']], '/flow/target/value'];
    }

    /** @param array<string, mixed> $flow */
    #[DataProvider('badFields')]
    public function testBadInputNamesItsField(array $flow, string $place): void
    {
        try {
            (new AirScene())->check('k', '07:50', ['2.0'], [], [], $flow)->read();
            self::fail('it was read');
        } catch (InvalidRecord $problem) {
            self::assertSame('/checks/0'.$place, $problem->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badRows(): iterable
    {
        yield 'letters' => [['front' => 'n.d.'], 'front'];
        yield 'less than nothing' => [['front' => '<0'], 'front'];
        yield 'a back without a front' => [['front' => '', 'back' => '3'], 'front'];
        yield 'an efficiency in percent' => [['desorption' => '97'], 'desorption'];
        yield 'a unit that is no mass' => [['unit' => 'ppm'], 'unit'];
        yield 'a quantitation of zero' => [['quantitation' => '0'], 'quantitation'];
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('badRows')]
    public function testBadLaboratoryRowsNameTheirField(array $row, string $name): void
    {
        try {
            (new AirScene())->check('k1', '07:50', ['2.0'])->run('r', '08:00', '09:00')->found('r', '100', $row)->read();
            self::fail('it was read');
        } catch (InvalidRecord $problem) {
            self::assertStringEndsWith('/'.$name, $problem->path);
        }
    }

    public function testTheFormatKnowsItsKindsAndShelves(): void
    {
        self::assertSame(
            [...FlowStandards::KINDS, FlowStandards::THERMOMETER, FlowStandards::BAROMETER],
            array_map(static fn ($kind): string => $kind->id, (new FlowFormat())->referenceKinds()),
        );
        self::assertSame(
            ['model-sheets', 'line-profiles', 'set-ups', 'permissible-levels', 'samplers', 'methods', 'substances'],
            array_keys(Families::formats()->shelves()),
        );
    }
}
