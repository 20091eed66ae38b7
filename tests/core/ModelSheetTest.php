<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Evidence\OwnValue;
use Footnote\Core\Families;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\OwnSteps;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;
use Footnote\Core\Sheet\SheetShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A model sheet adds to the procedure of its family, and has no way to leave anything out. */
final class ModelSheetTest extends TestCase
{
    private const MONITOR = [
        'id' => 'G', 'model' => 'Model G', 'family' => 'gas-monitor', 'pumped' => true,
        'channels' => [['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500']],
    ];

    public function testItsStepsStandWhereItSaysAndEverythingElseStays(): void
    {
        $sheet = self::sheet(['steps' => [
            self::step('first'),
            self::step('before-zero', ['before' => 'zero-found']),
            self::step('after-zero', ['after' => 'zero-found']),
            self::step('again', ['after' => 'zero-found']),
            self::step('only-bump', ['in' => 'bump-test', 'after' => 'alarms']),
        ]]);
        [$calibration, $bump] = self::walked($sheet);

        self::assertSame('S.first', $calibration[0]);
        self::assertSame(
            ['S.before-zero', 'zero-found', 'S.after-zero', 'S.again', 'zero-adjust'],
            \array_slice($calibration, (int) array_search('S.before-zero', $calibration, true), 5),
        );
        self::assertNotContains('S.only-bump', $calibration);
        self::assertNotContains('S.after-zero', $bump, 'a bump has no zero');
        self::assertSame(['alarms', 'S.only-bump', 'gas-off'], \array_slice($bump, -4, 3));
        foreach ([0 => $calibration, 1 => $bump] as $which => $steps) {
            self::assertSame(
                self::ids(self::frame()[$which]),
                array_values(array_filter($steps, static fn (string $id): bool => !str_starts_with($id, 'S.'))),
                'the frame is whole and in its order',
            );
        }
    }

    public function testAStepWhosePlaceTheUnitDoesNotHaveIsAskedAtTheEndAndThatIsSaid(): void
    {
        $sheet = self::sheet(['steps' => [self::step('lost', ['after' => 'no-such-step']), self::step('else', ['in' => 'no-such'])]]);
        foreach (self::walked($sheet) as $steps) {
            self::assertContains('S.lost', $steps);
            self::assertContains('S.else', $steps);
        }
        $misplaced = self::sheets($sheet)->misplaced(self::frame());
        self::assertCount(1, $misplaced);
        self::assertStringContainsString('"no-such-step"', $misplaced[0]);
    }

    #[TestWith(['600', 600], 'longer than the procedure')]
    #[TestWith(['600.2', 601], 'never cut short')]
    #[TestWith(['1', null], 'a shorter one changes nothing')]
    public function testAWaitIsMadeLongerAndNeverShorter(string $seconds, ?int $then): void
    {
        $frame = self::frame()[0]->step(Step::WARM_UP)->seconds ?? 0;
        $sheet = self::sheet(['waits' => [['step' => Step::WARM_UP, 'seconds' => $seconds], ['step' => 'saved', 'seconds' => '900']]]);
        $walked = self::sheets($sheet)->over(self::frame())[0];

        self::assertSame($then ?? $frame, $walked->step(Step::WARM_UP)?->seconds);
        self::assertNull($walked->step('saved')?->seconds, 'what is no wait does not become one');
    }

    public function testAStepOnlyWhereItWasAdjustedLeansOnTheAdjustingBeforeIt(): void
    {
        $sheet = self::sheet(['steps' => [
            self::step('zero-saved', ['after' => 'zero-left', 'onlyAdjusted' => true]),
            self::step('mix-saved', ['after' => 'mix-left', 'onlyAdjusted' => true]),
            self::step('at-once', ['onlyAdjusted' => true]),
        ]]);
        $walked = self::sheets($sheet)->over(self::frame())[0];

        self::assertSame('zeroAdjusted', $walked->step('S.zero-saved')?->onlyAfter);
        self::assertSame('mixAdjusted', $walked->step('S.mix-saved')?->onlyAfter);
        self::assertNull($walked->step('S.at-once')?->onlyAfter, 'nothing was adjusted before it: it is always asked');
        $asked = static fn (bool $mix): array => array_column(self::sheets($sheet)->rows($walked, ['mixAdjusted' => $mix]), 'step');
        self::assertSame(['S.at-once'], $asked(false));
        self::assertSame(['S.at-once', 'S.mix-saved'], $asked(true));
    }

    public function testWhatIsWrittenStandsInTheRecordAsTypedAndIsReadAgain(): void
    {
        $sheet = self::sheet([
            'steps' => [self::step('vacuum', ['kind' => 'entries']), self::step('look')],
            'writes' => [
                ['step' => 'vacuum', 'label' => 'Vacuum', 'unit' => 'kPa', 'least' => '20.0', 'most' => '40.0', 'otherwise' => 'A leak.'],
                ['step' => 'vacuum', 'label' => 'Who'],
            ],
        ]);
        $procedure = self::sheets($sheet)->over(self::frame())[0];
        $rows = self::sheets($sheet)->rows($procedure, ['S.vacuum.0' => ' 40,1 ', 'S.vacuum.1' => '']);
        [$vacuum, $look] = OwnSteps::read(Fields::of([OwnSteps::NAME => $rows]));

        self::assertSame(['S.vacuum', 'S', true], [$vacuum->id, $vacuum->sheet, $vacuum->required]);
        self::assertCount(1, $vacuum->values);
        self::assertSame('40,1', $vacuum->values[0]->written);
        self::assertTrue($vacuum->values[0]->isUnusual());
        self::assertSame([], $look->values);
        self::assertSame(
            ['Vacuum 40,1 kPa; usual is from 20.0 to 40.0 kPa: a leak.'],
            self::sheets($sheet)->questions([], [$vacuum, $look]),
        );
    }

    #[TestWith(['20.0', '20', '40', false], 'the end belongs to it')]
    #[TestWith(['19.99', '20', '40', true])]
    #[TestWith(['40', '20', '40.00', false])]
    #[TestWith(['40.000000000000000001', null, '40', true], 'as written, not as a float')]
    #[TestWith(['-5', '-5.0', null, false])]
    #[TestWith(['no number', null, null, false], 'nothing is held against nothing')]
    public function testTheBandIsHeldAsWritten(string $written, ?string $least, ?string $most, bool $isUnusual): void
    {
        $band = new Band($least === null ? null : Decimal::parse($least), $most === null ? null : Decimal::parse($most), 'kPa', '');
        $value = new OwnValue('Vacuum', $written, $band);
        self::assertSame($isUnusual, $value->isUnusual());
    }

    public function testReadingsThatAModelDoesNotShowAreAskedAbout(): void
    {
        $sheet = self::sheet(['expected' => [
            ['list' => 'zeroFound', 'of' => 'CO', 'unit' => 'ppm', 'least' => '-2', 'most' => '2', 'otherwise' => 'not in clean air'],
            ['list' => 'asFound', 'unit' => 'L/min', 'least' => '14', 'most' => '19'],
        ]]);
        $questions = static fn (string $list, array $rows): array => self::sheets($sheet)->questions([$list => $rows], []);

        self::assertSame([], $questions('zeroFound', [['channel' => 'CO', 'value' => '2.0'], ['channel' => 'O2', 'value' => '20.9']]));
        self::assertSame(
            ['The model sheet asks: CO 12 ppm; usual is from -2 to 2 ppm: not in clean air?'],
            $questions('zeroFound', [['channel' => 'CO', 'value' => '12'], ['channel' => 'CO', 'value' => 'twelve']]),
        );
        self::assertCount(1, $questions('asFound', [['value' => ['value' => '1.67', 'unit' => 'L/min']]]));
        $other = [['value' => ['value' => '1.0', 'unit' => 'm³/h']]];
        self::assertSame([], $questions('asFound', $other), 'another unit is not held against it');
    }

    public function testASheetOfTheModelThatNoOtherReplacesIsAsked(): void
    {
        $sheets = new Sheets([
            self::sheet([]),
            self::sheet(['code' => 'T', 'replaces' => 'S']),
            self::sheet(['code' => 'OTHER', 'models' => [['model' => 'Model H']]]),
            self::sheet(['code' => 'TEMPLATE', 'models' => []]),
            self::sheet(['code' => 'FAMILY', 'family' => 'noise-dosimeter']),
        ]);
        self::assertSame(['T'], $sheets->of('gas-monitor', 'Model G')->codes());
        // It takes its place where it is of the same model, and nowhere else.
        $both = new Sheets([
            self::sheet(['models' => [['model' => 'Model G'], ['model' => 'Model H']]]),
            self::sheet(['code' => 'T', 'replaces' => 'S']),
        ]);
        self::assertSame([['T'], ['S']], [$both->of('gas-monitor', 'Model G')->codes(), $both->of('gas-monitor', 'Model H')->codes()]);
        self::assertNull($both->replacing($both->sheets[0]));
        self::assertSame('T', $sheets->replacing($sheets->sheets[0])?->code);
        self::assertSame(['OTHER'], $sheets->of('gas-monitor', 'Model H')->codes());
        self::assertSame([], $sheets->of('gas-monitor', '')->codes());
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('faults')]
    public function testASheetThatDoesNotHoldTogetherIsRefusedByName(array $more, string $place): void
    {
        try {
            self::sheet($more);
            self::fail('It was taken.');
        } catch (InvalidRecord $fault) {
            self::assertSame($place, $fault->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $write = ['step' => 'a', 'label' => 'X', 'least' => '2', 'most' => '1'];
        yield 'a code twice' => [['steps' => [self::step('a'), self::step('a')]], '/steps/1/code'];
        yield 'the code of what is laid out' => [['steps' => [self::step('lay-out')]], '/steps/0/code'];
        yield 'a wait of no length' => [['steps' => [self::step('a', ['kind' => 'wait'])]], '/steps/0/seconds'];
        yield 'two places' => [['steps' => [self::step('a', ['before' => 'saved', 'after' => 'saved'])]], '/steps/0/after'];
        yield 'written at no step' => [['writes' => [['step' => 'a', 'label' => 'X']]], '/writes/0/step'];
        $confirm = [self::step('a')];
        yield 'written where one confirms' => [['steps' => $confirm, 'writes' => [['step' => 'a', 'label' => 'X']]], '/writes/0/step'];
        yield 'an empty band' => [['steps' => [self::step('a', ['kind' => 'entries'])], 'writes' => [$write]], '/writes/0/most'];
        yield 'nothing expected' => [['expected' => [['list' => 'asFound']]], '/expected/0/least'];
        yield 'no source' => [['source' => ''], '/source'];
        yield 'in its own place' => [['replaces' => 'S'], '/replaces'];
        yield 'a kind of its own' => [['steps' => [self::step('a', ['kind' => 'readings'])]], '/steps/0/kind'];
    }

    /** Templates name steps that a unit of their family has, and are asked of none. */
    public function testEveryTemplateFitsTheStepsOfItsFamily(): void
    {
        $shelf = Families::formats()->shelf(SheetShelf::ID);
        self::assertNotNull($shelf);
        $units = [
            self::MONITOR,
            ['family' => 'gas-monitor',
                'channels' => [['name' => 'PID', 'kind' => 'photoionisation', 'lamp' => '10.6', 'range' => '2000']]],
            ['family' => 'gas-monitor', 'fixed' => true, 'channels' => self::MONITOR['channels']],
            ['family' => 'noise-dosimeter', 'microphone' => '1/2 in', 'rangeHigh' => '140'],
            ['family' => 'air-sampler', 'kind' => 'fixed sampler', 'flowControl' => 'compensated',
                'nominalFlow' => ['value' => '16.7', 'unit' => 'L/min']],
            ['family' => 'air-sampler', 'kind' => 'gauge sampler', 'flowControl' => 'uncompensated',
                'nominalFlow' => ['value' => '1000', 'unit' => 'L/min']],
            ['family' => 'air-sampler', 'kind' => 'pump', 'flowControl' => 'compensated',
                'nominalFlow' => ['value' => '2', 'unit' => 'L/min']],
            ['family' => 'particle-counter', 'kind' => 'airborne counter', 'sizes' => [['size' => '0.3']],
                'nominalFlow' => ['value' => '2.83', 'unit' => 'L/min']],
            ['family' => 'particle-counter', 'kind' => 'liquid counter', 'sizes' => [['size' => '2']],
                'nominalFlow' => ['value' => '0.1', 'unit' => 'L/min']],
        ];
        $steps = [];
        $procedures = [];
        foreach ($units as $unit) {
            foreach (self::frame([...$unit, 'id' => 'U', 'model' => 'M']) as $procedure) {
                $procedures[$unit['family']][] = $procedure->id;
                $steps[$unit['family']] = [...$steps[$unit['family']] ?? [], ...self::ids($procedure)];
            }
        }
        self::assertGreaterThan(5, \count($shelf->shipped()));
        foreach ($shelf->shipped() as $code => $entry) {
            self::assertSame([], $entry->rows('models'), 'a template is of no model');
            $known = $steps[$entry->text('family')] ?? array_merge(...array_values($steps));
            $walks = $procedures[$entry->text('family')] ?? array_merge(...array_values($procedures));
            foreach ((new ModelSheet($entry))->places() as $named) {
                self::assertSame([], array_diff($named, $known), $code);
            }
            foreach ($entry->rows('steps') as $step) {
                self::assertContains($step->text('in') ?? $walks[0], $walks, $code);
            }
        }
    }

    /** @param array<string, mixed> $more */
    private static function sheet(array $more): ModelSheet
    {
        $shelf = Families::formats()->shelf(SheetShelf::ID);
        self::assertNotNull($shelf);
        $entry = [
            'code' => 'S', 'name' => 'Sheet', 'family' => 'gas-monitor', 'source' => 'manual', 'models' => [['model' => 'Model G']],
            ...$more,
        ];

        return new ModelSheet($shelf->read(Fields::of($entry)));
    }

    private static function sheets(ModelSheet $sheet): Sheets
    {
        return new Sheets([$sheet]);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function step(string $code, array $more = []): array
    {
        return ['code' => $code, 'kind' => 'confirm', 'title' => ucfirst($code), 'instruction' => 'Do '.$code, ...$more];
    }

    /**
     * @param array<string, mixed> $unit
     *
     * @return non-empty-list<Procedure>
     */
    private static function frame(array $unit = self::MONITOR): array
    {
        $instrument = (new EvidenceReader(Families::formats()))->instrument(Fields::of($unit));

        return Families::assessor()->family($instrument->family)->procedures($instrument);
    }

    /** @return list<list<string>> */
    private static function walked(ModelSheet $sheet): array
    {
        return array_map(self::ids(...), self::sheets($sheet)->over(self::frame()));
    }

    /** @return list<string> */
    private static function ids(Procedure $procedure): array
    {
        return array_map(static fn (Step $step): string => $step->id, $procedure->steps);
    }
}
