<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\GasBench;
use Footnote\Core\Gas\GasCheck;
use Footnote\Core\Gas\GasFormat;
use Footnote\Core\Gas\GasProcedures;
use Footnote\Core\Gas\GasUsability;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Judgement\ReferenceChoice;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\Answers;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What the bench says and asks while gas is on, when a check is no evidence of a channel, and what a record may not say. */
final class GasBenchTest extends TestCase
{
    private static function timeline(GasScene $scene): Timeline
    {
        return $scene->read()->timelines['G'];
    }

    private static function check(GasScene $scene, string $id = 'k1'): Check
    {
        foreach (self::timeline($scene)->checks() as $check) {
            if ($check->id === $id) {
                return $check;
            }
        }
        throw new \OutOfBoundsException($id);
    }

    private static function live(GasScene $scene, string $id = 'k1'): LiveSheet
    {
        $timeline = self::timeline($scene);
        // As the bench does it: the half-done check is not among the others yet.
        $others = array_values(array_filter($timeline->checks(), static fn (Check $one): bool => $one->id !== $id));

        return (new GasBench())->live(
            self::check($scene, $id),
            new Timeline(
                $timeline->instrument,
                new \Footnote\Core\Evidence\RecordedChronicle($others, $timeline->interventions(), $timeline->runs()),
                $timeline->references,
            ),
            Scene::policy('standard'),
        );
    }

    /** @return array<string, array{string|null, bool|null}> shown and kept by label */
    private static function lines(LiveSheet $sheet): array
    {
        return array_combine(
            array_map(static fn (LiveLine $line): string => $line->label, $sheet->lines),
            array_map(static fn (LiveLine $line): array => [$line->figure?->shown(), $line->kept], $sheet->lines),
        );
    }

    public function testSaysHowFarEachChannelIsOffItsLabel(): void
    {
        $lines = self::lines(
            self::live(
                (new GasScene())->check(
                    'k1',
                    '07:45',
                    ['CO' => '44', 'PID' => '90', 'O2' => '18.6', 'CO!' => '7'],
                    gas: [
                        'bottlePressure' => ['value' => '17.5', 'unit' => 'bar'],
                        'isobutylenePressure' => ['value' => '1.5', 'unit' => 'bar'],
                    ],
                ),
            ),
        );
        self::assertSame(['0.60', false], $lines['O2 as found, off the label']);
        self::assertSame(['0.00', true], $lines['LEL as found, off the label']);
        self::assertSame(['-6.00', false], $lines['CO as found, off the label']);
        self::assertSame(['-10.00', true], $lines['PID as found, off the label'], 'ten percent sits on the limit');
        self::assertSame(['7', false], $lines['CO in isobutylene']);
        self::assertSame(['58', null], $lines['gas left in MIX'], 'half of 58 L at half a litre a minute');
        self::assertSame(['5', null], $lines['gas left in ISO']);
    }

    /** @return iterable<string, array{GasScene, string|null}> the scene, and what is asked of its first check */
    public static function oddities(): iterable
    {
        yield 'nothing odd' => [(new GasScene())->check('k1', '07:45'), null];
        yield 'another value than the label' => [
            (new GasScene())->check('k1', '07:45', row: ['H2S' => ['expected' => '10']]),
            'H2S expects 10, the label says 25 ppm. Set the instrument to the label before the span.',
        ];
        yield 'the label written with more digits' => [
            (new GasScene())->check('k1', '07:45', row: ['H2S' => ['expected' => '25.0']]),
            null,
        ];
        yield 'zeroed through charcoal' => [
            (new GasScene())->check('k1', '07:45', gas: ['zeroSource' => 'charcoal filter']),
            'LEL cannot be zeroed in charcoal filter: charcoal cleans air of vapours only; the gas of this cell passes it.',
        ];
        yield 'vapours zeroed indoors' => [
            (new GasScene())->check('k1', '07:45', gas: ['zeroSource' => 'indoor air']),
            'PID cannot be zeroed in indoor air: there is always some vapour indoors, and the zero is set too high.',
        ];
        yield 'no cylinder of isobutylene' => [
            (new GasScene())->check('k1', '07:45', gas: ['isobutyleneBottle' => 'MIX']),
            'Which cylinder spans PID? None that is named says how much isobutylene it holds.',
        ];
        yield 'nearly empty' => [
            (new GasScene())->check('k1', '07:45', gas: ['bottlePressure' => ['value' => '1.8', 'unit' => 'bar']]),
            'MIX holds gas for 6 min. Will it last for this check?',
        ];
        yield 'still moving' => [
            (new GasScene())->check('k1', '07:45', gas: ['isobutyleneFound' => self::moving('PID', ['80', '88', '93'])]),
            'PID as found is not on a plateau yet: it still moves.',
        ];
        yield 'isobutylene first' => [
            (new GasScene())->check('k1', '07:45', more: ['steps' => ['isobutylene-found' => 'done', 'mix-found' => 'done']]),
            'Isobutylene flowed first: CO spanned now is wrong. Wait ten minutes in clean air and begin the mix anew.',
        ];
    }

    /**
     * @param list<string> $values
     *
     * @return list<array<string, string>>
     */
    private static function moving(string $channel, array $values): array
    {
        $rows = [];
        foreach ($values as $place => $value) {
            $rows[] = ['channel' => $channel, 'value' => $value, 'seconds' => (string) (10 * $place)];
        }

        return $rows;
    }

    #[DataProvider('oddities')]
    public function testAsksWhereSomethingLooksOdd(GasScene $scene, ?string $question): void
    {
        $asked = self::live($scene)->questions;
        if ($question === null) {
            self::assertSame([], $asked);
        } else {
            self::assertContains($question, $asked);
        }
    }

    /** @return iterable<string, array{string, GasScene, string|null}> channel, scene, why its check shows nothing of it */
    public static function usable(): iterable
    {
        yield 'whole' => ['CO', (new GasScene())->check('k1', '07:45'), null];
        yield 'broken off' => ['CO', (new GasScene())->check('k1', '07:45', more: ['brokenOff' => true]), 'broken off midway'];
        yield 'set aside' => [
            'CO',
            (new GasScene())->check(
                'k1',
                '07:45',
                more: ['setAside' => ['at' => '2026-03-02T09:00:00+00:00', 'by' => 'H-1', 'reason' => 'the cap leaked']],
            ),
            'set aside: the cap leaked',
        ];
        yield 'a bump' => ['CO', (new GasScene())->check('k1', '07:45', gas: ['procedure' => 'bump-test']), GasUsability::BUMP];
        yield 'adjusted unread' => [
            'PID',
            (new GasScene())->check('k1', '07:45', ['PID' => ''], ['PID' => '100']),
            'adjusted before the value as found was noted',
        ];
        yield 'the cylinder holds something else' => [
            'PID',
            (new GasScene())->check('k1', '07:45', gas: ['isobutyleneBottle' => 'MIX']),
            'MIX does not say how much isobutylene it holds',
        ];
        yield 'a cylinder of another unit' => [
            'LEL',
            (new GasScene())->check('k1', '07:45', more: ['reference' => 'PPM'])->bottle('PPM', 'flammable gas', '25000'),
            'PPM does not say how much flammable gas it holds',
        ];
        yield 'a cylinder whose label begins later' => [
            'PID',
            (new GasScene())->check('k1', '2025-08-01T08:00:00'),
            'no cylinder that is named does not say',
        ];
        yield 'still moving as left' => [
            'PID',
            (new GasScene())->check(
                'k1',
                '07:45',
                [],
                ['PID' => '100'],
                gas: ['isobutyleneLeft' => self::moving('PID', ['90', '97', '103'])],
            ),
            'the reading as left was not on a plateau',
        ];
    }

    #[DataProvider('usable')]
    public function testWhenACheckShowsNothing(string $channel, GasScene $scene, ?string $why): void
    {
        $part = ChannelCheck::timeline($channel, self::timeline($scene));
        $reasons = (new GasUsability())->whyUnusable($part->checks()[0], $part);
        if ($why === null) {
            self::assertSame([], $reasons);
        } elseif (str_starts_with($why, 'no cylinder')) {
            // Nothing says what it holds on that day, and nothing was told to expect.
            self::assertNotSame([], $reasons);
        } else {
            self::assertContains($why, $reasons);
        }
    }

    public function testOffersTheBottlesThatHoldWhatTheUnitWants(): void
    {
        $timeline = self::timeline((new GasScene())->bottle('NO', 'nitric oxide', '10')->bottle('COX', 'carbon monoxide', '100'));
        $choices = (new GasBench())->choices(
            $timeline->instrument,
            array_values($timeline->references->all()),
            new \DateTimeImmutable('2026-03-02'),
        );
        self::assertSame(['MIX', 'COX'], array_map(static fn (ReferenceChoice $choice): string => $choice->reference->id, $choices));
        self::assertSame([], $choices[0]->problems);
        self::assertSame('oxygen 18.0 % vol, flammable gas 50 % LEL, carbon monoxide 50 ppm, hydrogen sulphide 25 ppm', $choices[0]->about);
        self::assertSame(['It holds no oxygen, no flammable gas, no hydrogen sulphide.'], $choices[1]->problems);
        $late = (new GasBench())->choices(
            $timeline->instrument,
            array_values($timeline->references->all()),
            new \DateTimeImmutable('2027-09-03'),
        );
        self::assertSame(['Its certificate was due on 1 Sep 2027.'], $late[0]->problems);
    }

    /** @return list<string> */
    private static function steps(GasScene $scene): array
    {
        return array_map(static fn (Step $step): string => $step->id, GasProcedures::of(self::timeline($scene)->instrument)[0]->steps);
    }

    public function testStepsFollowTheUnit(): void
    {
        $five = self::steps(new GasScene());
        self::assertLessThan(
            array_search('isobutylene-found', $five, true),
            array_search('mix-left', $five, true),
            'mix first, isobutylene last',
        );
        self::assertContains('inlet-blocked', $five);
        $vapour = new GasScene();
        $vapour->record['instruments'] = [[
            'id' => 'G',
            'family' => 'gas-monitor',
            'model' => 'M',
            'fixed' => true,
            'channels' => [['name' => 'PID', 'kind' => 'photoionisation']],
        ]];
        $one = self::steps($vapour);
        self::assertSame([], array_intersect(['mix-found', 'isobutylene-bottle', 'inlet-blocked', 'log-resumed'], $one));
        self::assertContains('tube-reconnected', $one);
        self::assertContains('compressor-off', $one);
        $rows = (new GasBench())->presets(
            GasProcedures::of(self::timeline(new GasScene())->instrument)[0]->step('isobutylene-found') ?? throw new \LogicException(),
            self::timeline(new GasScene())->instrument,
        );
        self::assertSame([['channel' => 'CO'], ['channel' => 'PID']], $rows);
    }

    /** A check of the unit is a check of the channels that it read, and an adjustment touches those alone. */
    public function testAChannelSeesItsOwnPartOfACheck(): void
    {
        $timeline = self::timeline(
            (new GasScene())->check(
                'k1',
                '07:45',
                ['PID' => '', 'H2S' => ''],
                ['CO' => '50', 'LEL' => '50', 'O2' => '18.0'],
            )->check('k2', '09:00', ['O2' => '', 'LEL' => '', 'CO' => '', 'H2S' => '']),
        );
        $seen = static fn (string $channel): array => array_map(
            static fn (Check $check): array => [$check->id, $check->reference, $check->content->wasAdjusted()],
            ChannelCheck::timeline($channel, $timeline)->checks(),
        );
        self::assertSame([['k1', 'MIX', true]], $seen('CO'));
        self::assertSame([], $seen('H2S'), 'nothing was read of it');
        self::assertSame([['k2', 'ISO', false]], $seen('PID'));
    }

    /** @return iterable<string, array{string, \Closure(GasScene): mixed}> the path, and what breaks the record */
    public static function faults(): iterable
    {
        $check = self::checking(...);
        yield 'a zero source that is none' => ['/checks/0/gas/zeroSource', $check(['zeroSource' => 'the office'])];
        yield 'letters for a reading' => [
            '/checks/0/gas/mixFound/0/value',
            $check(['mixFound' => [['channel' => 'CO', 'value' => 'fifty']]]),
        ];
        yield 'an exponent' => ['/checks/0/gas/mixFound/0/value', $check(['mixFound' => [['channel' => 'CO', 'value' => '1e999']]])];
        yield 'no channel' => ['/checks/0/gas/mixFound/0/channel', $check(['mixFound' => [['value' => '50']]])];
        yield 'as left without an adjustment' => ['/checks/0/gas/mixLeft', $check(['mixLeft' => [['channel' => 'CO', 'value' => '50']]])];
        yield 'seconds before the gas' => [
            '/checks/0/gas/mixFound/0/seconds',
            $check(['mixFound' => [['channel' => 'CO', 'value' => '50', 'seconds' => '-1']]]),
        ];
        yield 'an unknown vapour' => [
            '/runs/0/channels/0/substance',
            static fn (GasScene $scene): GasScene => $scene->run(
                'r',
                '08:00',
                '09:00',
                [],
                [['channel' => 'PID', 'substance' => 'phlogiston', 'mean' => '1']],
            ),
        ];
        yield 'a channel twice' => [
            '/runs/0/channels/1/channel',
            static fn (GasScene $scene): GasScene => $scene->run(
                'r',
                '08:00',
                '09:00',
                [],
                [['channel' => 'PID', 'mean' => '1'], ['channel' => 'PID', 'mean' => '2']],
            ),
        ];
        yield 'a factor of zero' => [
            '/runs/0/channels/0/unitFactor',
            static fn (GasScene $scene): GasScene => $scene->run('r', '08:00', '09:00', [], [['channel' => 'PID', 'unitFactor' => '0']]),
        ];
        yield 'a cylinder nobody has' => [
            '/checks/0/reference',
            static fn (GasScene $scene): GasScene => $scene->check('k1', '07:45', more: ['reference' => 'GONE']),
        ];
        yield 'a column without its channel' => ['/runs/0/log/format/columns/0/channel', static function (GasScene $scene): void {
            $scene->run('r', '08:00', '08:01', ['' => ['1', '2', '3']]);
        }];
    }

    /**
     * @param array<string, mixed> $gas
     *
     * @return \Closure(GasScene): GasScene
     */
    private static function checking(array $gas): \Closure
    {
        return static fn (GasScene $scene): GasScene => $scene->check('k1', '07:45', gas: $gas);
    }

    /** @param \Closure(GasScene): mixed $break */
    #[DataProvider('faults')]
    public function testNamesTheFieldThatIsWrong(string $path, \Closure $break): void
    {
        $scene = new GasScene();
        $break($scene);
        try {
            $scene->read();
            self::fail('read without a word');
        } catch (InvalidRecord $problem) {
            self::assertSame($path, $problem->path, $problem->getMessage());
        }
    }

    /** Rows that were filled in beforehand and never read are no readings. */
    public function testOnlyAReadingMakesARow(): void
    {
        $section = Answers::section((new GasFormat())->check(), [
            'zeroSource' => 'outdoor air',
            'mixFound' => [
                ['channel' => 'O2', 'value' => ''],
                ['channel' => 'CO', 'value' => ' 50,0 ', 'expected' => '50', 'provenance' => 'read back'],
            ],
            'mixAdjusted' => false,
            'mixLeft' => [['channel' => 'CO', 'value' => '49']],
            'isobutyleneAdjusted' => true,
            'isobutyleneLeft' => [['channel' => 'PID', 'value' => '']],
            'bottlePressure' => ['value' => '', 'unit' => 'bar'],
            'unheard' => 'of',
        ]);
        self::assertSame(
            [
                'zeroSource' => 'outdoor air',
                'mixFound' => [['provenance' => 'read back', 'channel' => 'CO', 'value' => '50,0', 'expected' => '50']],
                'isobutyleneAdjusted' => true,
            ],
            $section,
        );
        $content = (new GasFormat())->readCheck(Fields::of(['gas' => $section]));
        self::assertInstanceOf(GasCheck::class, $content);
        self::assertSame('50.0', $content->of('mixFound', 'CO')[0]->value->written);
        self::assertTrue($content->wasAdjusted());
        self::assertFalse($content->asLeftIsKnown());
        self::assertContains(
            ['label' => 'Mix as found', 'shown' => 'CO 50.0 (read back by a second person)'],
            (new GasFormat())->describeCheck($content),
        );
    }

    /**
     * FC-D2: alarms are asked for only where the label lies beyond the set point; oxygen has one for too little.
     *
     * @param array<string, string> $alarms
     */
    #[TestWith([['CO' => '49.9', 'O2' => '18.1'], 'The alarms of O2, CO sounded'])]
    #[TestWith([['CO' => '50', 'O2' => '18.1'], 'The alarms of O2 sounded'])]
    #[TestWith([['CO' => '200', 'O2' => '18.0'], null])]
    #[TestWith([['CO' => '49.9'], 'Every alarm sounded'])]
    public function testAlarmsAreAskedForWhereTheGasCanRaiseThem(array $alarms, ?string $asked): void
    {
        $scene = new GasScene();
        foreach (['LEL' => '60', 'H2S' => '30', ...$alarms] as $channel => $alarm) {
            $scene->channel($channel, ['alarm' => $alarm]);
        }
        $campaign = $scene->read();
        $unit = $campaign->timelines['G']->instrument;
        $step = Procedure::among(GasProcedures::of($unit), GasProcedures::BUMP)->step(GasProcedures::ALARMS);
        self::assertNotNull($step);
        $on = new \DateTimeImmutable('2026-03-02');
        $said = (new GasBench())->instruction($step, $unit, $campaign->timelines['G']->references->all()['MIX'] ?? null, $on);
        self::assertSame($asked, $said === null ? null : preg_replace('/ sounded.*/', ' sounded', $said));
        self::assertSame($step->words->instruction, (new GasBench())->instruction($step, $unit, null, $on), 'no cylinder was chosen yet');
    }
}
