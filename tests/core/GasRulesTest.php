<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\BracketState;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\TestCase;

/** Every rule of monitors on both sides of its line; limits are those of the Standard policy. */
final class GasRulesTest extends TestCase
{
    use RulesOneByOne;

    /**
     * A quiet day with a check at both ends.
     *
     * @param array<string, string>                $after as found in the evening
     * @param array<string, string>                $zero  in clean air in the evening
     * @param array<string, mixed>                 $gas   of the check in the evening
     * @param array<string, array<string, string>> $row
     */
    private static function day(array $after = [], array $zero = [], array $gas = [], array $row = []): GasScene
    {
        return self::measured((new GasScene())->check('k1', '07:45'))->check('k2', '12:10', $after, [], $zero, [], $gas, $row);
    }

    /**
     * @param list<array<string, string>> $channels
     * @param array<string, mixed>        $more
     */
    private static function measured(GasScene $scene, array $channels = [], array $more = []): GasScene
    {
        $quiet = ['O2' => '20.9', 'LEL' => '0', 'CO' => '3', 'H2S' => '0', 'PID' => '20'];

        return $scene->run(
            'r',
            '08:00',
            '12:00',
            array_map(static fn (string $value): array => GasScene::steady($value, 240), $quiet),
            $channels,
            $more,
        );
    }

    /** @param array<string, mixed> $more of the check */
    private static function purged(string $read, array $more = []): GasScene
    {
        $row = static fn (string $value): array => ['channel' => 'PID', 'value' => $value, 'provenance' => 'typed'];

        // It is read until it is down: what it read on the way there does not count.
        return self::measured((new GasScene())->check('k1', '07:45', gas: ['purged' => [$row('40'), $row($read)]], more: $more))
            ->check('k2', '12:10');
    }

    /** A calibration that ended in clean air with gas in the cell, and a bump test after it, which ended so. */
    private static function bumpPurged(string $read): GasScene
    {
        $row = static fn (string $value): array => ['channel' => 'PID', 'value' => $value, 'provenance' => 'typed'];
        $bump = ['procedure' => 'bump-test', 'purged' => [$row($read)]];

        return self::measured((new GasScene())->check('k1', '07:30', gas: ['purged' => [$row('40')]])->check('b', '07:55', gas: $bump))
            ->check('k2', '12:10');
    }

    /** @param array<string, string> $left as left in the morning */
    private static function adjusted(array $left): GasScene
    {
        return self::measured((new GasScene())->check('k1', '07:45', [], $left))->check('k2', '12:10');
    }

    /**
     * A morning that found channels so and left them.
     *
     * @param array<string, string> $found
     * @param array<string, string> $zero
     */
    private static function found(array $found = [], array $zero = []): GasScene
    {
        return self::measured((new GasScene())->check('k1', '07:45', $found, [], $zero))->check('k2', '12:10', $found, [], $zero);
    }

    /** @param list<array<string, string>> $channels */
    private static function set(array $channels): GasScene
    {
        return self::measured((new GasScene())->check('k1', '07:45'), $channels)->check('k2', '12:10');
    }

    /** @param array<string, string> $after */
    private static function carbonMonoxideAlone(array $after): GasScene
    {
        return (new GasScene())->check('k1', '07:45')->run(
            'r',
            '08:00',
            '12:00',
            ['CO' => GasScene::steady('3', 240)],
        )->check('k2', '12:10', $after);
    }

    /** @param list<string> $pid readings of ten seconds each */
    private static function logged(array $pid, ?string $from = null): GasScene
    {
        return (new GasScene())->check('k1', '07:45')->run(
            'r',
            '08:00',
            '12:00',
            ['CO' => array_fill(0, \count($pid), '3'), 'PID' => $pid],
            logFrom: $from,
        )->check('k2', '12:10');
    }

    /** Every gas of the cylinder at once in the middle of the run, so many readings of ten seconds. */
    private static function mixInside(int $count): GasScene
    {
        $log = [];
        foreach ([
            'O2' => ['20.9', '18'],
            'LEL' => ['0', '50'],
            'CO' => ['3', '50'],
            'H2S' => ['0', '25'],
        ] as $channel => [$quiet, $label]) {
            $log[$channel] = array_map(static fn (int $i): string => $i >= 600 && $i < 600 + $count ? $label : $quiet, range(0, 1439));
        }

        return (new GasScene())->check('k1', '07:45')->run('r', '08:00', '12:00', $log)->check('k2', '12:10');
    }

    /** @return list<string> */
    private static function with(string $value, int $from, int $count, int $length = 1440): array
    {
        return array_map(static fn (int $i): string => $i >= $from && $i < $from + $count ? $value : '20', range(0, $length - 1));
    }

    /**
     * A morning in which the gases came in that order.
     *
     * @param list<string> $order
     */
    private static function ordered(array $order): GasScene
    {
        $steps = array_fill_keys(
            ['warm-up', 'inlet-blocked', 'zero-source', 'zero-found', ...$order, 'saved', 'gas-off', 'purged', 'log-resumed'],
            'done',
        );

        return self::measured((new GasScene())->check('k1', '07:45', [], [], [], ['steps' => $steps]))->check('k2', '12:10');
    }

    /** @return iterable<string, array{string, GasScene, GasScene, Severity}> rule, where it finds, where it does not, weight */
    public static function rules(): iterable
    {
        $stages = static fn (string $stage): array => [$stage.'-bottle', $stage.'-found', $stage.'-adjust'];
        yield 'CO beyond 2 ppm and 10 %' => ['gas.span-drift', self::day(['CO' => '55.1']), self::day(['CO' => '55']), Severity::Void];
        yield 'H₂S beyond 1 ppm and 10 %' => ['gas.span-drift', self::day(['H2S' => '22.4']), self::day(['H2S' => '22.5']), Severity::Void];
        yield 'LEL beyond 3 % and 10 %' => ['gas.span-drift', self::day(['LEL' => '44.9']), self::day(['LEL' => '45']), Severity::Void];
        yield 'oxygen by its own limit alone' => [
            'gas.span-drift',
            self::day(['O2' => '18.6']),
            self::day(['O2' => '18.5']),
            Severity::Void,
        ];
        yield 'vapours by the share alone' => ['gas.span-drift', self::day(['PID' => '89.9']), self::day(['PID' => '90']), Severity::Void];
        yield 'zero of CO, exactly on its limit' => [
            'gas.zero-drift',
            self::day([], ['CO' => '5.1']),
            self::day([], ['CO' => '5.0']),
            Severity::Void,
        ];
        yield 'found 31 % off' => ['gas.as-found-large', self::day(['PID' => '69.9']), self::day(['PID' => '70']), Severity::Note];
        yield 'vapours read back 5.1 % off' => [
            'gas.read-back',
            self::adjusted(['PID' => '105.1']),
            self::adjusted(['PID' => '105']),
            Severity::Qualified,
        ];
        // FC-C2 (own): 2 ppm, which is less than a tenth of the label; three times beyond it was not fit to go out.
        yield 'CO left 2.1 ppm off' => [
            'gas.read-back',
            self::adjusted(['CO' => '47.9']),
            self::adjusted(['CO' => '48']),
            Severity::Qualified,
        ];
        yield 'CO left 6.1 ppm off' => [
            'gas.read-back-large',
            self::adjusted(['CO' => '43.9']),
            self::adjusted(['CO' => '44']),
            Severity::Void,
        ];
        yield 'not adjusted, and off all the same' => [
            'gas.read-back',
            self::found(['CO' => '47']),
            self::found(['CO' => '48']),
            Severity::Qualified,
        ];
        yield 'off clean air' => ['gas.read-back', self::found([], ['CO' => '2.1']), self::found([], ['CO' => '2']), Severity::Qualified];
        yield 'oxygen off clean air' => [
            'gas.read-back',
            self::found([], ['O2' => '21.5']),
            self::found([], ['O2' => '21.4']),
            Severity::Qualified,
        ];
        yield 'CO shows 6 in isobutylene, vapours beside it' => [
            'gas.cross-response',
            self::day(['CO!' => '6']),
            self::day(['CO!' => '5']),
            Severity::Qualified,
        ];
        yield 'CO shows 6 in isobutylene, no vapours measured' => [
            'gas.cross-response',
            self::carbonMonoxideAlone(['CO!' => '6']),
            self::carbonMonoxideAlone(['CO!' => '5']),
            Severity::Note,
        ];
        yield 'the order of gases' => [
            'gas.after-isobutylene',
            self::ordered([...$stages('isobutylene'), ...$stages('mix')]),
            self::ordered([...$stages('mix'), ...$stages('isobutylene')]),
            Severity::Note,
        ];
        yield 'set to 10, label 25' => [
            'gas.expected-value',
            self::measured(
                (new GasScene())->check('k1', '07:45', ['H2S' => '11'], ['H2S' => '10'], row: ['H2S' => ['expected' => '10']]),
            )->check('k2', '12:10', ['H2S' => '10']),
            self::measured(
                (new GasScene())->check('k1', '07:45', ['H2S' => '24'], ['H2S' => '25'], row: ['H2S' => ['expected' => '25']]),
            )->check('k2', '12:10'),
            Severity::Corrected,
        ];
        yield 'another gas selected' => [
            'gas.selected-gas',
            self::day(row: ['PID' => ['selected' => 'toluene']]),
            self::day(row: ['PID' => ['selected' => 'Isobutylene']]),
            Severity::Qualified,
        ];
        yield 'cylinder at 2.9 bar' => [
            'gas.bottle-pressure',
            self::day(gas: ['bottlePressure' => ['value' => '2.9', 'unit' => 'bar']]),
            self::day(gas: ['bottlePressure' => ['value' => '3.0', 'unit' => 'bar']]),
            Severity::Qualified,
        ];
        yield 'vapours zeroed indoors' => [
            'gas.zero-source',
            self::day(gas: ['zeroSource' => 'indoor air']),
            self::day(gas: ['zeroSource' => 'zero-air bottle']),
            Severity::Qualified,
        ];
        yield 'charcoal is for vapours' => [
            'gas.zero-source',
            self::day(gas: ['zeroSource' => 'charcoal filter']),
            self::day(gas: ['zeroSource' => 'compressed air']),
            Severity::Qualified,
        ];
        yield 'not saved' => [
            'gas.not-saved',
            self::measured(
                (new GasScene())->check(
                    'k1',
                    '07:45',
                    ['PID' => '80'],
                    ['PID' => '100'],
                    more: ['steps' => [...GasScene::STEPS, 'saved' => 'skipped']],
                ),
            )->check('k2', '12:10'),
            self::measured((new GasScene())->check('k1', '07:45', ['PID' => '80'], ['PID' => '100']))->check('k2', '12:10'),
            Severity::Qualified,
        ];
        yield 'test gas still in the cell' => ['gas.not-purged', self::purged('12'), self::purged('2'), Severity::Qualified];
        yield 'which is out a while later' => [
            'gas.not-purged',
            self::purged('12', ['stepTimes' => ['purged' => '2026-03-02T07:58:00+00:00']]),
            self::purged('12', ['stepTimes' => ['purged' => '2026-03-02T07:40:00+00:00']]),
            Severity::Qualified,
        ];
        yield 'after a bump test that came last' => [
            'gas.not-purged',
            self::bumpPurged('12'),
            self::bumpPurged('2'),
            Severity::Qualified,
        ];
        yield 'a cell past its life' => [
            'gas.sensor-aged',
            self::day()->channel('CO', ['fitted' => '2024-08-01', 'life' => '18']),
            self::day()->channel('CO', ['fitted' => '2024-10-01', 'life' => '18']),
            Severity::Note,
        ];
        yield 'unless it was exchanged since' => [
            'gas.sensor-aged',
            self::day()->channel('CO', ['fitted' => '2024-08-01', 'life' => '18'])->intervention(
                'i',
                '2025-01-10T08:00:00',
                'sensor exchanged',
                'H2S',
            ),
            self::day()->channel('CO', ['fitted' => '2024-08-01', 'life' => '18'])->intervention(
                'i',
                '2025-01-10T08:00:00',
                'sensor exchanged',
                'CO',
            ),
            Severity::Note,
        ];
        yield 'bump only in the evening' => [
            'gas.bump-only',
            self::measured((new GasScene())->check('k1', '07:45'))->check('k2', '12:10', gas: ['procedure' => 'bump-test']),
            self::measured((new GasScene())->check('k1', '07:45'))->check(
                'k2',
                '12:10',
                gas: ['procedure' => 'bump-test'],
            )->check('k3', '12:40'),
            Severity::Note,
        ];
        yield 'came to rest at 79 % of the label' => ['gas.bump', self::bumped('39.5'), self::bumped('40'), Severity::Qualified];
        yield 'came to rest at 121 % of the label' => ['gas.bump', self::bumped('60.5'), self::bumped('60'), Severity::Qualified];
        yield 'no channel answered to the mix' => ['gas.no-answer', self::shut('0'), self::shut('10'), Severity::Void];
        yield 'oxygen read in clean air alone' => ['gas.oxygen-by-air', self::day(['O2' => '']), self::day(), Severity::Note];
        yield 'nobody says what 100 % LEL is' => [
            'gas.lel-basis',
            self::explosive(null, '5.0'),
            self::explosive('4.4', '5.0'),
            Severity::Void,
        ];
        yield 'the limit does not say it' => ['gas.lel-basis', self::explosive('4.4', null), self::explosive('5.0', '5.0'), Severity::Void];
        yield 'a check inside the log, by its record' => [
            'removed.recorded',
            self::mixInside(4)->check('k3', '09:41'),
            self::mixInside(4),
            Severity::Note,
        ];
        yield 'zeroed at switching on' => [
            'gas.power-on-zero',
            self::day()->intervention('i', '07:55', 're-zeroed'),
            self::day()->intervention('i', '07:40', 're-zeroed'),
            Severity::Qualified,
        ];
        yield 'sixteen kelvin from the check' => ['gas.conditions', self::at('5.9'), self::at('6.0'), Severity::Note];
        yield 'the mix in the log, off every record' => ['gas.test-gas-removed', self::mixInside(4), self::mixInside(2), Severity::Void];
        yield 'the mix for longer than a check takes' => ['removed.offered', self::mixInside(61), self::mixInside(60), Severity::Note];
        yield 'one gas alone may be work' => [
            'removed.offered',
            self::logged(self::with('100', 600, 4)),
            self::logged(self::with('84', 600, 4)),
            Severity::Note,
        ];
        yield 'a lamp of 9.8 eV does not see ethanol' => [
            'gas.lamp',
            self::set([['channel' => 'PID', 'substance' => 'ethanol']])->channel('PID', ['lamp' => '9.8']),
            self::set([['channel' => 'PID', 'substance' => 'toluene']])->channel('PID', ['lamp' => '9.8']),
            Severity::Void,
        ];
        yield 'no factor known' => [
            'gas.factor-missing',
            self::set([['channel' => 'PID', 'substance' => 'isopropanol']]),
            self::set([['channel' => 'PID', 'substance' => 'toluene']]),
            Severity::Qualified,
        ];
        yield 'by the unit and by hand' => [
            'gas.factor-doubled',
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'unitFactor' => '0.5', 'handFactor' => '0.5']]),
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'unitFactor' => '0.5']]),
            Severity::Corrected,
        ];
        yield 'the factor of another' => [
            'gas.factor-foreign',
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'unitFactor' => '1.1']]),
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'unitFactor' => '1.0']]),
            Severity::Corrected,
        ];
        yield 'shown in mg/m³' => [
            'gas.unit-setting',
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'shownIn' => 'mg/m³']]),
            self::set([['channel' => 'PID', 'substance' => 'toluene', 'shownIn' => 'as registered']]),
            Severity::Corrected,
        ];
        yield 'marked as over range' => [
            'gas.over-range',
            self::logged(self::with('OR', 600, 3)),
            self::logged(self::with('1999', 600, 3)),
            Severity::Qualified,
        ];
        yield 'at the end of its range' => [
            'gas.over-range',
            self::logged(self::with('2000', 600, 3)),
            self::logged(self::with('1999', 600, 3)),
            Severity::Qualified,
        ];
        yield 'the log begins late' => [
            'gas.memory-wrapped',
            self::logged(self::with('20', 0, 0, 1400), '08:06:00'),
            self::logged(self::with('20', 0, 0, 1400), '08:05:00'),
            Severity::Qualified,
        ];
        yield 'its memory began anew' => [
            'gas.memory-wrapped',
            self::measured((new GasScene())->check('k1', '07:45'), more: ['wrapped' => true])->check('k2', '12:10'),
            self::day(),
            Severity::Qualified,
        ];
        yield 'a quarter of an hour with holes' => [
            'gas.hollow',
            self::logged(self::with('--', 600, 23)),
            self::logged(self::with('--', 600, 22)),
            Severity::Note,
        ];
        yield 'more than one percent missing' => [
            'gas.gap',
            self::logged(self::with('--', 600, 15)),
            self::logged(self::with('--', 600, 14)),
            Severity::Note,
        ];
        yield 'more than five percent missing' => [
            'gas.gap-large',
            self::logged(self::with('--', 600, 73)),
            self::logged(self::with('--', 600, 72)),
            Severity::Qualified,
        ];
        yield 'adjusted and not read again' => [
            'bracket.as-left-not-read',
            self::adjusted(['PID' => '']),
            self::adjusted(['PID' => '100']),
            Severity::Qualified,
        ];
        yield 'no check in the evening' => [
            'bracket.no-post-check',
            self::measured((new GasScene())->check('k1', '07:45')),
            self::day(),
            Severity::Void,
        ];
    }

    /** Bump-tested before the run; carbon monoxide rested at so much of a label of 50 ppm. */
    private static function bumped(string $reading): GasScene
    {
        return self::measured(
            (new GasScene())->check('k1', '07:45')->check('b', '07:55', ['CO' => $reading], gas: ['procedure' => 'bump-test']),
        )->check('k2', '12:10');
    }

    /** In the evening every channel of the mix stood in what it shows of clean air, but for carbon monoxide. */
    private static function shut(string $carbonMonoxide): GasScene
    {
        return self::day(['O2' => '20.9', 'LEL' => '0', 'CO' => $carbonMonoxide, 'H2S' => '0']);
    }

    /** What the cylinder and a limit in % LEL take for a hundred, in % vol of methane. */
    private static function explosive(?string $cylinder, ?string $limit): GasScene
    {
        $scene = self::day();
        $named = static fn (?string $basis): array => $basis === null ? [] : ['lelBasis' => $basis];
        $scene->record['campaign'] = [
            'code' => 'c',
            'title' => 'c',
            'criteria' => [],
            'limits' => [[
                'id' => 'lel',
                'title' => 'Flammable gas',
                'quantity' => 'peak:flammable',
                'value' => '10',
                'unit' => '% LEL',
                'comparator' => '>',
                'source' => 'house rule',
                'mark' => 'from memory',
                ...$named($limit),
            ]],
        ];
        $references = $scene->record['references'];
        \assert(
            \is_array($references)
                && \is_array($references[0])
                && \is_array($references[0]['certificates'])
                && \is_array($references[0]['certificates'][0])
                && \is_array($references[0]['certificates'][0]['gases']),
        );
        $references[0]['certificates'][0]['gases'] = array_map(
            static fn (mixed $gas): mixed => \is_array($gas) && $gas['gas'] === 'flammable gas' ? [...$gas, ...$named($cylinder)] : $gas,
            $references[0]['certificates'][0]['gases'],
        );
        $scene->record['references'] = $references;

        return $scene;
    }

    private static function at(string $celsius): GasScene
    {
        $warm = ['temperature' => ['value' => '21', 'unit' => '°C']];

        return self::measured(
            (new GasScene())->check('k1', '07:45', gas: $warm),
            more: ['fieldTemperature' => ['value' => $celsius, 'unit' => '°C']],
        )->check('k2', '12:10', gas: $warm);
    }

    public function testACleanDayIsValidOnEveryChannel(): void
    {
        $assessment = self::day()->assess();
        self::assertSame([], array_map(static fn (Finding $finding): string => $finding->rule->id, $assessment->findings));
        self::assertSame(array_fill_keys(['O2', 'LEL', 'CO', 'H2S', 'PID'], Verdict::Valid), $assessment->channels());
        self::assertSame(Verdict::Valid, $assessment->verdict);
    }

    /** Numbered rule 13: one sensor void, the others stand. */
    public function testOneBadSensorLeavesTheOthersAsTheyAre(): void
    {
        $assessment = self::day(['H2S' => '18'])->assess();
        self::assertSame([Verdict::Void, Verdict::Valid], [$assessment->channels()['H2S'], $assessment->channels()['PID']]);
        self::assertSame(Verdict::Valid, $assessment->verdict, 'four of five stand');
    }

    /** Spanned after isobutylene CO is wrong, and adjusting it then ends its bracket for good; nothing else is touched. */
    public function testIsobutyleneFirstSpoilsCarbonMonoxideAlone(): void
    {
        $steps = array_fill_keys(
            [
                'warm-up', 'zero-source', 'zero-found', 'isobutylene-bottle', 'isobutylene-found',
                'isobutylene-adjust', 'isobutylene-left', 'mix-bottle', 'mix-found', 'mix-adjust', 'mix-left',
                'saved', 'gas-off', 'purged', 'log-resumed', 'inlet-blocked',
            ],
            'done',
        );
        $assessment = self::measured(
            (new GasScene())->check('k1', '07:45', ['CO!' => '22', 'CO' => '66'], GasScene::RIGHT, more: ['steps' => $steps]),
        )->check('k2', '12:10')->assess();
        $verdicts = $assessment->channels();
        self::assertSame(Verdict::Void, $verdicts['CO']);
        self::assertSame(
            [Verdict::Valid, Verdict::Valid, Verdict::Valid, Verdict::Valid],
            [$verdicts['O2'], $verdicts['LEL'], $verdicts['H2S'], $verdicts['PID']],
        );
        self::assertSame(
            [BracketState::Broken, BracketState::Closed],
            [$assessment->brackets['CO']->state(), $assessment->brackets['PID']->state()],
        );
        self::assertSame(
            ['CO'],
            array_values(
                array_unique(
                    array_map(
                        static fn (Finding $finding): string => $finding->touched->channel ?? 'the unit',
                        array_filter($assessment->findings, static fn (Finding $finding): bool => $finding->verdict() !== Verdict::Valid),
                    ),
                ),
            ),
        );
    }

    /** What holds for the unit is said once; a sensor that was exchanged breaks its own bracket only. */
    public function testFindingsOfTheUnitAreSaidOnce(): void
    {
        $unit = array_values(
            array_filter(
                self::measured((new GasScene())->check('k1', '07:45'))->assess()->findings,
                static fn (Finding $finding): bool => $finding->rule->id === 'bracket.no-post-check',
            ),
        );
        self::assertSame([null], array_map(static fn (Finding $finding): ?string => $finding->touched->channel, $unit));
        $exchanged = self::day()->intervention('i', '12:05', 'sensor exchanged', 'H2S')->assess();
        self::assertSame([Verdict::Void, Verdict::Valid], [$exchanged->channels()['H2S'], $exchanged->channels()['CO']]);
    }

    /** A step that did not apply to the unit is told with its reason, once; it weighs nothing. */
    public function testAStepThatDidNotApplyIsToldOfTheUnit(): void
    {
        $more = [
            'steps' => [...GasScene::STEPS, 'inlet-blocked' => 'not applicable'],
            'stepReasons' => ['inlet-blocked' => 'it has no pump'],
        ];
        $with = self::measured((new GasScene())->check('k1', '07:45', more: $more))->check('k2', '16:15')->assess();
        $plain = self::measured((new GasScene())->check('k1', '07:45'))->check('k2', '16:15')->assess();
        $told = array_values(array_filter(
            $with->findings,
            static fn (Finding $finding): bool => str_contains($finding->seen, 'it has no pump'),
        ));
        self::assertSame([null], array_map(static fn (Finding $finding): ?string => $finding->touched->channel, $told));
        self::assertSame(Verdict::Valid, $told[0]->verdict());
        self::assertSame($plain->channels(), $with->channels());
    }

    public function testASpanOfZeroIsNoSpan(): void
    {
        $assessment = self::day(gas: ['isobutyleneBottle' => 'NONE'])->bottle('NONE', 'isobutylene', '0')->assess();
        self::assertSame(Verdict::Open, $assessment->channels()['PID']);
        self::assertStringContainsString('a zero is no span', $assessment->brackets['PID']->search->passedOver[0]->reasons[0]);
    }
}
