<?php

declare(strict_types=1);

// make-logbook.php RUNS FILE [UNITS] [NAME] [CAMPAIGN] [DAYS]: a record of so many runs on so many units with four checks each, from a
// fixed seed, without logs; what it names begins with the name. A unit is used every so many days; with days its certificates are told.
[, $count, $path] = $argv;
$units = (int) ($argv[3] ?? 50);
$name = $argv[4] ?? '';
$apart = (int) ($argv[6] ?? 1);
$years = isset($argv[6]) ? range(2021, 2026) : [];
mt_srand(4711);
$criteria = json_decode((string) file_get_contents(__DIR__.'/../../core/Dosimeter/shipped-criteria.json'), true, 32, JSON_THROW_ON_ERROR);
assert(is_array($criteria));
$steps = array_fill_keys(
    ['stopped', 'windscreen-off', 'reference', 'adapter', 'steady', 'as-found', 'calibrator-off', 'windscreen-on'],
    'done',
);
$reading = static fn (float $value): array => [['value' => number_format($value, 1, '.', ''), 'provenance' => 'typed']];
$instruments = $references = $checks = $runs = [];
for ($i = 0; $i < $units; ++$i) {
    $instruments[] = [
        'id' => sprintf(isset($argv[5]) ? '%s%d' : '%sB-%02d', $name, $i),
        'family' => 'noise-dosimeter',
        'model' => 'Bench',
        'microphone' => '1/2 in',
        'certificates' => array_map(static fn (int $year): array => [
            'number' => "U-$i-$year",
            'laboratory' => 'L',
            'issued' => sprintf('%d-%02d-01', $year, $i % 12 + 1),
            'due' => sprintf('%d-%02d-01', $year + 1, $i % 12 + 1),
            'values' => [],
        ], $years),
    ];
}
for ($i = 0; $i < 4; ++$i) {
    $references[] = [
        'id' => "{$name}K-$i",
        'kind' => 'acoustic-calibrator',
        'model' => 'Bench',
        'adapters' => ['1/2 in'],
        'certificates' => [[
            'number' => "N-$i",
            'laboratory' => 'L',
            'issued' => '2020-01-01',
            'due' => '2030-01-01',
            'values' => [['nominal' => '114', 'certified' => '114.0', 'uncertainty' => '0.15']],
        ]],
    ];
}
for ($r = 0; $r < (int) $count; ++$r) {
    $unit = $instruments[$r % $units]['id'];
    $day = (new DateTimeImmutable('2021-01-04'))->modify('+'.$apart * intdiv($r, $units).' days')->format('Y-m-d');
    foreach (['06:50', '07:20', '16:20', '16:50'] as $c => $time) {
        $checks[] = [
            'id' => "{$name}C-$r-$c",
            'instrument' => $unit,
            'at' => "{$day}T$time:00+00:00",
            'by' => 'T-1',
            'reference' => $name.'K-'.($r % 4),
            'steps' => $steps,
            'acoustic' => ['nominal' => '114', 'adjusted' => false, 'asFound' => $reading(114 + mt_rand(-3, 3) / 10), 'asLeft' => []],
        ];
    }
    $level = mt_rand(780, 960) / 10;
    $runs[] = [
        'id' => "{$name}R-$r",
        'instrument' => $unit,
        'start' => "{$day}T08:00:00+00:00",
        'stop' => "{$day}T16:00:00+00:00",
        'person' => 'W-'.mt_rand(1, 40),
        'task' => 'task '.mt_rand(1, 20),
        'place' => 'hall',
        'clockOffsetSeconds' => 0,
        'shiftMinutes' => 480,
        'totals' => [
            'equivalentLevel' => $reading($level)[0],
            'peak' => $reading($level + 30)[0],
            'doses' => ['hc' => $reading(mt_rand(50, 2000) / 10)[0], 'rel' => $reading(mt_rand(50, 5000) / 10)[0]],
        ],
    ];
}
file_put_contents(
    $path,
    json_encode(
        [
            'format' => 'footnote-record/1',
            'site' => ['name' => 'Bench', 'timeZone' => 'UTC'],
            'policy' => 'standard',
            'campaign' => ['code' => $argv[5] ?? $name.'bench', 'title' => 'Bench', ...$criteria],
            'instruments' => $instruments,
            'references' => $references,
            'checks' => $checks,
            'runs' => $runs,
        ],
        JSON_THROW_ON_ERROR,
    ),
);
