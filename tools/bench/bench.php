<?php

declare(strict_types=1);

// bench.php files|gases|counts|logbooks|samples|client FOLDER: measures and prints; see bin/bench.
[, $what, $work] = $argv;
$root = dirname(__DIR__, 2);

/**
 * Runs a command so many times, each in a process of its own.
 *
 * @param list<string> $command
 *
 * @return array{float, float} median seconds of the whole process, peak memory in MB
 */
function measured(array $command, int $times): array
{
    $seconds = [];
    $peak = 0.0;
    for ($i = 0; $i < $times; ++$i) {
        $process = proc_open(['php', __DIR__.'/once.php', ...$command], [1 => ['pipe', 'w']], $pipes);
        assert(is_resource($process));
        [$took, $memory] = array_map(floatval(...), explode(' ', (string) stream_get_contents($pipes[1])));
        proc_close($process);
        $seconds[] = $took;
        $peak = max($peak, $memory);
    }
    sort($seconds);

    return [$seconds[intdiv(count($seconds), 2)], $peak];
}

/** How much slower this machine is than the one that limits are stated for. */
function factor(): float
{
    $began = hrtime(true);
    for ($i = 0, $sum = 0; $i < 1000000; ++$i) {
        $sum += $i;
    }

    return (hrtime(true) - $began) / 1e7;
}

/** Writes a record of one run with a log that begins at eight. */
function record(string $folder, string $log, string $stop): string
{
    $demo = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/demo/record.json'), true, 64, JSON_THROW_ON_ERROR);
    assert(is_array($demo));
    $run = $demo['runs'][0];
    $run['stop'] = $stop;
    $run['log']['file'] = $log;
    unset($run['plannedMinutes']);
    $check = static fn (string $id, string $at, string $value): array => [
        'id' => $id,
        'instrument' => 'DM-01',
        'at' => $at,
        'by' => 'T-1',
        'reference' => 'AC-01',
        'steps' => $demo['checks'][0]['steps'],
        'acoustic' => ['nominal' => '114', 'adjusted' => false, 'asFound' => [['value' => $value, 'provenance' => 'typed']]],
    ];
    $record = [
        ...$demo,
        'instruments' => [$demo['instruments'][0]],
        'interventions' => [],
        'checks' => [$check('a', '2026-11-17T07:30:00+00:00', '114.0'), $check('b', '2026-11-18T09:00:00+00:00', '114.2')],
        'runs' => [$run],
    ];
    $path = $folder.'/'.basename($log, '.csv').'.json';
    file_put_contents($path, json_encode($record, JSON_THROW_ON_ERROR));

    return $path;
}

if ($what === 'files') {
    $log = $work.'/logs/planing.csv';
    $short = record($work.'/logs', 'planing.csv', '2026-11-17T16:00:00+00:00');
    $console = [$root.'/bin/console', 'footnote:assess'];
    [$assess, $memory] = measured([...$console, $short], 9);
    [$bare] = measured(['php', __DIR__.'/bare-loop.php', $log], 9);
    [$r] = measured(['Rscript', '--vanilla', __DIR__.'/vectors.R', $log], 5);
    printf(
        "8 h log at 1 s, 28 800 lines with peaks, whole process, median\n"
            ."  footnote:assess %.3f s (%.0f MB), bare PHP loop %.3f s, R with read.csv %.3f s\n"
            ."  assess : bare loop = %.2f (at most 1.5)    assess : R = %.2f (at most 0.5)\n",
        $assess,
        $memory,
        $bare,
        $r,
        $assess / $bare,
        $assess / $r,
    );

    // The same levels thirty times over, at a tenth of a second: 24 h at 10 Hz.
    $in = fopen($log, 'r');
    $out = fopen($work.'/logs/long.csv', 'w');
    assert($in !== false && $out !== false);
    fgets($in);
    $levels = [];
    while (($row = fgetcsv($in, null, ',', '"', '')) !== false) {
        $levels[] = $row[1].','.$row[2];
    }
    fwrite($out, "Time,LAeq dB,LCpeak dB\n");
    $start = (int) strtotime('2026-11-17 08:00:00 UTC');
    for ($i = 0; $i < 864000; ++$i) {
        fwrite($out, gmdate('Y-m-d H:i:s', $start + intdiv($i, 10)).'.'.($i % 10).','.$levels[$i % 28800]."\n");
    }
    fclose($out);
    $long = record($work.'/logs', 'long.csv', '2026-11-18T08:00:00+00:00');
    [$empty] = measured([$root.'/bin/console', 'footnote:assess', '--help'], 5);
    [$took, $peak] = measured([...$console, $long], 3);
    $per = ($took - $empty) / 864000 / (($assess - $empty) / 28800);
    printf(
        "24 h log at 10 Hz, 864 000 lines\n  %.2f s, peak memory %.0f MB (at most 64)\n"
            ."  time per line, start of the process taken off, against the 8 h log = %.2f; whole processes = %.2f (at most 1.2)\n",
        $took,
        $peak,
        $per,
        $took / 864000 / ($assess / 28800),
    );
}
if ($what === 'gases') {
    // The booth of the demo over and over, at one second for a day; the response moves between both checks.
    $rows = file($work.'/logs/booth-vapours.csv', FILE_IGNORE_NEW_LINES);
    assert(is_array($rows));
    $cells = array_map(static fn (string $row): string => substr($row, (int) strpos($row, ',')), array_slice($rows, 1));
    $out = fopen($work.'/logs/gases.csv', 'w');
    assert($out !== false);
    fwrite($out, $rows[0]."\n");
    $start = (int) strtotime('2026-11-20 08:00:00 UTC');
    for ($i = 0; $i < 86400; ++$i) {
        fwrite($out, gmdate('Y-m-d H:i:s', $start + $i).$cells[$i % count($cells)]."\n");
    }
    fclose($out);
    $demo = json_decode((string) file_get_contents($root.'/demo/gas.json'), true, 64, JSON_THROW_ON_ERROR);
    assert(is_array($demo));
    $run = [...$demo['runs'][0], 'stop' => '2026-11-21T08:00:00+00:00', 'shiftMinutes' => '1440'];
    $run['log']['file'] = 'gases.csv';
    $run['log']['format']['stepSeconds'] = 1;
    $before = $demo['checks'][2];
    $after = $demo['checks'][3];
    $record = [
        ...$demo,
        'instruments' => [$demo['instruments'][0]],
        'checks' => [[...$before, 'instrument' => 'GM-01'], [...$after, 'instrument' => 'GM-01', 'at' => '2026-11-21T09:00:00+00:00']],
        'runs' => [$run],
    ];
    file_put_contents($work.'/logs/gases.json', json_encode($record, JSON_THROW_ON_ERROR));
    [$assess, $memory] = measured([$root.'/bin/console', 'footnote:assess', $work.'/logs/gases.json'], 5);
    [$bare] = measured(['php', __DIR__.'/bare-columns.php', $work.'/logs/gases.csv'], 5);
    printf(
        "24 h log at 1 s, 86 400 lines of five channels, whole process, median\n  footnote:assess %.2f s, bare PHP loop %.2f s; "
            ."ratio = %.2f (at most 4), peak memory %.0f MB (at most 64)\n",
        $assess,
        $bare,
        $assess / $bare,
        $memory,
    );
}
if ($what === 'counts') {
    // A counter with eight sizes; flow and background move between both checks.
    $sizes = ['0.3', '0.5', '0.7', '1.0', '2.0', '3.0', '5.0', '10'];
    $out = fopen($work.'/logs/counts.csv', 'w');
    assert($out !== false);
    fwrite($out, 'Time,'.implode(',', array_map(static fn (string $size): string => $size.' um', $sizes))."\n");
    $start = (int) strtotime('2026-11-23 08:00:00 UTC');
    mt_srand(5);
    for ($i = 0; $i < 100000; ++$i) {
        $count = mt_rand(9000, 60000);
        $cells = [];
        foreach ($sizes as $ignored) {
            $cells[] = $count;
            $count = intdiv($count, mt_rand(2, 4));
        }
        fwrite($out, gmdate('Y-m-d H:i:s', $start + $i).','.implode(',', $cells)."\n");
    }
    fclose($out);
    $demo = json_decode((string) file_get_contents($root.'/demo/particles.json'), true, 64, JSON_THROW_ON_ERROR);
    assert(is_array($demo));
    $run = [...$demo['runs'][0], 'stop' => gmdate('Y-m-d\TH:i:s+00:00', $start + 100000), 'shiftMinutes' => '1440'];
    $run['log'] = [
        'file' => 'counts.csv',
        'format' => [
            ...$run['log']['format'],
            'stepSeconds' => 1,
            'columns' => array_map(
                static fn (int $place): array => ['place' => $place + 1, 'kind' => 'counts', 'channel' => $sizes[$place]],
                array_keys($sizes),
            ),
        ],
    ];
    [$before, $after] = $demo['checks'];
    $blank = static fn (int $least): array => array_map(
        static fn (int $place): array => ['size' => $sizes[$place], 'value' => (string) ($least + 7 - $place), 'provenance' => 'typed'],
        array_keys($sizes),
    );
    $before['particle']['blankFound'] = $blank(9);
    $after['particle']['blankFound'] = $blank(14);
    $after['at'] = '2026-11-24T13:00:00+00:00';
    $unit = [...$demo['instruments'][0], 'sizes' => array_map(static fn (string $size): array => ['size' => $size], $sizes)];
    file_put_contents(
        $work.'/logs/counts.json',
        json_encode([...$demo, 'instruments' => [$unit], 'checks' => [$before, $after], 'runs' => [$run]], JSON_THROW_ON_ERROR),
    );
    [$assess, $memory] = measured([$root.'/bin/console', 'footnote:assess', $work.'/logs/counts.json'], 5);
    [$bare] = measured(['php', __DIR__.'/bare-columns.php', $work.'/logs/counts.csv'], 5);
    printf(
        "Counter log of 100 000 lines and eight sizes, whole process, median\n  footnote:assess %.2f s, bare PHP loop %.2f s; "
            ."ratio = %.2f (at most 4), peak memory %.0f MB (at most 64)\n",
        $assess,
        $bare,
        $assess / $bare,
        $memory,
    );
}
if ($what === 'logbooks') {
    $read = static fn (int $runs): mixed => json_decode((string) file_get_contents("$work/load-$runs.json"), true, 8, JSON_THROW_ON_ERROR);
    $small = $read(1000);
    $big = $read(100000);
    assert(is_array($small) && is_array($big));
    echo '300 units, 100 000 runs in five years with four checks each (ten imports) against 1 000, production mode, 95th percentile'
        ."\n";
    $views = [
        'Day, every unit at work', 'Bench', 'Kit', 'Dates', 'Not settled, a week', 'Search', 'Search for a number', 'Results, a page of 50',
        'Result page',
    ];
    foreach ($views as $i => $name) {
        $a = array_values($small)[$i];
        $b = array_values($big)[$i];
        printf(
            '  %-24s %.0f ms with 100 000 runs (at most 80), four clients at once %.0f ms; with 1 000 %.0f ms; growth = %.2f (at most 1.5),'
                ." of the medians %.2f; worked out before in %.1f s\n",
            $name,
            $b['alone'],
            $b['p95'],
            $a['p95'],
            $b['p95'] / $a['p95'],
            $b['median'] / $a['median'],
            $b['before'],
        );
    }
    $lock = json_decode((string) file_get_contents("$work/lock-import.json"), true, 8, JSON_THROW_ON_ERROR);
    assert(is_array($lock));
    printf("  the tenth import, 10 000 runs and 40 000 checks, held the write lock for %.0f ms at most\n", $lock['longest']);
}
if ($what === 'units') {
    $read = static fn (int $runs): mixed => json_decode(
        (string) file_get_contents("$work/unit-$runs-load.json"),
        true,
        8,
        JSON_THROW_ON_ERROR,
    );
    $short = $read(20);
    $long = $read(2000);
    assert(is_array($short) && is_array($long));
    echo "A unit with 2 000 runs and 8 000 checks behind it against one with 20 runs, medians\n";
    foreach ([
        'judged' => ['a result page that judges its run anew', 1.3],
        'accepted' => ['a check accepted', 1.5],
    ] as $name => [$words, $most]) {
        printf(
            "  %-40s %.0f ms and %.0f ms; ratio = %.2f (at most %.1f)\n",
            $words,
            $long[$name],
            $short[$name],
            $long[$name] / $short[$name],
            $most,
        );
    }
    $lock = json_decode((string) file_get_contents("$work/lock-2000.json"), true, 8, JSON_THROW_ON_ERROR);
    assert(is_array($lock));
    printf(
        "  its changes held the write lock for %.1f ms (median; at most 5), %.1f ms (95th percentile), as seen from outside\n",
        $lock['median'],
        $lock['p95'],
    );
}
if ($what === 'together') {
    $load = json_decode((string) file_get_contents("$work/together-load.json"), true, 64, JSON_THROW_ON_ERROR);
    assert(is_array($load));
    printf(
        'Eight clients writing, each pausing 100 ms: 95th percentile %.0f ms (at most 250), longest %.0f ms (at most 1000),'
            ." %d internal errors\n",
        $load['p95'],
        $load['longest'],
        count($load['faults']),
    );
}
if ($what === 'samples') {
    // The best of three.
    $read = static function (string $name) use ($work): float {
        preg_match_all('/([\d.]+) ms each/', (string) file_get_contents("$work/$name.txt"), $each);

        return min(array_map(floatval(...), $each[1]));
    };
    echo "From the database, one process, 1 000 pump samples with laboratory results and 1 000 dosimeter totals\n";
    foreach (['judge' => 'judged (at most 2)', 'keep' => 'judged and kept'] as $how => $words) {
        $sample = $read("$how-samples");
        $dosimeter = $read("$how-logbook-1000");
        printf("  %s: %.2f ms and %.2f ms each; ratio = %.2f\n", $words, $sample, $dosimeter, $sample / $dosimeter);
    }
    $f = factor();
    printf("  10 000 totals judged and kept: %.1f s (at most 12 s x f; f = %.2f: %.1f s)\n", 10 * $read('keep-10000'), $f, 12 * $f);
    [$took, $peak] = measured(
        [
            $root.'/bin/console', 'footnote:laboratory', $work.'/report.csv', '--number=Q', '--laboratory=L',
            '--received=2025-03-01', '--blank-corrected=yes', '--desorption-corrected=no', '--as-guessed',
        ],
        1,
    );
    printf("A laboratory file of 20 000 rows: %.1f s, peak memory %.0f MB (at most 64)\n", $took, $peak);
}
if ($what === 'leaving') {
    $f = factor();
    [$took, $memory] = array_map(floatval(...), explode(' ', (string) file_get_contents("$work/print-200.txt")));
    printf(
        "A report of 200 results on paper: %.0f s (at most 90 s x f = %.0f s), Chromium %.0f MB (at most 1 000)\n",
        $took,
        90 * $f,
        $memory,
    );
    $told = json_decode((string) file_get_contents("$work/what-if.json"), true, 64, JSON_THROW_ON_ERROR);
    assert(is_array($told));
    [$took, $memory] = array_map(floatval(...), explode(' ', (string) file_get_contents("$work/what-if.txt")));
    printf(
        "What a recall would change, %d results of %d runs: %.0f s (10 000 in at most 25 s x f = %.0f s), PHP %.0f MB\n",
        array_sum($told['results']),
        array_sum($told['runs']),
        $took,
        25 * $f,
        $memory,
    );
}
if ($what === 'client') {
    $manifest = json_decode((string) file_get_contents($root.'/public/build/.vite/manifest.json'), true, 8, JSON_THROW_ON_ERROR);
    assert(is_array($manifest));
    $files = [];
    $take = static function (string $key) use (&$take, &$files, $manifest): void {
        if (!isset($files[$manifest[$key]['file']])) {
            $files[$manifest[$key]['file']] = strlen(
                (string) gzencode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/'.$manifest[$key]['file']), 9),
            );
            foreach ($manifest[$key]['imports'] ?? [] as $import) {
                $take($import);
            }
        }
    };
    $take('index.html');
    $take('src/day/DayView.tsx');
    printf("First load of the Day view: %.0f kB of JavaScript, gzipped (at most 250)\n", array_sum($files) / 1000);
}
