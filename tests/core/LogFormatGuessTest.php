<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\ColumnChoice;
use Footnote\Core\Log\LogFormatGuess;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\StampReader;
use Footnote\Core\Meter\BandColumn;
use Footnote\Core\Noise\SeriesSketch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** How a log is written, guessed from its head; a person confirms. */
final class LogFormatGuessTest extends TestCase
{
    /** @return iterable<string, array{string, array<int, string>, ?string}> header and line, kinds by place, order of dates */
    public static function heads(): iterable
    {
        yield 'names of all kinds' => [
            'Time,LAeq,LASmax,LCpeak,Overload|2026-03-02 08:00:00,80.1,83.0,99.0,0',
            [1 => 'LAeq', 2 => 'LASmax', 3 => 'LCpeak', 4 => 'overload'],
            'ymd',
        ];
        yield 'plain words' => ['Date,Leq,Max,Peak|02.03.2026 08:00:00,80.1,83.0,99.0', [1 => 'LAeq', 2 => 'LASmax', 3 => 'LCpeak'], 'dmy'];
        yield 'average' => ['t,Lavg dB,Slow|08:00:00,80.1,81.0', [1 => 'Lavg', 2 => 'LAS'], null];
        yield 'month first' => ['t,Leq|03/14/2026 08:00:00,80.1', [1 => 'LAeq'], 'mdy'];
        yield 'a column nobody knows is not used' => ['t,Leq,Battery|08:00:00,80.1,92', [1 => 'LAeq'], null];
        yield 'no header at all' => ['08:00:00,80.1', [1 => 'LAeq'], null];
    }

    /** @param array<int, string> $kinds */
    #[DataProvider('heads')]
    public function testKindsByTheirHeaders(string $text, array $kinds, ?string $order): void
    {
        $lines = explode('|', $text);
        $last = $lines[\count($lines) - 1];
        $format = LogFormatGuess::of([...$lines, $last, $last], LogKinds::ofSound());
        self::assertSame($kinds, array_map(static fn ($column): string => $column->kind->id(), $format->columns));
        self::assertSame($order, $format->stamps->dateOrder);
    }

    /** Bands are told by their frequency however it is written; levels of all frequencies beside them by their names. */
    public function testBandsBesideLevels(): void
    {
        $lines = [
            'Time;LZS 31.5 Hz;LZS 63Hz;125;1 kHz;16k;LAeq;LASmax;Battery 4 V',
            ...array_fill(0, 3, '2026-03-02 10:00:00;50,1;48,0;44,0;30,0;12,0;41,0;43,0;3,9'),
        ];
        $format = LogFormatGuess::of($lines, [
            ...LogKinds::ofSound(),
            new ColumnChoice(BandColumn::Band, ['31.5', '63', '125', '1000', '16000']),
        ]);
        self::assertSame(
            ['31.5', '63', '125', '1000', '16000', 'LAeq', 'LASmax'],
            array_values(
                array_map(
                    static fn ($column): string => $column->channel === '' ? $column->kind->id() : $column->channel,
                    $format->columns,
                ),
            ),
        );
        self::assertSame([',', ';'], [$format->layout->decimal, $format->layout->delimiter]);
    }

    /** Stamp, order of dates, seconds of that day (or null where it is no time). */
    #[TestWith(['2026-03-02 08:00:01', 'ymd', 28801.0])]
    #[TestWith(['2026-03-02T08:00:01.250', 'ymd', 28801.25])]
    #[TestWith(['2026-03-02T08:00:01Z', 'ymd', 28801.0])]
    #[TestWith(['02.03.2026 08:00', 'dmy', 28800.0])]
    #[TestWith(['3/2/26 8:00:01 AM', 'mdy', 28801.0])]
    #[TestWith(['3/2/2026 12:00:01 am', 'mdy', 1.0])]
    #[TestWith(['3/2/2026 12:00:01 PM', 'mdy', 43201.0])]
    #[TestWith(['2026-03-02 24:00:00', 'ymd', null])]
    #[TestWith(['2026-03-02 08:60:00', 'ymd', null])]
    #[TestWith(['2026-03-02 08:00:60', 'ymd', null])]
    #[TestWith(['2026-02-30 08:00:00', 'ymd', null])]
    #[TestWith(['13:00:00 PM', null, null])]
    #[TestWith(['eight', null, null])]
    public function testStamps(string $stamp, ?string $order, ?float $ofDay): void
    {
        $reader = new StampReader($order);
        $expected = $ofDay === null || $order === null ? $ofDay : 1772409600 + $ofDay;
        self::assertSame($expected, $reader->seconds($stamp));
        self::assertSame($expected, $reader->seconds($stamp), 'read twice it is the same');
    }

    /** The quick way for sixty stamps of a minute reads every second of a day as the slow way does. */
    public function testQuickAndSlowReadAlike(): void
    {
        $quick = new StampReader('ymd');
        for ($second = 0; $second < 86400; $second += 37) {
            $stamp = gmdate('Y-m-d H:i:s', 1772409600 + $second);
            self::assertSame((new StampReader('ymd'))->seconds($stamp), $quick->seconds($stamp));
            self::assertSame(1772409600.0 + $second, $quick->seconds($stamp));
        }
    }

    public function testAStampAtTheEndOfItsIntervalMovesTheStart(): void
    {
        $guess = LogFormatGuess::of(['t,LAeq', '2026-03-02 08:01:00,80.0', '2026-03-02 08:02:00,81.0'], LogKinds::ofSound());
        $end = new \Footnote\Core\Log\LogFormat(
            $guess->layout,
            $guess->columns,
            new \Footnote\Core\Log\LogStamps($guess->stamps->places, $guess->stamps->dateOrder, null, true),
        );
        $lines = ["t,LAeq\n", "2026-03-02 08:01:00,80.0\n", "2026-03-02 08:02:00,81.0\n"];
        $zone = new \DateTimeZone('Europe/London');
        self::assertSame('08:01:00', (new LogReader($guess))->read($lines, $zone, null)->start()->format('H:i:s'));
        self::assertSame('08:00:00', (new LogReader($end))->read($lines, $zone, null)->start()->format('H:i:s'));
    }

    public function testASketchKeepsLowestMeanAndHighest(): void
    {
        $sketch = SeriesSketch::of(
            NoiseTablesTest::log(
                [80000, 90000, 70000, 70000, \Footnote\Core\Log\SeriesLog::GAP, \Footnote\Core\Log\SeriesLog::GAP, 60000],
                1.0,
            ),
            4,
        );
        self::assertSame(2.0, $sketch->step);
        self::assertSame([[80.0, 87.4, 90.0], [70.0, 70.0, 70.0], null, [60.0, 60.0, 60.0]], $sketch->points);
    }
}
