<?php

declare(strict_types=1);

// peak.php PROCESS COMMAND...: runs the command and prints how long it took (s), and the most memory that all processes of that name
// held together (MB): what they share is counted once (Pss).
[, $name] = $argv;
$began = hrtime(true);
$process = proc_open(array_slice($argv, 2), [1 => ['file', '/dev/null', 'w'], 2 => STDERR], $pipes);
assert(is_resource($process));
$peak = 0;
while (proc_get_status($process)['running']) {
    $held = 0;
    foreach (glob('/proc/[0-9]*/comm') as $comm) {
        if (trim((string) @file_get_contents($comm)) === $name && dirname($comm) !== '/proc/'.getmypid()) {
            preg_match('/^Pss:\s+(\d+)/m', (string) @file_get_contents(dirname($comm).'/smaps_rollup'), $found);
            $held += (int) ($found[1] ?? 0);
        }
    }
    $peak = max($peak, $held);
    usleep(100000);
}
printf("%.1f %.0f\n", (hrtime(true) - $began) / 1e9, $peak / 1024);
