<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\SeriesLog;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * FC-F2 over random logs: whatever the interval, however finely its clock tells time and whatever is missing, every line comes
 * into its place and every gap is as long as it was.
 */
final class LogPlacesTest extends TestCase
{
    /** @return iterable<string, array{float, float}> interval and the resolution of the stamps, s */
    public static function clocks(): iterable
    {
        yield 'a second' => [1.0, 1.0];
        yield 'half a second, stamps to the millisecond' => [0.5, 0.001];
        yield 'a step and a half in whole seconds' => [1.5, 1.0];
        yield 'ten seconds' => [10.0, 1.0];
        yield 'a minute' => [60.0, 1.0];
        yield 'a minute, stamps to the minute' => [60.0, 60.0];
        yield 'thirty seconds, stamps to the minute' => [30.0, 60.0];
        yield 'five minutes' => [300.0, 1.0];
    }

    #[DataProvider('clocks')]
    public function testEveryLineComesIntoItsPlace(float $step, float $resolution): void
    {
        mt_srand((int) (1000 * $step + $resolution) + 3);
        for ($round = 0; $round < 8; ++$round) {
            $lines = mt_rand(120, 400);
            // Gaps long enough to be told from rounding, none at the ends.
            $missing = [];
            for ($gap = mt_rand(0, 3); $gap > 0; --$gap) {
                $from = mt_rand(20, $lines - 40);
                for ($i = $from; $i < $from + mt_rand(4, 15) * max(1, (int) ceil($resolution / $step)); ++$i) {
                    $missing[$i] = true;
                }
            }
            $missing = array_filter($missing, static fn (int $i): bool => $i < $lines - 5, \ARRAY_FILTER_USE_KEY);
            $values = array_map(static fn (int $i): ?int => isset($missing[$i]) ? null : 70000 + 100 * ($i % 211), range(0, $lines - 1));
            $log = self::read($values, $step, $resolution);
            self::assertSame($step, $log->step(), "round $round");
            $read = [];
            foreach ($log->chunks(0) as $chunk) {
                array_push($read, ...$chunk);
            }
            // Where stamps are coarser than a step, they tell the length of a gap no finer than they are.
            $slack = $resolution > $step ? (int) ceil($resolution / $step) : 0;
            self::assertEqualsWithDelta($lines, $log->length(), $slack, "round $round: the log is as long as it was");
            $kept = array_values(array_filter($read, static fn (int $value): bool => $value !== SeriesLog::GAP));
            self::assertSame(array_values(array_filter($values, \is_int(...))), $kept, 'no line is lost, doubled or turned');
            foreach ($values as $place => $value) {
                if ($slack === 0) {
                    self::assertSame($value ?? SeriesLog::GAP, $read[$place], "round $round, line $place");
                } elseif ($value !== null) {
                    self::assertContains($value, \array_slice($read, max(0, $place - $slack), 2 * $slack + 1), "round $round, line $place");
                }
            }
        }
    }

    /** @param list<int|null> $values thousandths; null: no line was written */
    private static function read(array $values, float $step, float $resolution): SeriesLog
    {
        $start = new \DateTimeImmutable('2026-03-02T08:00:00', new \DateTimeZone('UTC'));
        $lines = ["Time,LAeq\n"];
        foreach ($values as $place => $value) {
            if ($value === null) {
                continue;
            }
            $at = floor(round($place * $step / $resolution, 6)) * $resolution;
            $moment = $start->modify(\sprintf('+%d microseconds', (int) round(1e6 * $at)));
            $stamp = $moment->format($resolution < 1.0 ? 'Y-m-d H:i:s.v' : ($resolution === 60.0 ? 'Y-m-d H:i' : 'Y-m-d H:i:s'));
            $lines[] = \sprintf("%s,%.1f\n", $stamp, $value / 1000);
        }
        $format = LogFormatGuess::of(\array_slice($lines, 0, 40), LogKinds::ofSound());

        return (new LogReader($format))->read($lines, new \DateTimeZone('UTC'), null);
    }
}
