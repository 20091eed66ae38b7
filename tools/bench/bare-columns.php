<?php

declare(strict_types=1);

// bare-columns.php FILE: the least that any program must do with a log of columns: read, split, sum, keep the highest.
$file = fopen($argv[1], 'r');
assert($file !== false);
$columns = substr_count((string) fgets($file), ',');
$sums = array_fill(0, $columns, 0.0);
$highest = array_fill(0, $columns, 0.0);
$count = 0;
while (($line = fgets($file)) !== false) {
    $cells = explode(',', rtrim($line));
    $time = strtotime($cells[0]);
    for ($i = 0; $i < $columns; ++$i) {
        $value = (float) $cells[$i + 1];
        $sums[$i] += $value;
        $highest[$i] = max($highest[$i], $value);
    }
    ++$count;
}
printf("%d %s %s\n", $count, implode(' ', $sums), implode(' ', $highest));
