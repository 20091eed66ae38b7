<?php

declare(strict_types=1);

/**
 * Makes the demo around a day: every moment of its records, notes and logs moved by so many whole weeks, in the wall time of the site,
 * that the last of them lies on the day before or up to a week before that. Weekdays, hours and all that lies between stay as they are.
 *
 *     php demo/around.php FOLDER [DAY]
 */
[, $folder, $day] = [...$argv, date('Y-m-d')];
$zone = new DateTimeZone('Europe/London');
$texts = [];
foreach (['record', 'air', 'gas', 'particles', 'meters'] as $name) {
    $texts[$name] = (string) file_get_contents(__DIR__."/$name.json");
}

/** The last moment at which something was done: dates without a time, such as those until which certificates hold, may lie ahead. */
preg_match_all('/"(\d{4}-\d\d-\d\d)T\d\d:\d\d/', implode('', $texts), $moments);
$between = (int) (new DateTimeImmutable(max($moments[1])))->diff(new DateTimeImmutable($day))->format('%r%a');
$weeks = (int) floor(($between - 1) / 7);

/** @param string $at a moment or a day */
$moved = static fn (string $at): string => (new DateTimeImmutable($at, $zone))
    ->setTimezone($zone)
    ->modify("$weeks weeks")
    ->format(strlen($at) === 10 ? 'Y-m-d' : 'Y-m-d\TH:i:sP');
$first = new DateTimeImmutable($moved('2026-11-17'));

if (!is_dir($folder)) {
    mkdir($folder, 0o755, true);
}
foreach ($texts as $name => $text) {
    $text = preg_replace_callback(
        '/"(\d{4}-\d\d-\d\d(?:T\d\d:\d\d:\d\d[+-]\d\d:\d\d)?)"/',
        static fn (array $found): string => '"'.$moved($found[1]).'"',
        $text,
    );
    // Months that are named in titles, sources and codes.
    $text = str_replace(['November 2026', 'SM-26-11'], [$first->format('F Y'), $first->format('\S\M-y-m')], (string) $text);
    file_put_contents("$folder/$name.json", $text);
}
passthru(escapeshellarg(\PHP_BINARY).' '.escapeshellarg(__DIR__.'/make-logs.php').' '.escapeshellarg("$folder/logs")." $weeks", $failed);
$plan = json_decode((string) file_get_contents(__DIR__.'/plans/day.json'), true, 16, \JSON_THROW_ON_ERROR);
$plan['campaign'] = $first->format('\S\M-y-m');
file_put_contents("$folder/day.plan", json_encode($plan, \JSON_THROW_ON_ERROR));
echo $first->format('\S\M-y-m|F Y'), "\n";
exit($failed);
