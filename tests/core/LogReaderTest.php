<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogColumnKind;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\UnreadableLog;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Logs in whatever delimiter, decimal sign, header and stamp, read by the format that was guessed. */
final class LogReaderTest extends TestCase
{
    /** @return iterable<string, array{string}> the same three intervals of a second, written differently */
    public static function dialects(): iterable
    {
        yield 'comma, point, ISO stamp' => ["Time,LAeq,LCpeak\n2026-03-02 08:00:00,85.1,101.2\n2026-03-02 08:00:01,86.0,99.0\n2026-03-02 08:00:02,84.9,98.7\n"];
        yield 'semicolon, comma, German stamp, preamble' => ["Gerät;DM-1\nMessung;7\n\nZeit;LAeq dB;LCpeak dB\n02.03.2026 08:00:00;85,1;101,2\n02.03.2026 08:00:01;86,0;99,0\n02.03.2026 08:00:02;84,9;98,7\n"];
        yield 'tab, date and time apart, CRLF' => ["Date\tTime\tLeq\tPeak\r\n02/03/2026\t08:00:00\t85.1\t101.2\r\n02/03/2026\t08:00:01\t86.0\t99.0\r\n02/03/2026\t08:00:02\t84.9\t98.7\r\n"];
        yield 'bar, quoted, twelve-hour clock' => ["\"Time\"|\"LAeq\"|\"LZpk\"\n\"2026-03-02 8:00:00 AM\"|\"85.1\"|\"101.2\"\n\"2026-03-02 8:00:01 AM\"|\"86.0\"|\"99.0\"\n\"2026-03-02 8:00:02 AM\"|\"84.9\"|\"98.7\"\n"];
    }

    #[DataProvider('dialects')]
    public function testReadsEveryDialectAlike(string $file): void
    {
        $log = self::read($file);
        self::assertSame([1.0, 3], [$log->step(), $log->length()]);
        self::assertSame('2026-03-02T08:00:00+00:00', $log->start()->format(\DATE_ATOM));
        self::assertSame([[85100, 86000, 84900], [101200, 99000, 98700]], [self::values($log, 0), self::values($log, 1)]);
        self::assertSame([LogColumnKind::Equivalent, LogColumnKind::Peak], array_map(static fn ($column) => $column->kind, $log->columns()));
    }

    public function testGapsStayGaps(): void
    {
        $log = self::read("t,LAeq\n08:00:00,85.1\n08:00:01,--\n08:00:05,84.9\n", '2026-03-02T00:00:00+00:00');
        self::assertSame([85100, SeriesLog::GAP, SeriesLog::GAP, SeriesLog::GAP, SeriesLog::GAP, 84900], self::values($log, 0));
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
            (new LogReader(LogFormatGuess::of(self::lines($good))))->read(self::lines($file), new \DateTimeZone('UTC'), new \DateTimeImmutable('2026-03-02'));
            self::fail('read without a word');
        } catch (UnreadableLog $problem) {
            self::assertSame($line, $problem->problems[0]['line']);
            self::assertStringContainsString($said, $problem->problems[0]['problem']);
        }
    }

    public function testRefusesWhatIsNoTable(): void
    {
        $this->expectException(UnreadableLog::class);
        LogFormatGuess::of(["\x89PNG", "\0\0\0", 'hello world']);
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
        $format = LogFormatGuess::of(["t,LAeq\n", "2026-03-02 08:00:00,70.0\n", "2026-03-02 08:00:01,70.1\n"]);
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $log = (new LogReader($format))->read($lines, new \DateTimeZone('UTC'), null);
        self::assertSame(500000, $log->length());
        self::assertLessThan(16 * 1024 * 1024, memory_get_peak_usage() - $before);
    }

    private static function read(string $file, ?string $start = null): PackedLog
    {
        $lines = self::lines($file);

        return (new LogReader(LogFormatGuess::of($lines)))->read($lines, new \DateTimeZone('UTC'), $start === null ? null : new \DateTimeImmutable($start));
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
