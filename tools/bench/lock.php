<?php

declare(strict_types=1);

// lock.php DATABASE: looks at a logbook from outside, as often as it can, and times how long its write lock is held at a stretch;
// ends with its standard input. Prints milliseconds as JSON. For SQLite.
$database = new PDO('sqlite:'.$argv[1], options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_SILENT]);
$database->exec('PRAGMA busy_timeout = 0');
stream_set_blocking(STDIN, false);
$held = [];
$since = null;
while (!feof(STDIN)) {
    fread(STDIN, 1);
    $isFree = $database->exec('BEGIN IMMEDIATE') !== false;
    if ($isFree) {
        $database->exec('ROLLBACK');
    }
    $now = hrtime(true) / 1e6;
    if ($isFree && $since !== null) {
        $held[] = $now - $since;
    }
    $since = $isFree ? null : ($since ?? $now);
    usleep(300);
}
sort($held);
echo json_encode([
    'times' => count($held),
    'median' => $held[intdiv(count($held), 2)] ?? 0,
    'p95' => $held[(int) (0.95 * count($held))] ?? 0,
    'longest' => end($held) === false ? 0 : end($held),
]), "\n";
