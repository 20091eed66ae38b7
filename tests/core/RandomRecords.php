<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Records of all families as days go: checks that drift, adjust, were forgotten or failed; standards and settings of every kind;
 * limits near to what was measured. The same seed gives the same records.
 */
final class RandomRecords
{
    private const FAMILIES = 5;

    private Randomizer $random;

    public function __construct(private readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** Writes one record with its logs into a folder. */
    public function write(string $folder): void
    {
        (match ($this->seed % self::FAMILIES) {
            0 => $this->dosimeter(),
            1 => $this->meter(),
            2 => $this->pump(),
            3 => $this->monitor(),
            default => $this->counter(),
        })->keepIn($folder);
    }

    private function dosimeter(): Scene
    {
        $scene = new Scene();
        $criteria = [
            self::criterion('q5', '90', '5') + ['threshold' => '80'],
            self::criterion('q4', '85', '4'),
            self::criterion('q3', '85', '3'),
        ];
        $limits = [['lex8h', $this->number(78, 95, 0)], ['lcpeak', '140']];
        foreach ($criteria as ['id' => $id]) {
            array_push(
                $limits,
                ['dose:'.$id, $this->number(20, 200, 0)],
                ['twa:'.$id, $this->number(78, 95, 1)],
                ['lavg:'.$id, $this->number(78, 95, 1)],
                ['projected:'.$id, $this->number(20, 200, 0)],
            );
        }
        $scene->record['campaign'] = [
            'code' => 'c',
            'title' => 'c',
            'criteria' => $criteria,
            'limits' => array_map(
                static fn (array $one, int $place): array => [
                    'id' => 'l'.$place,
                    'title' => 'limit',
                    'quantity' => $one[0],
                    'value' => $one[1],
                    'comparator' => '>',
                    'source' => 's',
                    'mark' => 'own',
                ],
                $limits,
                array_keys($limits),
            ),
        ];
        $scene->record['instruments'] = [[
            'id' => 'D',
            'family' => 'noise-dosimeter',
            'model' => 'M',
            'microphone' => '1/2 in',
            'rangeHigh' => '140',
            ...($this->chance(40) ? ['selfAdjusting' => true, 'factorIs' => $this->one(['added', 'sensitivity'])] : []),
        ]];
        if ($this->chance(20)) {
            $references = $scene->record['references'];
            \assert(\is_array($references) && \is_array($references[0]));
            $references[0]['recalls'] = [[
                'since' => '2026-02-01T00:00:00+00:00',
                'until' => '2026-03-20T00:00:00+00:00',
                'reason' => 'wrong',
                'error' => $this->number(-0.5, 0.5, 2),
            ]];
            $scene->record['references'] = $references;
        }
        foreach (['p1' => '-5 days', 'p2' => '-3 days', 'k1' => 'today'] as $id => $day) {
            $at = (new \DateTimeImmutable(Scene::moment('07:30')))->modify($day === 'today' ? '+0 days' : $day)->format(\DATE_ATOM);
            $left = $this->chance(50) ? ['114.0'] : [];
            $scene->check($id, '07:30', $this->tones(), $left, ['at' => $at], $this->corrections());
        }
        $minutes = $this->one([480, 480, 420, 540]);
        $day = $this->chance(80) ? ['shiftMinutes' => $minutes] : [];
        $rest = $day === [] || $this->chance(60)
            ? []
            : ['restOfDay' => ['was' => $this->one(['nothing', 'as sampled']), 'reason' => 'asked', 'by' => 'T-1']];
        $stop = $this->one(['12:00', '15:30', '16:00']);
        $scene->run('r', '08:00', $stop, $this->number(70, 100, 1), [...$day, ...$rest, ...$this->pauses(), 'totals' => [
            'equivalentLevel' => ['value' => $this->number(70, 100, 1), 'provenance' => 'typed'],
            'doses' => array_combine(
                array_column($criteria, 'id'),
                array_map(fn (): array => ['value' => $this->number(1, 250, 1), 'provenance' => 'read back'], $criteria),
            ),
            'peak' => ['value' => $this->number(100, 141, 1), 'provenance' => 'typed'],
        ]]);
        if ($this->chance(30)) {
            $scene->check('m', '12:10', $this->tones(), $this->chance(50) ? ['114.0'] : []);
        }
        if ($this->chance(40)) {
            $scene->run('s', '16:20', '18:00', $this->number(70, 100, 1), $day);
        }

        return $this->chance(85)
            ? $scene->check('k2', '18:10', $this->chance(80) ? $this->tones() : [], [], [], $this->factors($scene))
            : $scene;
    }

    private function meter(): MeterScene
    {
        $scene = new MeterScene($this->chance(50) ? [] : ['class' => '2']);
        $weighting = $this->one(['A', 'C', 'Z']);
        $further = $this->chance(60) ? ['114 @ 1000' => $this->number(113.7, 114.3, 1), '114 @ 250' => $this->number(105.2, 105.7, 1)] : [];
        $scene->check('k1', '07:00', $this->number(93.6, 94.4, 1), $further, $weighting === 'Z' ? [] : ['weighting' => $weighting]);
        switch ($this->random->getInt(0, 3)) {
            case 0:
                foreach (['a' => 'sawing', 'b' => 'sawing', 'c' => 'planing', 'd' => 'gluing'] as $id => $task) {
                    $scene->sample($id, $this->hour($id), $this->hour($id, 6), $task, $this->number(40, 200, 0), $this->number(75, 98, 1), [
                        'shiftMinutes' => 480,
                        ...($this->chance(40) ? ['taskMinutesLeast' => '30', 'taskMinutesMost' => '220'] : []),
                    ]);
                }
                $scene->limit('lex8h', $this->number(78, 90, 0), 'dB(A)');
                break;
            case 1:
                $scene->room(bands: array_map(fn (): string => $this->number(15, 55, 1), MeterScene::ROOM), more: $this->chance(40)
                    ? ['setStatistic' => 'maximum']
                    : ['setStatistic' => 'average']);
                break;
            case 2:
                $log = array_map(fn (): array => array_map(fn (): string => $this->number(20, 55, 1), range(1, 150)), MeterScene::ROOM);
                $scene->logged('r', '10:00', '10:03', $log, ['setStatistic' => $this->one(['maximum', 'average'])]);
                break;
            default:
                $scene->run('r', '10:00', '10:05', [
                    'measures' => 'spot',
                    'totals' => ['equivalentLevel' => ['value' => $this->number(68, 80, 1), 'provenance' => 'typed']],
                    'background' => $this->number(55, 72, 1),
                    'bands' => array_map(fn (): string => $this->number(55, 75, 1), MeterScene::ROOM),
                    'backgroundBands' => array_map(fn (): string => $this->number(40, 68, 1), MeterScene::ROOM),
                    ...($this->chance(50) ? ['setBandWeighting' => 'A'] : []),
                ]);
        }

        return $this->chance(85)
            ? $scene->check('k2', '18:00', $this->number(93.4, 94.6, 1), $further, $weighting === 'Z' ? [] : ['weighting' => $weighting])
            : $scene;
    }

    private function pump(): AirScene
    {
        $scene = new AirScene($this->one(['', '0', '20', '25', '30']));
        $standard = $this->one(['S', 'S', 'F', 'R', 'W', 'H']);
        $control = $this->one(['compensated', 'uncompensated', 'critical orifice']);
        $scene->record['instruments'] = [AirScene::pump('P', ['flowControl' => $control])];
        $film = ['id' => 'F', 'kind' => 'soap-film-burette', 'model' => 'm', 'certificates' => [AirScene::certificate('F')]];
        $scene->add('references', $film);
        $scene->add('references', [
            'id' => 'R', 'kind' => 'rotameter', 'model' => 'm', 'scale' => 'mL/min', 'floatRead' => 'middle',
            'calibratedTemperature' => ['value' => '20', 'unit' => '°C'],
            'calibratedPressure' => ['value' => '760', 'unit' => 'mmHg'],
            'certificates' => [AirScene::certificate('R', ['values' => [
                ['nominal' => '10', 'certified' => '1020'],
                ['nominal' => '20', 'certified' => '1950'],
                ['nominal' => '30', 'certified' => '3010'],
            ]])],
        ]);
        $scene->add('references', [
            'id' => 'W', 'kind' => 'mass-flow-meter', 'model' => 'm', 'scale' => 'L/min',
            'statedTemperature' => ['value' => '0', 'unit' => '°C'],
            'statedPressure' => ['value' => '1013.25', 'unit' => 'hPa'],
            'certificates' => [AirScene::certificate('W')],
        ]);
        $scene->add('references', [
            'id' => 'H', 'kind' => 'transfer-orifice', 'model' => 'm',
            'certificates' => [AirScene::certificate('H', ['slope' => '1489.0', 'intercept' => '-0.05', 'flowUnit' => 'm³/min'])],
        ]);
        $air = fn (): array => [
            'temperature' => $this->chance(50)
                ? ['value' => $this->number(5, 35, 1), 'unit' => '°C']
                : ['value' => $this->number(50, 90, 1), 'unit' => '°F'],
            'pressure' => $this->chance(50)
                ? ['value' => $this->number(85, 103, 2), 'unit' => 'kPa']
                : ['value' => $this->number(640, 770, 1), 'unit' => 'mmHg'],
        ];
        $row = fn (): array => match ($standard) {
            'F' => ['volume' => '500', 'seconds' => $this->number(14.5, 15.5, 2)],
            'R' => ['value' => $this->number(19, 22, 1)],
            'H' => ['left' => $this->number(3.9, 4.6, 2), ...($this->chance(70) ? ['right' => $this->number(-4.6, -3.9, 2)] : [])],
            default => ['value' => $this->number(1.9, 2.1, 3)],
        };
        $check = fn (string $id, string $at, bool $left): AirScene => $scene->check($id, $at, [], [], ['reference' => $standard], [
            ...$air(),
            'asFound' => array_map(static fn (): array => [...$row(), 'provenance' => 'typed'], range(1, $this->random->getInt(2, 4))),
            'asLeft' => $left && $this->chance(70) ? [[...$row(), 'provenance' => 'typed'], [...$row(), 'provenance' => 'typed']] : [],
            'adjusted' => $left,
            ...($standard === 'F' && $this->chance(60) ? ['humidity' => $this->number(20, 80, 0)] : []),
            ...($standard === 'R' ? ['floatRead' => 'middle'] : []),
            ...($standard === 'H' ? [
                'restLeft' => '0.05',
                'restRight' => $this->chance(70) ? '0.05' : null,
                'gravity' => $this->chance(30) ? '0.826' : null,
            ] : []),
        ]);
        $check('k0', '06:40', false);
        $check('k1', '07:40', $this->chance(40));
        $isVapour = $this->chance(50);
        $isShort = $isVapour && $this->chance(30);
        $stop = $isShort ? $this->one(['08:10', '08:16', '08:40']) : '11:30';
        foreach (['r' => ['08:00', $stop], 's' => ['11:45', '15:00']] as $id => [$from, $to]) {
            $field = $air();
            $scene->run($id, $from, $to, [
                ...($this->chance(80) ? ['fieldTemperature' => $field['temperature'], 'fieldPressure' => $field['pressure']] : []),
                ...($isVapour ? ['sampler' => 'tube', 'method' => 'vapour'] : []),
                ...($isShort ? ['purpose' => 'short-term'] : []),
                ...($this->chance(70) ? ['shiftMinutes' => 480] : []),
                ...($this->chance(20) ? ['displayedVolume' => ['value' => $this->number(0.3, 0.5, 3), 'unit' => 'm³']] : []),
                ...($id === 'r' && !$isShort ? $this->pauses('09:00', '09:20') : []),
            ]);
            foreach ($isVapour ? ['toluene', 'acetone'] : ['wood'] as $analyte) {
                $less = $this->chance(15) ? '<' : '';
                $scene->found($id, $less.$this->number(5, 900, 1), [
                    'analyte' => $analyte,
                    ...($isVapour ? ['back' => $this->one(['<2', '0', $this->number(1, 60, 1)])] : []),
                    ...($this->chance(50) ? ['quantitation' => $this->number(2, 40, 1)] : []),
                    ...($isVapour && $this->chance(70) ? ['desorption' => $this->number(0.75, 0.99, 2)] : []),
                ], [], $this->one(['', '<4', $this->number(0, 12, 1)]));
            }
        }
        foreach ($isVapour ? ['toluene', 'acetone'] : ['wood'] as $analyte) {
            $scene->limit('twa:'.$analyte, $this->number(0.2, 5, 2), 'mg/m³', $isVapour ? ['mixture' => 'both'] : []);
            $scene->limit('stel:'.$analyte, $this->number(0.2, 5, 2), 'mg/m³');
            $scene->limit('conc:'.$analyte, $this->number(0.2, 5, 2), 'mg/m³');
        }
        if ($isVapour) {
            $scene->limit('mixture:both', '1', '');
        }

        return $this->chance(85) ? $check('k2', '15:20', false) : $scene;
    }

    private function monitor(): GasScene
    {
        $scene = new GasScene();
        if ($this->chance(30)) {
            $scene->channel('CO', ['stopsAtZero' => true]);
        }
        if ($this->chance(20)) {
            $scene->channel('H2S', ['unit' => 'mg/m³']);
        }
        $scene->check('k0', '06:00');
        $scene->check('k1', '07:00', ...$this->responses());
        $channels = [[
            'channel' => 'PID',
            'substance' => $this->one(['toluene', 'isobutylene']),
            ...($this->chance(30) ? ['unitFactor' => '0.5'] : []),
        ]];
        $isLogged = $this->chance(60);
        $log = [];
        if ($isLogged) {
            $ranges = ['O2' => [20.4, 21.2], 'LEL' => [0, 14], 'CO' => [0, 60], 'H2S' => [0, 12], 'PID' => [0, 120]];
            foreach ($ranges as $name => [$low, $high]) {
                $log[$name] = array_map(fn (): string => $this->number($low, $high, 1), range(1, 1080));
            }
        } else {
            $show = fn (string $name, float $low, float $high): array => [
                'channel' => $name,
                'mean' => $this->number($low, $high, 1),
                'peak' => $this->number($high, 1.4 * $high, 1),
                ...($name === 'O2' ? ['lowest' => $this->number(18, $low, 1)] : ['shortTerm' => $this->number($high, 1.2 * $high, 1)]),
            ];
            $channels = [$show('O2', 20, 21), $show('CO', 2, 30), $show('H2S', 1, 9), [...$channels[0], ...$show('PID', 4, 60)]];
            if ($this->chance(30)) {
                $channels[3]['shownIn'] = 'mg/m³';
            }
        }
        $scene->run('r', '08:00', '11:00', $log, $channels, [
            ...($this->chance(70) ? ['shiftMinutes' => 480] : []),
            'fieldTemperature' => ['value' => '19', 'unit' => '°C'],
            'fieldPressure' => ['value' => '99.6', 'unit' => 'kPa'],
        ]);
        $limits = ['twa-ppm:carbon-monoxide' => 25, 'stel-ppm:carbon-monoxide' => 50, 'peak-ppm:toluene' => 100, 'twa:toluene' => 80];
        foreach ($limits as $of => $near) {
            $scene->limit($of, $this->number(0.5 * $near, 1.5 * $near, 0), str_contains($of, 'ppm') ? 'ppm' : 'mg/m³');
        }

        return $this->chance(85) ? $scene->check('k2', '11:20', ...$this->responses()) : $scene;
    }

    private function counter(): ParticleScene
    {
        if ($this->chance(35)) {
            $scene = ParticleScene::photometer();
            $shown = fn (): array => ['value' => $this->number(-0.01, 0.02, 3)];
            $zero = static fn (): array => ['zeroFound' => [$shown(), $shown()]];
            $scene->check('k1', '07:00', ['1.70'], [], $zero());
            $scene->run('r', '08:00', '10:00', ['dust' => array_map(fn (): string => $this->number(0.1, 3, 3), range(1, 120))], [
                ...($this->chance(70) ? ['weighed' => $this->number(0.5, 6, 2), 'weighedFrom' => 'F-1'] : ['photometerFactor' => '2.1']),
                'shiftMinutes' => 480,
            ]);
            foreach (['twa:dust', 'stel:dust', 'mean:dust'] as $of) {
                $scene->limit($of, $this->number(0.5, 4, 1), 'mg/m³');
            }

            return $scene->check('k2', '10:20', ['1.68'], [], $zero());
        }
        $isCumulative = $this->chance(50);
        $scene = new ParticleScene(['cumulative' => $isCumulative, ...($this->chance(50) ? ['deadTime' => $this->number(1, 8, 1)] : [])]);
        $blank = fn (): array => $this->chance(80)
            ? ['0.3' => $this->number(0, 9, 0), '0.5' => $this->number(0, 4, 0), '5.0' => '0']
            : [];
        $uncounted = $this->chance(20) ? ['blankMinutes' => null, 'blankFound' => []] : [];
        $scene->check('k1', '07:00', [$this->number(2.7, 2.95, 2)], $blank(), $uncounted);
        $scene->run('r', '08:00', '09:30', [
            '0.3' => array_map(fn (): string => $this->number(50000, 90000, 0), range(1, 90)),
            '0.5' => array_map(fn (): string => $this->number(4000, 20000, 0), range(1, 90)),
            '5.0' => array_map(fn (): string => $this->number(0, 60, 0), range(1, 90)),
        ], $this->chance(30) ? ['sampleSeconds' => '50'] : []);
        $scene->limit('count:0.3', $this->number(20, 30, 1), '/cm³');
        $scene->limit('count:0.5', $this->number(3, 6, 1), '/cm³');

        return $this->chance(85) ? $scene->check('k2', '10:00', [$this->number(2.6, 2.95, 2)], $blank()) : $scene;
    }

    /** @return array{array<string, string>, array<string, string>, array<string, string>} found, left, zero */
    private function responses(): array
    {
        return [
            [
                'O2' => $this->number(17.6, 18.4, 1),
                'LEL' => $this->number(46, 54, 0),
                'CO' => $this->number(46, 54, 0),
                'H2S' => $this->number(23, 27, 1),
                'PID' => $this->number(92, 108, 1),
            ],
            $this->chance(40) ? ['CO' => '50', 'PID' => $this->one(['', '100.0'])] : [],
            ['CO' => $this->number(0, 2, 0), 'O2' => $this->number(20.7, 21.1, 1)],
        ];
    }

    /** @return array{id: string, name: string, level: string, exchangeRate: string, source: string, mark: string} */
    private static function criterion(string $id, string $level, string $exchange): array
    {
        $name = $level.'/'.$exchange;

        return ['id' => $id, 'name' => $name, 'level' => $level, 'exchangeRate' => $exchange, 'source' => 's', 'mark' => 'own'];
    }

    /** @return list<string> */
    private function tones(): array
    {
        return array_map(fn (): string => $this->number(113.5, 114.5, 1), range(1, $this->random->getInt(1, 3)));
    }

    /** @return array<string, mixed> */
    private function corrections(): array
    {
        return $this->chance(30)
            ? ['microphoneCorrection' => $this->number(-0.3, 0.3, 1), 'pressureCorrection' => $this->number(-0.2, 0.2, 2)]
            : [];
    }

    /** @return array<string, mixed> what a unit that adjusts itself keeps */
    private function factors(Scene $scene): array
    {
        $units = $scene->record['instruments'];
        \assert(\is_array($units) && \is_array($units[0]));

        return isset($units[0]['selfAdjusting'])
            ? [
                'adjusted' => true,
                'factorBefore' => $this->number(-0.5, 0.5, 2),
                'factorAfter' => $this->number(-0.5, 0.5, 2),
                'asLeft' => [['value' => '114.0', 'provenance' => 'typed']],
            ]
            : [];
    }

    /** @return array<string, mixed> */
    private function pauses(string $from = '12:00', string $to = '12:30'): array
    {
        return $this->chance(40) ? ['pauses' => [['from' => Scene::moment($from), 'to' => Scene::moment($to)]]] : [];
    }

    private function hour(string $id, int $minutes = 0): string
    {
        return \sprintf('%02d:%02d', 8 + \ord($id) - \ord('a'), $minutes);
    }

    private function number(float $low, float $high, int $decimals): string
    {
        return number_format($low + ($high - $low) * $this->random->getInt(0, 100000) / 100000, $decimals, '.', '');
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     *
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, \count($of) - 1)];
    }
}
