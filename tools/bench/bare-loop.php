<?php

declare(strict_types=1);

// The measure for footnote:assess: a bare loop that reads the same file and sums the same doses, by the same answers.
$file = fopen($argv[1], 'r');
assert($file !== false);
fgetcsv($file, null, ',', '"', '');
$criteria = [[90, 5, 90], [90, 5, 80], [85, 3, 80]];
$pre = 0.0;
$post = 0.2;
$answers = ['indicated' => 0.0, 'pre' => $pre, 'post' => $post];
$energy = array_fill_keys([...array_keys($answers), 'between'], 0.0);
$doses = array_fill_keys(array_keys($energy), [0.0, 0.0, 0.0]);
$peak = -INF;
$n = 0;
$total = 28800;
while (($row = fgetcsv($file, null, ',', '"', '')) !== false) {
    $level = (float) $row[1];
    $peak = max($peak, (float) $row[2]);
    foreach ([...$answers, 'between' => $pre + ($post - $pre) * $n / $total] as $answer => $offset) {
        $true = $level - $offset;
        $energy[$answer] += 10 ** ($true / 10);
        foreach ($criteria as $c => [$lc, $q, $threshold]) {
            if ($true >= $threshold) {
                $doses[$answer][$c] += 100 / 28800 * 2 ** (($true - $lc) / $q);
            }
        }
    }
    ++$n;
}
foreach ($energy as $answer => $sum) {
    echo $answer, ' ', 10 * log10($sum / $n), ' ', implode(' ', $doses[$answer]), "\n";
}
echo 'peak ', $peak, "\n";
