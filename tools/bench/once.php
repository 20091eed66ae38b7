<?php

declare(strict_types=1);

// once.php COMMAND...: runs it once; prints its seconds and its peak memory in MB.
$began = hrtime(true);
$process = proc_open(array_slice($argv, 1), [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
assert(is_resource($process));
// Closing waits for its end, after which its usage is known.
$status = proc_close($process);
$seconds = (hrtime(true) - $began) / 1e9;
$usage = getrusage(1);
assert($usage !== false && $status === 0);
printf('%.6f %.1f', $seconds, $usage['ru_maxrss'] / 1024);
