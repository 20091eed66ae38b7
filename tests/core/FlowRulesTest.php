<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\TestCase;

/** Every rule of air sampling on both sides of its line; limits are those of the Standard policy. */
final class FlowRulesTest extends TestCase
{
    use RulesOneByOne;

    /**
     * @param array<string, mixed> $run
     * @param array<string, mixed> $flow of the check after
     * @param list<string>         $after
     */
    private static function day(array $run = [], array $flow = [], array $after = ['2.0'], string $before = '2.0'): AirScene
    {
        return (new AirScene())
            ->check('k1', '07:45', [$before])
            ->run('r', '08:00', '14:00', $run)
            ->check('k2', '14:10', $after, [], [], $flow)
            ->found('r', '720');
    }

    /** @param array<string, mixed> $traits */
    private static function on(array $traits, AirScene $scene): AirScene
    {
        $scene->record['instruments'] = [AirScene::pump('P', $traits)];

        return $scene;
    }

    /** @param array<string, mixed> $kPa */
    private static function decay(string $end, array $kPa = []): AirScene
    {
        return self::on(
            $kPa,
            self::day(
                [],
                [
                    'leakStalled' => null,
                    'leakStart' => ['value' => '10.0', 'unit' => 'kPa'],
                    'leakEnd' => ['value' => $end, 'unit' => 'kPa'],
                    'leakSeconds' => '60',
                ],
            ),
        );
    }

    /**
     * @param array<string, mixed> $row
     * @param array<string, mixed> $report
     */
    private static function tube(string $front, array $row = [], array $report = [], string $blank = '<1'): AirScene
    {
        return (new AirScene())
            ->check('k1', '07:45', ['0.05'])
            ->run('r', '08:00', '09:40', ['sampler' => 'tube', 'method' => 'vapour'])
            ->check('k2', '10:00', ['0.05'])
            ->found('r', $front, ['analyte' => 'toluene', 'desorption' => '0.97', ...$row], $report, $blank);
    }

    /** A tube whose blank is given by section as well. */
    private static function sectioned(string $front, string $back, string $blankFront, string $blankBack): AirScene
    {
        $scene = self::tube($front, ['back' => $back], [], '');
        $scene->add(
            'laboratory',
            [
                'id' => 'L-b',
                'number' => 'rep-r',
                'laboratory' => 'Lab',
                'received' => '2026-03-20',
                'blankCorrected' => 'no',
                'desorptionCorrected' => 'no',
                'rows' => [['medium' => 'F0', 'analyte' => 'toluene', 'front' => $blankFront, 'back' => $blankBack, 'unit' => 'µg']],
            ],
        );

        return $scene;
    }

    /** @param array<string, mixed> $row */
    private static function unnamed(array $row): AirScene
    {
        return (new AirScene())
            ->check('k1', '07:45', ['0.05'])
            ->run('r', '08:00', '09:40', ['sampler' => 'tube', 'method' => null])
            ->check('k2', '10:00', ['0.05'])
            ->found('r', '100', ['analyte' => 'toluene', ...$row], ['desorptionCorrected' => 'unknown'], '<1');
    }

    private static function headOf(string $selects, string $flow): AirScene
    {
        return self::day(['sampler' => 'other'], [], [$flow], $flow)->shelve(
            'samplers',
            [
                'code' => 'other',
                'name' => 'head',
                'selects' => $selects,
                'designFlow' => ['value' => '2.0', 'unit' => 'L/min'],
                'medium' => 'in line',
            ],
        );
    }

    /** A day that ends at a standard which begins at 1.95 L/min. */
    private static function narrow(string $after): AirScene
    {
        $scene = (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r', '08:00', '14:00')
            ->check('k2', '14:10', [$after], [], ['reference' => 'N'])
            ->found('r', '720');
        $scene->add('references', [...AirScene::piston('N'), 'rangeLow' => ['value' => '1.95', 'unit' => 'L/min']]);

        return $scene;
    }

    /**
     * @param list<string> $heights
     * @param list<string> $gauges
     */
    private static function curve(array $heights, array $gauges): AirScene
    {
        $scene = self::on(['kind' => 'gauge sampler'], new AirScene());
        $scene->add(
            'references',
            [
                'id' => 'O',
                'kind' => 'transfer-orifice',
                'model' => 'm',
                'certificates' => [AirScene::certificate('O', ['slope' => '9.89525', 'intercept' => '-0.04826', 'flowUnit' => 'm³/min'])],
            ],
        );
        $points = [];
        foreach ($gauges as $place => $gauge) {
            $points[] = ['gauge' => $gauge, 'left' => $heights[$place], 'right' => '0', 'provenance' => 'typed'];
        }

        return $scene->check(
            'k1',
            '07:00',
            [],
            [],
            ['reference' => 'O'],
            ['procedure' => 'multi-point', 'asFound' => [], 'points' => $points],
        )
            ->run('r', '08:00', '14:00', ['gaugeStart' => '52', 'gaugeStop' => '48', 'sampler' => null, 'method' => null]);
    }

    /** @param array<string, mixed> $flow */
    private static function fixed(array $flow, string $display = '16.7'): AirScene
    {
        $scene = self::on(['kind' => 'fixed sampler'], new AirScene());
        $scene->record['references'] = [
            [...AirScene::piston('S'), 'rangeHigh' => ['value' => '30', 'unit' => 'L/min']],
            ['id' => 'T', 'kind' => 'thermometer', 'model' => 'm', 'certificates' => [AirScene::certificate('T')]],
            ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [AirScene::certificate('B')]],
        ];
        $row = static fn (string $target, string $shown, string $value): array => [
            'target' => ['value' => $target, 'unit' => 'L/min'],
            'display' => ['value' => $shown, 'unit' => 'L/min'],
            'value' => $value,
            'provenance' => 'typed',
        ];
        $check = [
            'target' => ['value' => '16.7', 'unit' => 'L/min'],
            'asFound' => [$row('16.7', $display, '16.7'), $row('15.0', '15.0', '15.1'), $row('18.4', '18.4', '18.3')],
        ];

        return $scene->check('k1', '07:00', [], [], [], $check)->run(
            'r',
            '08:00',
            '14:00',
            ['sampler' => null, 'method' => null],
        )->check('k2', '14:10', [], [], [], [...$check, ...$flow]);
    }

    /** @return iterable<string, array{string, AirScene, AirScene, Severity}> rule, where it finds, where it does not, weight */
    public static function rules(): iterable
    {
        yield 'changed by more than 5 %' => ['flow.change', self::day([], [], ['1.899']), self::day([], [], ['1.900']), Severity::Void];
        yield 'grown by more than 5 %' => ['flow.change', self::day([], [], ['2.101']), self::day([], [], ['2.100']), Severity::Void];
        yield 'readings spread over more than 2 %' => [
            'flow.replicates',
            self::day([], [], ['1.979', '2.000', '2.021']),
            self::day([], [], ['1.980', '2.000', '2.020']),
            Severity::Qualified,
        ];
        yield 'two readings' => [
            'flow.replicates-few',
            self::day([], [], ['2.00', '2.01']),
            self::day([], [], ['2.00', '2.01', '2.00']),
            Severity::Qualified,
        ];
        yield 'more than 5 % off the design flow' => [
            'flow.design',
            self::day([], [], ['2.11'], '2.11'),
            self::day([], [], ['2.1'], '2.1'),
            Severity::Qualified,
        ];
        yield 'more than 10 % off' => [
            'flow.design-large',
            self::day([], [], ['2.21'], '2.21'),
            self::day([], [], ['2.2'], '2.2'),
            Severity::Void,
        ];
        yield 'a head for everything has no design flow' => [
            'flow.design',
            self::day([], [], ['2.15'], '2.15'),
            self::headOf('total', '2.15'),
            Severity::Qualified,
        ];
        yield 'it drew nothing, open and powered' => [
            'bracket.failed',
            self::day([], ['standstill' => 'train open and powered', 'asFound' => []])->check('k3', '15:00', ['2.0']),
            self::day([], ['standstill' => 'no power', 'asFound' => []])->check('k3', '15:00', ['2.0']),
            Severity::Void,
        ];
        yield 'a reading of nothing' => [
            'flow.no-flow',
            self::day([], [], ['0'])->check('k3', '15:00', ['2.0']),
            self::day([], [], ['2.0']),
            Severity::Void,
        ];
        yield 'fallen out of the range of its standard' => [
            'bracket.failed',
            self::narrow('1.89')->check('k3', '15:00', ['2.0'], [], ['reference' => 'S']),
            self::narrow('1.91')->check('k3', '15:00', ['2.0'], [], ['reference' => 'S']),
            Severity::Void,
        ];
        yield 'at the edge of its standard' => ['flow.below-standard', self::narrow('1.91'), self::narrow('1.96'), Severity::Qualified];
        yield 'medium not in line' => [
            'flow.medium',
            self::day([], ['medium' => 'empty']),
            self::day([], ['medium' => 'in line']),
            Severity::Qualified,
        ];
        yield 'air in the field not read' => [
            'flow.conditions-missing',
            self::day(['fieldTemperature' => null]),
            self::day(),
            Severity::Qualified,
        ];
        yield 'eleven kelvin from the check' => [
            'flow.air-changed',
            self::on(['flowControl' => 'uncompensated'], self::day(['fieldTemperature' => ['value' => '30.1', 'unit' => '°C']])),
            self::on(['flowControl' => 'uncompensated'], self::day(['fieldTemperature' => ['value' => '30.0', 'unit' => '°C']])),
            Severity::Qualified,
        ];
        yield 'but a compensated pump does not mind' => [
            'flow.air-changed',
            self::on(['flowControl' => 'uncompensated'], self::day(['fieldPressure' => ['value' => '94.9', 'unit' => 'kPa']])),
            self::day(['fieldPressure' => ['value' => '94.9', 'unit' => 'kPa']]),
            Severity::Qualified,
        ];
        yield 'went on drawing' => ['flow.leak', self::day([], ['leakStalled' => 'no']), self::day(), Severity::Void];
        yield 'more than a tenth of the vacuum lost' => ['flow.leak', self::decay('8.99'), self::decay('9.00'), Severity::Void];
        yield 'more lost than the manual allows' => [
            'flow.leak',
            self::decay('9.4', ['leakLimit' => ['value' => '0.25', 'unit' => 'kPa'], 'leakLimitSeconds' => '30']),
            self::decay('9.5', ['leakLimit' => ['value' => '0.25', 'unit' => 'kPa'], 'leakLimitSeconds' => '30']),
            Severity::Void,
        ];
        yield 'humidity at one end' => ['flow.humidity-option', self::soap(['50', null]), self::soap(['50', '55']), Severity::Qualified];
        yield 'more than the method was tried for' => [
            'flow.volume-range',
            self::day(['stop' => Scene::moment('16:21')])->check('k3', '16:30', ['2.0']),
            self::day(['stop' => Scene::moment('16:20')])->check('k3', '16:30', ['2.0']),
            Severity::Qualified,
        ];
        yield 'less than the method was tried for' => [
            'flow.volume-range',
            self::day(['stop' => Scene::moment('09:39')]),
            self::day(['stop' => Scene::moment('09:40')]),
            Severity::Qualified,
        ];
        yield 'faster than the method allows' => [
            'flow.method-flow',
            (new AirScene())->check('k1', '07:45', ['0.201'])->run(
                'r',
                '08:00',
                '08:40',
                ['sampler' => 'tube', 'method' => 'vapour'],
            )->check('k2', '09:00', ['0.2']),
            (new AirScene())->check('k1', '07:45', ['0.2'])->run(
                'r',
                '08:00',
                '08:40',
                ['sampler' => 'tube', 'method' => 'vapour'],
            )->check('k2', '09:00', ['0.2']),
            Severity::Qualified,
        ];
        yield 'timer 5.3 % under the clock' => [
            'flow.timer',
            self::day(['timerMinutes' => '341']),
            self::day(['timerMinutes' => '342']),
            Severity::Qualified,
        ];
        yield 'stopped by itself' => [
            'flow.stopped',
            self::day(['remarks' => [['kind' => 'stopped by itself']], 'timerMinutes' => '200']),
            self::day(['timerMinutes' => '360']),
            Severity::Qualified,
        ];
        yield 'stopped and nobody knows when' => [
            'flow.stopped',
            self::day(['remarks' => [['kind' => 'stopped by itself']]]),
            self::day(),
            Severity::Void,
        ];
        yield 'medium on two runs' => [
            'flow.medium-twice',
            self::day()->run('q', '15:00', '15:30', ['medium' => 'M-r']),
            self::day()->run('q', '15:00', '15:30', ['medium' => 'M-q']),
            Severity::Void,
        ];
        yield 'points not on a line' => [
            'flow.correlation',
            self::curve(['8.1', '7.0', '7.9', '5.1', '4.2'], ['70', '60', '50', '40', '30']),
            self::curve(['8.1', '7.0', '5.9', '5.1', '4.2'], ['70', '60', '50', '40', '30']),
            Severity::Void,
        ];
        yield 'four points' => [
            'flow.points-few',
            self::curve(['8.1', '7.0', '5.9', '5.1'], ['70', '60', '50', '40']),
            self::curve(['8.1', '7.0', '5.9', '5.1', '4.2'], ['70', '60', '50', '40', '30']),
            Severity::Qualified,
        ];
        yield 'sampler 2.1 K warm' => [
            'flow.sampler-temperature',
            self::fixed(['unitTemperature' => ['value' => '22.1', 'unit' => '°C']]),
            self::fixed(['unitTemperature' => ['value' => '22.0', 'unit' => '°C']]),
            Severity::Qualified,
        ];
        yield 'sampler more than 10 mmHg off' => [
            'flow.sampler-pressure',
            self::fixed(['pressure' => ['value' => '750', 'unit' => 'mmHg'], 'unitPressure' => ['value' => '760.1', 'unit' => 'mmHg']]),
            self::fixed(['pressure' => ['value' => '750', 'unit' => 'mmHg'], 'unitPressure' => ['value' => '760', 'unit' => 'mmHg']]),
            Severity::Qualified,
        ];
        yield 'sampler shows 4.2 % more' => ['flow.sampler-flow', self::fixed([], '17.4'), self::fixed([], '17.3'), Severity::Qualified];
        yield 'nothing from the laboratory' => [
            'lab.no-result',
            (new AirScene())->check('k1', '07:45', ['2.0'])->run('r', '08:00', '14:00')->check('k2', '14:10', ['2.0']),
            self::day(),
            Severity::Void,
        ];
        yield 'no medium' => ['lab.no-result', self::day(['medium' => null]), self::day(), Severity::Void];
        yield 'blanks taken out already?' => [
            'lab.correction-unknown',
            self::tube('100', [], ['blankCorrected' => 'unknown']),
            self::tube('100'),
            Severity::Void,
        ];
        yield 'desorption taken out already?' => [
            'lab.correction-unknown',
            self::tube('100', [], ['desorptionCorrected' => 'unknown']),
            self::tube('100', [], ['desorptionCorrected' => 'yes']),
            Severity::Void,
        ];
        yield 'less than' => ['lab.below-quantitation', self::tube('<5'), self::tube('5'), Severity::Note];
        yield 'a number below quantitation is none' => [
            'lab.below-quantitation',
            self::tube('4.9', ['quantitation' => '5']),
            self::tube('5', ['quantitation' => '5']),
            Severity::Note,
        ];
        yield 'between detection and quantitation' => [
            'lab.estimated',
            self::tube('4.9', ['quantitation' => '5', 'detection' => '1']),
            self::tube('5', ['quantitation' => '5', 'detection' => '1']),
            Severity::Qualified,
        ];
        yield 'blank above a tenth' => [
            'lab.blank-high',
            self::tube('100', [], [], '10.1'),
            self::tube('100', [], [], '10'),
            Severity::Note,
        ];
        yield 'a filter that lost mass' => [
            'lab.blank-high',
            self::tube('100', [], [], '-10.1'),
            self::tube('100', [], [], '-10'),
            Severity::Note,
        ];
        yield 'no blank in the report' => ['lab.blanks-few', self::tube('100', [], [], ''), self::tube('100'), Severity::Qualified];
        yield 'back above a tenth of the front' => [
            'lab.breakthrough',
            self::tube('100', ['back' => '10.1'], [], '<1'),
            self::tube('100', ['back' => '10'], [], '<1'),
            Severity::Qualified,
        ];
        yield 'back above a quarter of the front' => [
            'lab.breakthrough-large',
            self::tube('100', ['back' => '25.1']),
            self::tube('100', ['back' => '25']),
            Severity::Void,
        ];
        yield 'blanks given by section are taken off each' => [
            'lab.breakthrough',
            self::sectioned('110', '20.1', '10', '10'),
            self::sectioned('110', '20', '10', '10'),
            Severity::Qualified,
        ];
        yield 'others are taken off the sum' => [
            'lab.breakthrough',
            self::tube('100', ['back' => '10.1'], [], '10'),
            self::tube('100', ['back' => '10'], [], '10'),
            Severity::Qualified,
        ];
        yield 'the back loaded behind an empty front' => [
            'lab.sections',
            self::tube('<5', ['back' => '20']),
            self::tube('<5', ['back' => '<5']),
            Severity::Void,
        ];
        yield 'blank above a half' => [
            'lab.blank-high',
            self::tube('100', [], [], '50.1'),
            self::tube('600', [], [], '50.1'),
            Severity::Qualified,
        ];
        yield 'lighter than before, by more than can be told' => [
            'lab.below-zero',
            self::tube('-5.1', ['quantitation' => '5']),
            self::tube('-5', ['quantitation' => '5']),
            Severity::Void,
        ];
        yield 'lighter than before, and nobody says what can be told' => [
            'lab.below-zero',
            self::tube('-0.1'),
            self::tube('0.1'),
            Severity::Void,
        ];
        yield 'no efficiency' => [
            'lab.desorption-due',
            self::tube('100', ['desorption' => null]),
            self::tube('100', ['desorption' => null], ['desorptionCorrected' => 'yes']),
            Severity::Void,
        ];
        yield 'no method named, and a tube all the same' => [
            'lab.correction-unknown',
            self::unnamed(['back' => '<1']),
            self::unnamed([]),
            Severity::Void,
        ];
        yield 'little comes off' => [
            'lab.desorption-low',
            self::tube('100', ['desorption' => '0.74']),
            self::tube('100', ['desorption' => '0.75']),
            Severity::Qualified,
        ];
        yield 'reported anew' => [
            'lab.superseded',
            self::tube('100')->found('r', '90', ['analyte' => 'toluene']),
            self::tube('100')->found('r', '90', ['analyte' => 'acetone']),
            Severity::Note,
        ];
        yield 'leak test left out' => [
            'procedure.step-not-confirmed',
            self::stepped(['leak-test' => 'skipped']),
            self::stepped([]),
            Severity::Qualified,
        ];
        yield 'flow read before the leak test' => [
            'procedure.order',
            self::ordered(['as-found', 'leak-test']),
            self::ordered(['leak-test', 'as-found']),
            Severity::Note,
        ];
        yield 'thermometer past its date' => [
            'reference.expired',
            self::thermometer('2026-03-01'),
            self::thermometer('2026-03-02'),
            Severity::Qualified,
        ];
        yield 'set and not read again' => [
            'bracket.as-left-not-read',
            (new AirScene())->check(
                'k1',
                '07:45',
                ['1.8'],
                [],
                [],
                ['adjusted' => true],
            )->run('r', '08:00', '14:00')->check('k2', '14:10', ['2.0']),
            (new AirScene())->check('k1', '07:45', ['1.8'], ['2.0'])->run('r', '08:00', '14:00')->check('k2', '14:10', ['2.0']),
            Severity::Qualified,
        ];
        yield 'standards whose uncertainties add to more than half of the limit' => [
            'bracket.different-reference',
            self::others('1.8', '1.8'),
            self::others('1.7', '1.8', true),
            Severity::Qualified,
        ];
    }

    /** @param list<string|null> $humidities */
    private static function soap(array $humidities): AirScene
    {
        $scene = new AirScene();
        $scene->add(
            'references',
            ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]],
        );
        $rows = array_fill(0, 3, ['volume' => '500', 'seconds' => '15.0', 'provenance' => 'typed']);
        foreach (['07:45', '14:10'] as $place => $at) {
            $scene->check(
                'k'.$place,
                $at,
                [],
                [],
                ['reference' => 'F'],
                ['asFound' => $rows, ...($humidities[$place] === null ? [] : ['humidity' => $humidities[$place]])],
            );
        }

        return $scene->run('r', '08:00', '14:00')->found('r', '720');
    }

    /** @param array<string, string> $steps */
    private static function stepped(array $steps): AirScene
    {
        return (new AirScene())->check('k1', '07:45', ['2.0'])->run('r', '08:00', '14:00')->check(
            'k2',
            '14:10',
            ['2.0'],
            [],
            ['steps' => [...AirScene::STEPS, ...$steps]],
        );
    }

    /** @param list<string> $order */
    private static function ordered(array $order): AirScene
    {
        $rest = array_diff_key(AirScene::STEPS, array_flip($order));

        return (new AirScene())->check('k1', '07:45', ['2.0'])->run('r', '08:00', '14:00')->check(
            'k2',
            '14:10',
            ['2.0'],
            [],
            ['steps' => [...array_slice($rest, 0, 2), ...array_fill_keys($order, 'done'), 'device-off' => 'done']],
        );
    }

    private static function thermometer(string $due): AirScene
    {
        $scene = self::day();
        $scene->record['references'] = [
            AirScene::piston('S'),
            [
                'id' => 'T',
                'kind' => 'thermometer',
                'model' => 'm',
                'certificates' => [['number' => 't', 'laboratory' => 'L', 'issued' => '2025-03-02', 'due' => $due]],
            ],
            ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [AirScene::certificate('B')]],
        ];

        return $scene;
    }

    private static function others(string $one, string $other, bool $same = false): AirScene
    {
        $scene = (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r', '08:00', '14:00')
            ->check('k2', '14:10', ['2.0'], [], ['reference' => $same ? 'S' : 'S2'])
            ->found('r', '720');
        $scene->record['references'] = [
            AirScene::piston('S', $one),
            AirScene::piston('S2', $other),
            ['id' => 'T', 'kind' => 'thermometer', 'model' => 'm', 'certificates' => [AirScene::certificate('T')]],
            ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [AirScene::certificate('B')]],
        ];

        return $scene;
    }

    public function testACleanDayIsValid(): void
    {
        $assessment = self::day()->assess('r');
        self::assertSame(
            [],
            array_map(static fn (Finding $finding): string => $finding->rule->id.': '.$finding->seen, $assessment->findings),
        );
        self::assertSame(Verdict::Valid, $assessment->verdict);
    }

    /** Rule 13: what is wrong with one substance leaves the others as they are. */
    public function testOneSubstanceDoesNotTouchTheOthers(): void
    {
        $scene = self::tube('100')->found('r', '200', ['analyte' => 'acetone', 'desorption' => '0.86', 'back' => '60'], [], '<1');
        $assessment = $scene->assess('r');
        self::assertSame([Verdict::Void, Verdict::Valid], [$assessment->channels()['acetone'], $assessment->channels()['toluene']]);
    }

    /** A missing report is open and not void: it can still come. */
    public function testAMissingReportIsOpen(): void
    {
        $assessment = (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r', '08:00', '14:00')
            ->check('k2', '14:10', ['2.0'])
            ->assess('r');
        self::assertSame(Verdict::Open, $assessment->verdict);
        self::assertSame('the laboratory\'s report on M-r', $assessment->findings[0]->remedy->cure?->evidence);
        self::assertSame('volume', $assessment->results[0]->key, 'the volume stands already');
    }
}
