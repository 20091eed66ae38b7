<?php

declare(strict_types=1);

// make-samples.php COUNT FILE: a record of so many pump samples with their laboratory results, from a fixed seed.
[, $count, $path] = $argv;
mt_srand(4711);
$measured = static fn (string $value, string $unit): array => ['value' => $value, 'unit' => $unit];
$steps = array_fill_keys(['warm-up', 'medium', 'leak-test', 'reference', 'conditions', 'as-found', 'device-off'], 'done');
$certificate = static fn (string $id, array $more = []): array => [
    'number' => $id,
    'laboratory' => 'L',
    'issued' => '2024-01-01',
    'due' => '2030-01-01',
    ...$more,
];
$flow = static function () use ($measured): array {
    $rows = [];
    for ($i = 0; $i < 3; ++$i) {
        $rows[] = ['value' => number_format(2 + mt_rand(-15, 15) / 1000, 3, '.', ''), 'provenance' => 'typed'];
    }

    return [
        'temperature' => $measured('19.4', '°C'),
        'pressure' => $measured('99.7', 'kPa'),
        'thermometer' => 'T',
        'barometer' => 'B',
        'medium' => 'in line',
        'target' => $measured('2.0', 'L/min'),
        'leakStalled' => 'yes',
        'asFound' => $rows,
        'asLeft' => [],
        'adjusted' => false,
    ];
};
$units = 50;
$instruments = $checks = $runs = $rows = [];
for ($i = 0; $i < $units; ++$i) {
    $instruments[] = [
        'id' => sprintf('P-%02d', $i),
        'family' => 'air-sampler',
        'model' => 'Bench',
        'kind' => 'pump',
        'flowControl' => 'compensated',
    ];
}
for ($r = 0; $r < (int) $count; ++$r) {
    $unit = $instruments[$r % $units]['id'];
    $day = (new DateTimeImmutable('2025-01-06'))->modify('+'.intdiv($r, $units).' days')->format('Y-m-d');
    foreach (['07:20', '16:20'] as $c => $time) {
        $checks[] = [
            'id' => "A-$r-$c",
            'instrument' => $unit,
            'at' => "{$day}T$time:00+00:00",
            'by' => 'T-1',
            'reference' => 'S',
            'steps' => $steps,
            'flow' => $flow(),
        ];
    }
    $runs[] = [
        'id' => "S-$r",
        'instrument' => $unit,
        'start' => "{$day}T08:00:00+00:00",
        'stop' => "{$day}T15:30:00+00:00",
        'person' => 'W-'.($r % $units),
        'task' => 'task '.mt_rand(1, 20),
        'place' => 'hall',
        'clockOffsetSeconds' => 0,
        'shiftMinutes' => 480,
        'medium' => "M-$r",
        'sampler' => 'H',
        'method' => 'D',
        'fieldTemperature' => $measured('20.1', '°C'),
        'fieldPressure' => $measured('99.6', 'kPa'),
    ];
    $rows[] = ['medium' => "M-$r", 'analyte' => 'wood', 'front' => (string) mt_rand(100, 4000), 'unit' => 'µg', 'quantitation' => '50'];
}
$blanks = [];
for ($i = 0; $i < 10; ++$i) {
    $blanks[] = ['medium' => "B-$i", 'kind' => 'field'];
    $rows[] = ['medium' => "B-$i", 'analyte' => 'wood', 'front' => (string) mt_rand(-20, 40), 'unit' => 'µg'];
}
file_put_contents($path, json_encode([
    'format' => 'footnote-record/1', 'site' => ['name' => 'Bench', 'timeZone' => 'UTC'], 'policy' => 'standard',
    'campaign' => [
        'code' => 'samples',
        'title' => 'Samples',
        'criteria' => [[
            'id' => 'c',
            'name' => '20 °C, 101.325 kPa',
            'conditions' => ['temperature' => $measured('20', '°C'), 'pressure' => $measured('101.325', 'kPa')],
            'source' => 's',
            'mark' => 'common practice',
        ]],
        'limits' => [[
            'id' => 'l',
            'title' => 'dust',
            'quantity' => 'twa:wood',
            'value' => '2',
            'unit' => 'mg/m³',
            'comparator' => '>',
            'source' => 's',
            'mark' => 'own',
        ]],
    ],
    'instruments' => $instruments,
    'references' => [
        [
            'id' => 'S',
            'kind' => 'dry-piston',
            'model' => 'm',
            'scale' => 'L/min',
            'rangeLow' => $measured('5', 'mL/min'),
            'rangeHigh' => $measured('5', 'L/min'),
            'certificates' => [$certificate('S', ['uncertaintyPercent' => '1.0'])],
        ],
        ['id' => 'T', 'kind' => 'thermometer', 'model' => 'm', 'certificates' => [$certificate('T')]],
        ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [$certificate('B')]],
    ],
    'library' => [
        'samplers' => [[
            'code' => 'H',
            'name' => 'head',
            'selects' => 'inhalable',
            'designFlow' => $measured('2.0', 'L/min'),
            'medium' => 'in line',
        ]],
        'methods' => [[
            'code' => 'D',
            'name' => 'dust',
            'volumeLow' => $measured('200', 'L'),
            'volumeHigh' => $measured('1000', 'L'),
            'blanks' => '1',
            'samplingError' => '0.16',
        ]],
        'substances' => [['code' => 'wood', 'name' => 'wood dust']],
    ],
    'blanks' => $blanks,
    'laboratory' => [[
        'id' => 'R',
        'number' => 'R',
        'laboratory' => 'L',
        'received' => '2025-02-01',
        'blankCorrected' => 'no',
        'desorptionCorrected' => 'no',
        'rows' => $rows,
    ]],
    'checks' => $checks, 'runs' => $runs,
], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
