<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\LineProfileShelf;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\LineProfile;
use Footnote\Core\Source\Sample;
use Footnote\Core\Source\Steadiness;
use Footnote\Core\Source\Stretch;
use Footnote\Core\Source\Taken;
use Footnote\Core\Source\Unread;
use Footnote\Core\Source\Watched;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Lines as instruments print them: read as they are written, judged by what they say, and never by what they do not. */
final class SourceTest extends TestCase
{
    private const START = '2026-03-02T08:00:00+00:00';

    /**
     * With less than twenty seconds nothing is said; a creep within the range still creeps (G-9, own).
     *
     * @param list<string> $values
     */
    #[DataProvider('courses')]
    public function testAPlateauIsTwentySecondsThatStandStill(?bool $steady, string $words, array $values, int $every = 1): void
    {
        $watched = Watched::of(self::feed(), self::stretch($values, $every), null);
        self::assertSame($steady, $watched->steady, $watched->words);
        self::assertStringContainsString($words, $watched->words);
    }

    /** @return iterable<string, array{0: bool|null, 1: string, 2: list<string>, 3?: int}> */
    public static function courses(): iterable
    {
        yield 'a step of the display up and down' => [true, 'stands still', array_merge(...array_fill(0, 12, ['50', '51']))];
        yield 'nineteen seconds' => [null, '1 s more', array_fill(0, 20, '50')];
        yield 'twenty seconds' => [true, 'stands still', array_fill(0, 21, '50')];
        yield 'two steps' => [false, 'still moves: by 2 ppm', [...array_fill(0, 21, '50'), '52']];
        // What was long ago does not count: a rise that is over is no unrest.
        yield 'risen before' => [true, 'stands still', ['0', '10', '30', '45', '48', ...array_fill(0, 21, '50')]];
        yield 'risen just now' => [false, 'still moves', ['0', '10', '30', '45', '48', ...array_fill(0, 18, '50')]];
        yield 'three within twenty seconds' => [true, 'stands still', ['50', '50', '50'], 10];
        yield 'two within twenty seconds' => [null, 'less than three times', ['50', '50', '50'], 15];
        // From one end of what is allowed to the other in a straight line, and over it by the least digit.
        $line = static fn (float $slope): array => array_map(
            static fn (int $second): string => number_format(100 + $slope * $second, 3, '.', ''),
            range(0, 20),
        );
        yield 'a creep at the limit' => [true, 'stands still', $line(0.05)];
        yield 'a creep beyond it' => [false, 'still moves', $line(0.0501)];
        // The range keeps it and the straight line does not: up by nearly all in steps that end where they began to be allowed.
        // One step of the display, once: whether it creeps cannot be told from it while it stands in the middle.
        yield 'one step, at the end' => [true, 'stands still', [...array_fill(0, 20, '50.0'), '51.0']];
        yield 'a creep that the range hides' => [
            false,
            'creeps on',
            ['100.0', ...array_fill(0, 9, '100.0'), '100.5', ...array_fill(0, 10, '101.0')],
        ];
    }

    /** What an ordinary day calls steady, and what a dangerous one must not. */
    public function testNothingIsJudgedThatDidNotCome(): void
    {
        $still = self::stretch(array_fill(0, 31, '50'), 1);
        $at = static fn (int $second): \DateTimeImmutable => new \DateTimeImmutable(\sprintf('2026-03-02T08:00:%02d+00:00', $second));
        self::assertTrue(Watched::of(self::feed(), $still, $at(33))->steady);
        $gone = Watched::of(self::feed(), $still, $at(40));
        self::assertNull($gone->steady, 'a cable that was pulled stands still for ever');
        self::assertNull($gone->last);
        self::assertSame('nothing has come for 10 s', $gone->words);

        $other = Watched::of(new Feed('H2S', 'value', ['ppm'], steady: Steadiness::within('1')), $still, null);
        self::assertNull($other->last);
        self::assertSame('no line names "H2S"; the lines name CO', $other->words);

        $unit = Watched::of(new Feed('CO', 'value', ['mg/m³'], steady: Steadiness::within('1')), $still, null);
        self::assertNull($unit->last, 'a number in another unit is another number');
        self::assertStringContainsString('is printed in "ppm"', $unit->words);
        self::assertNull(Taken::from($still, new Feed('CO', 'value', ['mg/m³'])));
    }

    /** The display of a unit says what it says: not what JSON makes of it. */
    #[TestWith(['"94.0"', '94.0'])]
    #[TestWith(['94.0', '94.0'])]
    #[TestWith(['-0.10', '-0.10'])]
    #[TestWith(['"94,0"', '94.0'])]
    #[TestWith(['1e3', null])]
    #[TestWith(['"OL"', null])]
    #[TestWith(['"<1"', null])]
    #[TestWith(['""', null])]
    #[TestWith(['null', null])]
    #[TestWith(['true', null])]
    #[TestWith(['[1]', null])]
    public function testDigitsStayAsTheyArePrinted(string $printed, ?string $read): void
    {
        $line = '{"at":"'.self::START.'","unit":"X","channel":"CO","value":'.$printed.',"in":"ppm"}';
        $stretch = self::read($line);
        $written = array_map(static fn (Sample $one): string => $one->value->written, $stretch->samples);
        self::assertSame($read === null ? [] : [$read], $written);
        self::assertCount($read === null ? 1 : 0, $stretch->unread, 'what cannot be read is told');
    }

    public function testWhatCannotBeReadIsNamedByItsLine(): void
    {
        $good = '{"at":"'.self::START.'","channel":"CO","value":"1","in":"ppm"}';
        $stretch = self::read(implode("\r\n", [
            $good,
            '',
            'READY',
            '{"channel":"CO","value":"1","in":"ppm"}',
            '{"at":"yesterday","channel":"CO","value":"1","in":"ppm"}',
            '{"at":"2026-03-02T08:00:00","channel":"CO","value":"1","in":"ppm"}',
            '{"at":"'.self::START.'","value":"1","in":"ppm"}',
            "\xff\xfe\x00",
            str_repeat('[', 600),
            $good,
        ]));
        self::assertSame([1, 10], array_map(static fn (Sample $one): int => $one->line, $stretch->samples));
        self::assertSame([3, 4, 5, 6, 7, 8, 9], array_map(static fn (Unread $one): int => $one->line, $stretch->unread));
        self::assertSame(2, \count(self::read($good."\r".$good)->samples), 'some end their lines by a return alone');
    }

    /** When a line came is known better than what the clock of its instrument says; from a file there is only that. */
    public function testALineIsOfWhenItCame(): void
    {
        $line = '{"at":"2020-01-01T00:00:00Z","channel":"CO","value":"1","in":"ppm"}';
        $came = new \DateTimeImmutable(self::START);
        $utc = new \DateTimeZone('UTC');
        self::assertEquals($came, Stretch::read($line, LineProfile::openLines(), [$came], $utc)->samples[0]->at);
        self::assertSame('2020', Stretch::read($line, LineProfile::openLines(), [], $utc)->samples[0]->at->format('Y'));
    }

    /**
     * @param array<string, mixed> $entry
     * @param list<list<string>>   $read
     */
    #[DataProvider('profiles')]
    public function testColumnsAreReadAsTheyAreDescribed(array $entry, string $line, array $read): void
    {
        $shelf = LineProfileShelf::shelf();
        $profile = LineProfile::of($shelf->read(Fields::of(['code' => 'p', 'name' => 'P', 'source' => 'manual', ...$entry])));
        $stretch = Stretch::read($line, $profile, [], new \DateTimeZone('Europe/Vienna'));
        self::assertSame([], array_map(static fn (Unread $one): string => $one->problem, $stretch->unread));
        self::assertSame($read, array_map(
            static fn (Sample $one): array => [
                $one->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
                $one->unit,
                $one->channel,
                $one->value->written,
                $one->in,
            ],
            $stretch->samples,
        ));
    }

    /** @return iterable<string, array{array<string, mixed>, string, list<list<string>>}> */
    public static function profiles(): iterable
    {
        $column = static fn (string $place, string $holds, string $channel = '', string $in = ''): array => array_filter(
            ['place' => $place, 'holds' => $holds, 'channel' => $channel, 'in' => $in],
            static fn (string $one): bool => $one !== '',
        );
        yield 'one channel a line' => [
            ['delimiter' => 'semicolon', 'dateOrder' => 'dmy', 'columns' => [
                $column('1', 'time'),
                $column('2', 'time'),
                $column('3', 'channel'),
                $column('4', 'value'),
                $column('5', 'in'),
                $column('6', 'unit'),
            ]],
            // Summer time: two hours before the wall clock.
            '02.07.2026;10:00:05;CO;49,0;ppm;SN-1',
            [['2026-07-02 08:00:05', 'SN-1', 'CO', '49.0', 'ppm']],
        ];
        yield 'several channels a line, others passed over' => [
            ['delimiter' => 'blanks', 'begins' => '$', 'columns' => [
                $column('2', 'time'),
                $column('3', 'value', 'O2', '% vol'),
                $column('5', 'value', 'CO', 'ppm'),
            ]],
            "READY\n$ 2026-03-02T09:00:00  20.9  x   3\n#end",
            [['2026-03-02 08:00:00', '', 'O2', '20.9', '% vol'], ['2026-03-02 08:00:00', '', 'CO', '3', 'ppm']],
        ];
    }

    /** @param list<array<string, string>> $columns */
    #[TestWith([[['place' => '1', 'holds' => 'time']], '/columns'])]
    #[TestWith([[['place' => '1', 'holds' => 'value', 'in' => 'dB']], '/columns/0/channel'])]
    #[TestWith([[['place' => '1', 'holds' => 'value', 'channel' => 'level']], '/columns/0/in'])]
    #[TestWith([[
        ['place' => '1', 'holds' => 'value', 'channel' => 'level', 'in' => 'dB'],
        ['place' => '1', 'holds' => 'time'],
    ], '/columns/1/place'])]
    public function testAProfileThatCannotReadIsRefused(array $columns, string $path): void
    {
        try {
            LineProfileShelf::shelf()->read(Fields::of([
                'code' => 'p',
                'name' => 'P',
                'source' => 'manual',
                'delimiter' => 'comma',
                'columns' => $columns,
            ]));
            self::fail('It was taken.');
        } catch (InvalidRecord $problem) {
            self::assertSame($path, $problem->path);
        }
    }

    /**
     * One step of the display between three readings of about twenty seconds is a standstill, wherever it falls; within ten it is not.
     *
     * @param non-empty-list<float|int> $seconds
     */
    #[TestWith([[0, 9.5, 19], true])]
    #[TestWith([[0, 10, 19], true])]
    #[TestWith([[0, 9, 19.4], true])]
    #[TestWith([[0, 10, 20], true])]
    #[TestWith([[0, 5, 10], false])]
    public function testAStepOfTheDisplayIsNoCreep(array $seconds, bool $steady): void
    {
        foreach ([['24', '24', '25'], ['24', '25', '25'], ['25', '24', '24']] as $values) {
            $readings = array_map(
                static fn (float|int $at, string $value): array => [Exact::of((string) $at), Decimal::parse($value)],
                $seconds,
                $values,
            );
            self::assertSame($steady, (new Steadiness(Exact::of(25), Exact::of(1)))->judge($readings)->steady, implode(' ', $values));
        }
    }

    /** Three of the last twenty seconds, each as it was printed; of less there is less, and none is made up. */
    public function testWhatIsTakenWasPrinted(): void
    {
        $feed = new Feed('CO', 'value', ['ppm'], readings: 3);
        $lines = static fn (Stretch $stretch): array => array_map(
            static fn (Sample $one): int => $one->line,
            Taken::from($stretch, $feed)->samples ?? [],
        );
        self::assertSame([42, 52, 61], $lines(self::stretch(array_map(strval(...), range(1, 61)), 1)));
        self::assertSame([2, 5], $lines(self::stretch(['1', '2', '3', '4', '5'], 3)), 'twelve seconds hold two');
        self::assertSame([1], $lines(self::stretch(['1'], 1)));
        self::assertSame([3], $lines(self::stretch(['1', '2', '3'], 60)), 'a minute apart none is of the last twenty seconds');
    }

    private static function feed(): Feed
    {
        // 1 % of a span of 100, one step of the display at least.
        return new Feed('CO', 'value', ['ppm'], steady: new Steadiness(Exact::of(100), Exact::of(1)));
    }

    /** @param list<string> $values one every so many seconds */
    private static function stretch(array $values, int $every): Stretch
    {
        $start = new \DateTimeImmutable(self::START);
        $lines = [];
        foreach ($values as $place => $value) {
            $lines[] = json_encode([
                'at' => $start->modify(\sprintf('+%d seconds', $place * $every))->format(\DATE_ATOM),
                'unit' => 'X',
                'channel' => 'CO',
                'value' => $value,
                'in' => 'ppm',
            ], \JSON_THROW_ON_ERROR);
        }

        return self::read(implode("\n", $lines));
    }

    private static function read(string $bytes): Stretch
    {
        return Stretch::read($bytes, LineProfile::openLines(), [], new \DateTimeZone('UTC'));
    }
}
