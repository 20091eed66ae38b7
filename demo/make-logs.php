<?php

declare(strict_types=1);

/**
 * Makes the logs of the demo from a fixed seed, the same files every time: noise at one second, gases and dust at ten,
 * particles at sixty, octave bands of rooms at one.
 * Everything in them is made up; the magnitudes are those of an organ-building workshop.
 *
 *     php demo/make-logs.php [FOLDER [WEEKS]]     moved by whole weeks, in the clocks of the instruments
 */
$folder = $argv[1] ?? __DIR__.'/logs';
$moved = static fn (string $from): int => (int) strtotime($from.' UTC') + 604800 * (int) ($argv[2] ?? 0);
if (!is_dir($folder)) {
    mkdir($folder, 0o755, true);
}

/**
 * Name, dialect, first second, stretches of work [minutes, level, swing, share of the time the machine cuts], and the
 * equivalent level the day comes to, dB(A).
 */
const DAYS = [
    [
        'planing',
        'iso',
        '2026-11-17 08:00:00',
        [
            [60, 86, 2, .6, 99], [75, 87, 2, .7, 100], [15, 63, 2, 0, 0], [90, 86, 2, .6, 98],
            [45, 62, 2, 0, 0], [120, 87, 2, .5, 99], [75, 78, 3, .1, 90],
        ],
        92.4,
    ],
    [
        'sawing',
        'semicolon',
        '2026-11-17 08:00:00',
        [[120, 88, 2, .4, 97], [15, 63, 2, 0, 0], [105, 88, 2, .5, 96], [45, 64, 2, 0, 0], [195, 88, 2, .4, 98]],
        91.2,
    ],
    [
        'bench',
        'iso',
        '2026-11-17 08:00:00',
        [[120, 76, 3, .2, 86], [15, 62, 2, 0, 0], [105, 76, 3, .3, 88], [45, 63, 2, 0, 0], [195, 77, 3, .3, 87]],
        84.8,
    ],
    [
        'reeds',
        'tab',
        '2026-11-17 08:00:00',
        [[120, 78, 3, .5, 90], [15, 62, 2, 0, 0], [105, 78, 3, .6, 91], [45, 61, 2, 0, 0], [195, 78, 3, .5, 90]],
        86.1,
    ],
    [
        'spindle',
        'semicolon',
        '2026-11-17 08:00:00',
        [[120, 80, 2, .5, 94], [15, 64, 2, 0, 0], [105, 80, 2, .6, 95], [45, 63, 2, 0, 0], [195, 80, 2, .4, 94]],
        90.6,
    ],
    [
        'booth',
        'iso',
        '2026-11-17 08:00:00',
        [[120, 81, 2, .4, 86], [15, 63, 2, 0, 0], [105, 81, 2, .5, 86], [45, 62, 2, 0, 0], [195, 80, 2, .3, 85]],
        82.7,
    ],
    ['flues-morning', 'iso', '2026-11-18 08:00:00', [[120, 74, 3, .5, 84], [15, 62, 2, 0, 0], [105, 74, 3, .4, 85]], 80.9],
    ['flues-afternoon', 'iso', '2026-11-18 12:45:00', [[195, 74, 3, .5, 85]], 81.6],
    [
        'sawing-again',
        'semicolon',
        '2026-11-18 08:00:00',
        [[120, 88, 2, .4, 96], [15, 63, 2, 0, 0], [105, 88, 2, .5, 96], [45, 64, 2, 0, 0], [195, 88, 2, .5, 97]],
        90.8,
    ],
    [
        'sanding',
        'tab',
        '2026-11-18 08:00:00',
        [[120, 82, 2, .6, 88], [15, 62, 2, 0, 0], [105, 82, 2, .6, 88], [45, 58, .1, 0, 0], [195, 82, 2, .5, 88]],
        85.4,
    ],
    [
        'casting',
        'iso',
        '2026-11-18 08:00:00',
        [[120, 76, 3, .2, 88], [15, 62, 2, 0, 0], [105, 76, 3, .3, 89], [45, 63, 2, 0, 0], [195, 76, 3, .2, 88]],
        83.3,
    ],
];

foreach (DAYS as $number => [$name, $dialect, $from, $stretches, $target]) {
    mt_srand(1000 + $number);
    $levels = [];
    foreach ($stretches as [$minutes, $base, $swing, $share, $cut]) {
        $drift = 0.0;
        $cutting = false;
        for ($second = 0; $second < 60 * $minutes; ++$second) {
            if ($second % 20 === 0) {
                $cutting = $share > 0 && mt_rand(0, 999) / 1000 < $share;
            }
            $drift = .9 * $drift + $swing * (mt_rand(0, 1000) / 1000 - .5);
            $levels[] = ($cutting ? $cut : $base) + $drift;
        }
    }
    // Brought to the day's level without touching the quiet stretches.
    for ($round = 0; $round < 12; ++$round) {
        $energy = 0.0;
        foreach ($levels as $level) {
            $energy += 10 ** ($level / 10);
        }
        $short = $target - 10 * log10($energy / count($levels));
        foreach ($levels as $second => $level) {
            if ($level > 72) {
                $levels[$second] = $level + $short;
            }
        }
    }
    $rows = [];
    foreach ($levels as $second => $level) {
        $rows[] = [$level, $level + 12 + mt_rand(0, 90) / 10];
    }
    if ($name === 'sawing') {
        // Somebody tried the calibrator at noon with the unit running.
        for ($second = 14700; $second < 14726; ++$second) {
            $rows[$second] = [114.0 + mt_rand(-1, 1) / 20, 117.1];
        }
    }
    if ($name === 'sanding') {
        foreach ([3021, 9222, 21900] as $second) {
            $rows[$second][1] = 138.0 + mt_rand(0, 60) / 10;
        }
    }
    if ($name === 'planing') {
        $rows[11111][1] = 131.4;
    }
    $clock = $moved($from) + ($name === 'spindle' ? 94 : 0);
    $file = fopen("$folder/$name.csv", 'w');
    assert($file !== false);
    fwrite($file, match ($dialect) {
        'iso' => "Time,LAeq dB,LCpeak dB\n",
        'semicolon' => "Log;$name\r\nInterval;1 s\r\n\r\nDate Time;LAeq;LCpk\r\n",
        'tab' => "Date\tTime\tLeq A\tPeak C\n",
    });
    foreach ($rows as $second => [$level, $peak]) {
        $at = $clock + $second;
        $level = number_format($level, 1, '.', '');
        $peak = number_format($peak, 1, '.', '');
        fwrite($file, match ($dialect) {
            'iso' => gmdate('Y-m-d H:i:s', $at).",$level,$peak\n",
            'semicolon' => gmdate('d.m.Y H:i:s', $at).';'.strtr("$level;$peak", '.', ',')."\r\n",
            'tab' => gmdate("d/m/Y\tH:i:s", $at)."\t$level\t$peak\n",
        });
    }
    fclose($file);
}

/**
 * Name, first interval, minutes, and by channel what it reads: base, swing, share of the time at work, reading at work, decimals.
 */
const GASES = [
    [
        'booth-vapours',
        '2026-11-20 08:00:00',
        450,
        [
            'O2' => [20.9, .05, .3, 20.8, 1],
            'LEL' => [0, .4, .3, 1, 0],
            'CO' => [2, 1.5, .3, 5, 0],
            'H2S' => [0, .3, 0, 0, 0],
            'PID' => [9, 5, .42, 72, 1],
        ],
    ],
    [
        'glue-room',
        '2026-11-20 08:05:00',
        455,
        [
            'O2' => [20.9, .04, 0, 20.9, 1],
            'LEL' => [0, .2, 0, 0, 0],
            'CO' => [1, .8, 0, 1, 0],
            'H2S' => [0, .2, 0, 0, 0],
            'PID' => [1.4, 1, .3, 4.5, 1],
        ],
    ],
    [
        'casting-pot',
        '2026-11-20 08:10:00',
        455,
        [
            'O2' => [20.8, .05, .4, 20.7, 1],
            'LEL' => [0, .3, .3, 1, 0],
            'CO' => [5, 3, .35, 22, 0],
            'H2S' => [0, .2, 0, 0, 0],
            'PID' => [.6, .5, .3, 1.8, 1],
        ],
    ],
    ['gun-cleaning', '2026-11-20 08:00:00', 225, ['PID' => [.7, .4, .25, 2.2, 1]]],
    ['polish', '2026-11-20 08:15:00', 425, ['PID' => [3, 2, .4, 8, 1]]],
    ['second-coat', '2026-11-20 08:20:00', 450, ['PID' => [46, 18, .5, 189, 1]]],
];

foreach (GASES as $number => [$name, $from, $minutes, $channels]) {
    mt_srand(2000 + $number);
    $file = fopen("$folder/$name.csv", 'w');
    assert($file !== false);
    fwrite($file, 'Time,'.implode(',', array_keys($channels))."\n");
    $start = $moved($from);
    $near = array_fill_keys(array_keys($channels), 0.0);
    $now = array_map(static fn (array $one): float => $one[0], $channels);
    $working = false;
    for ($i = 0; $i < 6 * $minutes; ++$i) {
        if ($i % 30 === 0) {
            $working = mt_rand(0, 999) / 1000 < max(array_column($channels, 2));
        }
        // Somebody held the mix to the inlet at noon while it measured.
        $tested = $name === 'glue-room' && $i >= 1470 && $i < 1482;
        $cleaning = $name === 'gun-cleaning' && $i >= 700 && $i < 800;
        $cells = [];
        foreach ($channels as $channel => [$base, $swing, $share, $work, $decimals]) {
            $near[$channel] = .9 * $near[$channel] + $swing * (mt_rand(0, 1000) / 1000 - .5);
            $target = $cleaning ? 6.9 : ($working && $share > 0 ? $work : $base);
            $now[$channel] += .25 * ($target - $now[$channel]);
            $value = $tested
                ? ['O2' => 18.0, 'LEL' => 50, 'CO' => 50, 'H2S' => 25, 'PID' => .3][$channel]
                : max(0, $now[$channel] + $near[$channel]);
            $cells[] = number_format($value, $decimals, '.', '');
        }
        if ($name === 'second-coat' && $i >= 1200 && $i < 1236) {
            continue;
        }
        fwrite($file, gmdate('Y-m-d H:i:s', $start + 10 * $i).','.implode(',', $cells)."\n");
    }
    fclose($file);
}

/**
 * Name, first interval, minutes, seconds of an interval, and what a minute holds from each size up: quiet, at work, share of the
 * time at work. Of a dust monitor: mg/m³.
 */
const PARTICLES = [
    [
        'solder-bench',
        '2026-11-23 08:00:00',
        210,
        60,
        ['0.3' => [92000, 680000], '0.5' => [21000, 96000], '1.0' => [4200, 11000], '5.0' => [90, 160]],
        .4,
    ],
    [
        'voicing-room',
        '2026-11-23 08:10:00',
        240,
        60,
        ['0.3' => [61000, 70000], '0.5' => [12000, 14000], '1.0' => [2100, 2600], '5.0' => [40, 60]],
        .2,
    ],
    [
        'gilding',
        '2026-11-23 13:00:00',
        120,
        60,
        ['0.3' => [75000, 98000], '0.5' => [15000, 22000], '1.0' => [2900, 4100], '5.0' => [60, 120]],
        .3,
    ],
    ['sanding-dust', '2026-11-23 08:20:00', 240, 10, ['dust' => [.35, 2.6]], .5],
    ['sweeping', '2026-11-23 13:10:00', 150, 10, ['dust' => [.3, 3.9]], .35],
];

foreach (PARTICLES as $number => [$name, $from, $minutes, $step, $sizes, $share]) {
    mt_srand(3000 + $number);
    $file = fopen("$folder/$name.csv", 'w');
    assert($file !== false);
    fwrite(
        $file,
        'Time,'.implode(
            ',',
            array_map(static fn (string|int $size): string => $size === 'dust' ? 'mg/m3' : $size.' um', array_keys($sizes)),
        )."\n",
    );
    $start = $moved($from);
    $at = 0.0;
    for ($i = 0; $i < 60 * $minutes / $step; ++$i) {
        if ($i % max(1, intdiv(300, $step)) === 0) {
            $working = mt_rand(0, 999) / 1000 < $share;
        }
        $at += .3 * (($working ? 1 : 0) - $at);
        $wobble = 1 + (mt_rand(0, 1000) / 1000 - .5) * .12;
        $cells = array_map(
            static fn (array $ends): string => number_format(
                ($ends[0] + ($ends[1] - $ends[0]) * $at) * $wobble,
                $name === 'sanding-dust' || $name === 'sweeping' ? 3 : 0,
                '.',
                '',
            ),
            $sizes,
        );
        fwrite($file, gmdate('Y-m-d H:i:s', $start + $step * $i).','.implode(',', $cells)."\n");
    }
    fclose($file);
}

/** Name, first second, and the highest level of each octave band from 63 Hz, dB: two minutes after a delay of half a minute. */
const ROOMS = [
    [
        'voicing-blower-on',
        '2026-11-24 10:05:31',
        ['63' => 50.0, '125' => 46.0, '250' => 43.0, '500' => 41.6, '1000' => 34.0, '2000' => 26.0, '4000' => 20.0, '8000' => 16.0],
    ],
    [
        'voicing-blower-off',
        '2026-11-24 10:16:30',
        ['63' => 42.0, '125' => 38.2, '250' => 35.1, '500' => 33.0, '1000' => 28.4, '2000' => 22.7, '4000' => 18.3, '8000' => 15.6],
    ],
];

foreach (ROOMS as $number => [$name, $from, $bands]) {
    mt_srand(4000 + $number);
    $file = fopen("$folder/$name.csv", 'w');
    assert($file !== false);
    fwrite($file, 'Time,'.implode(',', array_map(static fn (int|string $band): string => "LZS $band Hz", array_keys($bands)))."\n");
    $start = $moved($from);
    $highest = array_map(static fn (): int => mt_rand(5, 110), $bands);
    for ($i = 0; $i < 119; ++$i) {
        $cells = [];
        foreach ($bands as $band => $top) {
            $cells[] = number_format($i === $highest[$band] ? $top : $top - .3 - mt_rand(0, 28) / 10, 1, '.', '');
        }
        fwrite($file, gmdate('Y-m-d H:i:s', $start + $i).','.implode(',', $cells)."\n");
    }
    fclose($file);
}
