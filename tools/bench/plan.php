<?php

declare(strict_types=1);

// plan.php: how long a day takes to be planned, six measurements in every order and forty of which some orders are tried. Median of five,
// and how much slower this machine is than the one that limits are stated for.

use Footnote\Core\Planning\DayAsked;
use Footnote\Core\Planning\Handling;
use Footnote\Core\Planning\Member;
use Footnote\Core\Planning\Places;
use Footnote\Core\Planning\Readiness;
use Footnote\Core\Planning\Scheduler;
use Footnote\Core\Planning\UnitForDay;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Quantity\Span;
use Random\Engine\Mt19937;
use Random\Randomizer;

require dirname(__DIR__, 2).'/vendor/autoload.php';

/** A made-up day: people in three places, from seven or eight, some at noon. */
function day(int $count, int $people): DayAsked
{
    $random = new Randomizer(new Mt19937(7));
    $zone = new DateTimeZone('Europe/London');
    $at = static fn (string $clock): DateTimeImmutable => new DateTimeImmutable('2026-12-02 '.$clock, $zone);
    $wanted = [];
    $units = [];
    for ($i = 0; $i < $count; ++$i) {
        $from = ['07:00', '07:00', '07:30', '08:00', '12:00'][$random->getInt(0, 4)];
        $place = ['hall', 'booth', 'office'][$random->getInt(0, 2)];
        $wanted[] = new Wanted("W-$i", "W-$i", 'dosimeter', $place, new Span($at($from), $at('16:00')));
        $soak = [0, 0, 0, 30, 60][$random->getInt(0, 4)];
        $units[] = new UnitForDay("D-$i", 'dosimeter', new Readiness($soak, $random->getInt(8, 15)), ['A-'.($i % 4)]);
    }
    $crew = [];
    for ($i = 0; $i < $people; ++$i) {
        $crew[] = new Member("T-$i", new Span($at('03:00'), $at('20:00')));
    }
    $places = new Places('office', [['office', 'hall', 10], ['office', 'booth', 12], ['hall', 'booth', 4]]);

    return new DayAsked($wanted, $units, $crew, $places, new Handling(fit: 3, takeOff: 3, notSooner: 60));
}

/** @return float ms, median of five */
function took(DayAsked $day): float
{
    $all = [];
    for ($i = 0; $i < 5; ++$i) {
        $began = hrtime(true);
        Scheduler::plan($day);
        $all[] = (hrtime(true) - $began) / 1e6;
    }
    sort($all);

    return $all[2];
}

$began = hrtime(true);
for ($i = 0, $sum = 0; $i < 1000000; ++$i) {
    $sum += $i;
}
$f = (hrtime(true) - $began) / 1e7;
printf("A day planned: 6 measurements, 2 people, every order: %.0f ms\n", took(day(6, 2)));
foreach ([1, 2, 4] as $people) {
    printf("  40 measurements, %d people: %.0f ms (at most 200 ms x f = %.0f ms)\n", $people, took(day(40, $people)), 200 * $f);
}
