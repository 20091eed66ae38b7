<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\LogFormat;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Noise\LevelColumn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Logs in whatever delimiter, decimal sign, header and stamp, read by the format that was guessed. */
final class LogReaderTest extends TestCase
{
    /** @return iterable<string, array{string}> the same three intervals of a second, written differently */
    public static function dialects(): iterable
    {
        yield 'comma, point, ISO stamp' => [
            "Time,LAeq,LCpeak\n2026-03-02 08:00:00,85.1,101.2\n2026-03-02 08:00:01,86.0,99.0\n2026-03-02 08:00:02,84.9,98.7\n",
        ];
        yield 'semicolon, comma, German stamp, preamble' => [
            "Gerät;DM-1\nMessung;7\n\nZeit;LAeq dB;LCpeak dB\n02.03.2026 08:00:00;85,1;101,2\n02.03.2026 08:00:01;86,0;99,0\n"
                ."02.03.2026 08:00:02;84,9;98,7\n",
        ];
        yield 'tab, date and time apart, CRLF' => [
            "Date\tTime\tLeq\tPeak\r\n02/03/2026\t08:00:00\t85.1\t101.2\r\n02/03/2026\t08:00:01\t86.0\t99.0\r\n"
                ."02/03/2026\t08:00:02\t84.9\t98.7\r\n",
        ];
        yield 'bar, quoted, twelve-hour clock' => [
            "\"Time\"|\"LAeq\"|\"LZpk\"\n\"2026-03-02 8:00:00 AM\"|\"85.1\"|\"101.2\"\n\"2026-03-02 8:00:01 AM\"|\"86.0\"|\"99.0\"\n"
                ."\"2026-03-02 8:00:02 AM\"|\"84.9\"|\"98.7\"\n",
        ];
    }

    #[DataProvider('dialects')]
    public function testReadsEveryDialectAlike(string $file): void
    {
        $log = self::read($file);
        self::assertSame([1.0, 3], [$log->step(), $log->length()]);
        self::assertSame('2026-03-02T08:00:00+00:00', $log->start()->format(\DATE_ATOM));
        self::assertSame([[85100, 86000, 84900], [101200, 99000, 98700]], [self::values($log, 0), self::values($log, 1)]);
        self::assertSame(
            [LevelColumn::Equivalent, LevelColumn::Peak],
            array_map(static fn ($column) => $column->kind, $log->columns()),
        );
    }

    public function testGapsStayGaps(): void
    {
        $log = self::read("t,LAeq\n08:00:00,85.1\n08:00:01,--\n08:00:05,84.9\n", '2026-03-02T00:00:00+00:00');
        self::assertSame([85100, SeriesLog::GAP, SeriesLog::GAP, SeriesLog::GAP, SeriesLog::GAP, 84900], self::values($log, 0));
    }

    /**
     * @return iterable<string, array{list<float>, float, int, string, list<string>}> stamps in s after 08:00, their
     *         interval, length and first interval, what is left out
     */
    public static function intervals(): iterable
    {
        $every = static fn (float $step, int $n, float $from = 0.0): array => array_map(
            static fn (int $i): float => $from + $i * $step,
            range(0, $n - 1),
        );
        $floored = static fn (float $step, int $n, int $to): array => array_map(
            static fn (float $at): float => floor($at / $to) * $to,
            $every($step, $n),
        );
        yield 'a step and a half in whole seconds' => [$floored(1.5, 400, 1), 1.5, 400, '08:00:00', []];
        yield 'ten seconds, stamped to the minute' => [$floored(10, 360, 60), 10.0, 360, '08:00:00', []];
        yield 'a minute, stamped to the minute' => [$every(60, 60), 60.0, 60, '08:00:00', []];
        yield 'without its second line' => [[0.0, ...$every(1, 98, 2)], 1.0, 100, '08:00:00', []];
        yield 'a first interval that was cut' => [
            [37.0, ...$every(60, 20, 60)],
            60.0,
            20,
            '08:01:00',
            ['the first interval of the log, 23 s of 60'],
        ];
        yield 'a last one as well' => [[...$every(60, 20), 1163.0], 60.0, 19, '08:00:00', ['the last interval of the log, 23 s of 60']];
        yield 'a clock that wavers' => [
            array_map(static fn (int $i): float => 10 * $i + [0, 1, 0, 0, -1, 0, 0][$i % 7], range(0, 199)),
            10.0,
            200,
            '08:00:00',
            [],
        ];
        yield 'stamps to the millisecond that waver' => [
            array_map(static fn (int $i): float => $i + [0.0, 0.003, -0.002][$i % 3] + 1, range(0, 299)),
            1.0,
            300,
            '08:00:01',
            [],
        ];
        yield 'three minutes missing' => [[...$every(60, 10), ...$every(60, 10, 780)], 60.0, 23, '08:00:00', []];
        yield 'an eighth of a second' => [
            array_map(static fn (int $i): float => round(0.125 * $i, 3), range(0, 799)),
            0.125,
            800,
            '08:00:00',
            [],
        ];
    }

    /**
     * FC-F2.
     *
     * @param list<float>  $stamps
     * @param list<string> $leftOut
     */
    #[DataProvider('intervals')]
    public function testIntervalOutOfStamps(array $stamps, float $step, int $length, string $start, array $leftOut): void
    {
        $log = self::stamped($stamps);
        self::assertSame(
            [$step, $length, $start, $leftOut],
            [$log->step(), $log->length(), $log->start()->format('H:i:s'), $log->remarks()],
        );
        $filled = \count(array_filter(self::values($log, 0), static fn (int $value): bool => $value !== SeriesLog::GAP));
        self::assertSame(min($filled, \count($stamps)), $filled);
    }

    /** Where most steps say one thing and the whole another, a person is asked. */
    public function testAsksWhereTheTimesDisagree(): void
    {
        $this->expectException(UnreadableLog::class);
        $this->expectExceptionMessage('Choose the interval');
        self::stamped(array_map(static fn (int $i): float => (float) (10 * $i + intdiv($i, 12) * 5), range(0, 239)));
    }

    /** A few lines far apart are no log, and are told so at once; a cell of another encoding is told by its line. */
    public function testFewLinesFarApartAndAnotherEncoding(): void
    {
        $before = memory_get_peak_usage();
        try {
            self::stamped([
                ...array_map(floatval(...), range(0, 200)),
                ...array_map(static fn (int $i): float => 600000.0 * $i, range(1, 100)),
            ]);
            self::fail('read without a word');
        } catch (UnreadableLog $problem) {
            self::assertStringContainsString('jump too far', $problem->getMessage());
        }
        self::assertLessThan(8 * 1024 * 1024, memory_get_peak_usage() - $before);
        try {
            self::read("t,LAeq\n08:00:00,85.1\n08:00:01,85.1\n08:00:02,\xe9t\xe9\n", '2026-03-02T00:00:00+00:00');
            self::fail('read without a word');
        } catch (UnreadableLog $problem) {
            self::assertTrue(mb_check_encoding($problem->problems[0]['problem'], 'UTF-8'));
        }
    }

    /** @param list<float> $stamps */
    private static function stamped(array $stamps): PackedLog
    {
        $lines = [
            "t,LAeq\n",
            ...array_map(
                static fn (float $at): string => gmdate(
                    'Y-m-d H:i:s',
                    1772438400 + (int) floor($at),
                ).($at === floor($at) ? '' : ltrim(number_format($at - floor($at), 3, '.', ''), '0')).",85.0\n",
                $stamps,
            ),
        ];

        return (new LogReader(
            new LogFormat(
                new \Footnote\Core\Log\LogLayout(',', '.', 1),
                [1 => new LogColumn(LevelColumn::Equivalent, 'LAeq')],
                new \Footnote\Core\Log\LogStamps([0], 'ymd'),
            ),
        ))->read($lines, new \DateTimeZone('UTC'), null);
    }

    public function testClockThatPassesMidnight(): void
    {
        self::assertSame(3, self::read("t,LAeq\n23:59:59,85.1\n00:00:00,85.2\n00:00:01,84.9\n", '2026-03-02T00:00:00+00:00')->length());
    }

    /** @return iterable<string, array{string, int, string}> file, line, what is said */
    public static function faults(): iterable
    {
        yield 'letters' => ["t,LAeq\n08:00:00,85.1\n08:00:01,oops\n", 3, '"oops"'];
        yield 'beyond 200 dB' => ["t,LAeq\n08:00:00,85.1\n08:00:01,851\n", 3, 'between −20 and 200'];
        yield 'exponent' => ["t,LAeq\n08:00:00,85.1\n08:00:01,1e999\n", 3, '"1e999"'];
        yield 'missing column' => ["t,LAeq\n08:00:00,85.1\n08:00:01\n", 3, 'no column'];
        yield 'backwards' => ["t,LAeq\n08:00:00,85.1\n08:00:01,85.1\n08:00:01,85.1\n", 4, 'does not go on'];
        yield 'no time' => ["t,LAeq\n08:00:00,85.1\n08:61:01,85.1\n", 3, 'not a time'];
    }

    #[DataProvider('faults')]
    public function testNamesTheLine(string $file, int $line, string $said): void
    {
        $good = "t,LAeq\n08:00:00,85.1\n08:00:01,85.2\n";
        try {
            (new LogReader(LogFormatGuess::of(self::lines($good), LogKinds::ofSound())))->read(
                self::lines($file),
                new \DateTimeZone('UTC'),
                new \DateTimeImmutable('2026-03-02'),
            );
            self::fail('read without a word');
        } catch (UnreadableLog $problem) {
            self::assertSame($line, $problem->problems[0]['line']);
            self::assertStringContainsString($said, $problem->problems[0]['problem']);
        }
    }

    public function testRefusesWhatIsNoTable(): void
    {
        $this->expectException(UnreadableLog::class);
        LogFormatGuess::of(["\x89PNG", "\0\0\0", 'hello world'], LogKinds::ofSound());
    }

    /** Memory does not grow with the length: half a million lines in less than 16 MB above the start. */
    public function testMemoryStaysFlat(): void
    {
        $lines = (static function (): \Generator {
            yield "t,LAeq\n";
            for ($i = 0; $i < 500000; ++$i) {
                yield gmdate('Y-m-d H:i:s', 1772438400 + $i).','.number_format(70 + $i % 300 / 10, 1)."\n";
            }
        })();
        $format = LogFormatGuess::of(["t,LAeq\n", "2026-03-02 08:00:00,70.0\n", "2026-03-02 08:00:01,70.1\n"], LogKinds::ofSound());
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $log = (new LogReader($format))->read($lines, new \DateTimeZone('UTC'), null);
        self::assertSame(500000, $log->length());
        self::assertLessThan(16 * 1024 * 1024, memory_get_peak_usage() - $before);
    }

    private static function read(string $file, ?string $start = null): PackedLog
    {
        $lines = self::lines($file);

        return (new LogReader(LogFormatGuess::of($lines, LogKinds::ofSound())))->read(
            $lines,
            new \DateTimeZone('UTC'),
            $start === null ? null : new \DateTimeImmutable($start),
        );
    }

    /** @return list<string> */
    private static function lines(string $file): array
    {
        return array_values(array_filter(explode("\n", $file."\n"), static fn (string $line): bool => true));
    }

    /** @return list<int> */
    private static function values(PackedLog $log, int $column): array
    {
        $values = [];
        foreach ($log->chunks($column) as $chunk) {
            array_push($values, ...$chunk);
        }

        return $values;
    }
}
