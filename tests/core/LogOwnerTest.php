<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\LogOrigin;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\RecordReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Whose a log is: one file under two units, one stretch under two runs, another unit's serial number (FC-A8). */
final class LogOwnerTest extends TestCase
{
    /** A working day at one minute, stamped. */
    private static function log(string $head = 'Time,LAeq'): string
    {
        $lines = [$head];
        for ($minute = 0; $minute < 480; ++$minute) {
            $lines[] = \sprintf('2026-03-02 %02d:%02d:00,%.1f', 8 + intdiv($minute, 60), $minute % 60, 80 + $minute % 7);
        }

        return implode("\n", $lines);
    }

    /**
     * @param array<mixed> $more
     *
     * @return array<mixed>
     */
    private static function logged(string $file, array $more = [], int $skip = 1): array
    {
        return ['totals' => null, 'log' => [
            'file' => $file,
            'format' => [
                'delimiter' => ',', 'decimal' => '.', 'skip' => $skip, 'time' => [0], 'dateOrder' => 'ymd',
                'columns' => [['place' => 1, 'kind' => 'LAeq', 'header' => 'LAeq']],
            ],
        ], ...$more];
    }

    /**
     * Two units, D and E, checked alike; the runs are given.
     *
     * @param list<array<mixed>>           $runs    id, instrument, from, to and what else stands with a run
     * @param array<string, string>        $files   text by name
     * @param list<array{string, string}>  $serials units and theirs
     */
    private static function judged(string $run, array $runs, array $files, array $serials = []): Assessment
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.0']);
        foreach (['k1', 'k2'] as $place => $check) {
            $checks = $scene->record['checks'];
            self::assertIsArray($checks);
            self::assertIsArray($checks[$place]);
            $scene->add('checks', ['id' => $check.'e', 'instrument' => 'E'] + Scene::fields($checks[$place])->data());
        }
        // Criteria with a threshold ask for a finer log than one of a minute.
        $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => [[
            'id' => 'l', 'title' => 'limit', 'quantity' => 'laeq', 'value' => '70', 'unit' => 'dB(A)', 'comparator' => '>',
            'source' => 'house', 'mark' => 'own',
        ]]];
        $unit = ['family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140'];
        $stated = array_column($serials, 0);
        $scene->record['instruments'] = [
            ...array_map(static fn (array $known): array => [...$unit, 'id' => $known[0], 'serial' => $known[1]], $serials),
            ...array_map(static fn (string $id): array => [...$unit, 'id' => $id], array_diff(['D', 'E'], $stated)),
        ];
        foreach ($runs as $one) {
            ['id' => $id, 'from' => $from, 'to' => $to] = $one;
            self::assertTrue(\is_string($id) && \is_string($from) && \is_string($to));
            /** @var array<string, mixed> $more */
            $more = array_diff_key($one, ['id' => 0, 'from' => 0, 'to' => 0]);
            $scene->run($id, $from, $to, '90.0', $more);
        }
        $read = (new RecordReader(\Footnote\Core\Families::formats()))->read(
            $scene->record,
            static fn (string $name): LogFile => LogFile::ofText($name, $files[$name]),
        );

        return Scene::assessed($read, $run, 'standard');
    }

    private static function finding(Assessment $assessment): ?Finding
    {
        foreach ($assessment->findings as $finding) {
            if ($finding->rule->id === 'log.whose') {
                return $finding;
            }
        }

        return null;
    }

    public function testOneFileUnderTwoUnitsIsOpenUntilAPersonSaysWhoseItIs(): void
    {
        $two = static fn (mixed $ofD = null, mixed $ofE = null): array => [
            [
                'id' => 'd',
                'instrument' => 'D',
                'from' => '08:00',
                'to' => '16:00',
                ...self::logged('one.csv', $ofD === null ? [] : ['logWord' => $ofD]),
            ],
            [
                'id' => 'e',
                'instrument' => 'E',
                'from' => '08:00',
                'to' => '16:00',
                'person' => 'W-02',
                ...self::logged('other.csv', $ofE === null ? [] : ['logWord' => $ofE]),
            ],
        ];
        $files = ['one.csv' => self::log(), 'other.csv' => self::log()];
        $own = ['isOwn' => true, 'reason' => 'the seal was unbroken', 'by' => 'H-1'];
        $not = [...$own, 'isOwn' => false];
        // Nobody said a word: both are open, and each names the other.
        foreach (['d' => 'run e', 'e' => 'run d'] as $run => $other) {
            $assessment = self::judged($run, $two(), $files);
            self::assertSame(Verdict::Open, $assessment->verdict);
            self::assertStringContainsString($other, self::finding($assessment)->seen ?? '');
            self::assertSame(Robustness::Undecided, Scene::result($assessment, 'laeq')->outcomes[0]->robustness, 'a number of whom?');
        }
        // One is said to be the owner: a note there, the other stays open.
        $first = self::judged('d', $two($own), $files);
        self::assertSame(Severity::Note, self::finding($first)?->severity);
        self::assertSame(Verdict::Valid, $first->verdict);
        self::assertSame(Robustness::Robust, Scene::result($first, 'laeq')->outcomes[0]->robustness);
        self::assertStringContainsString('H-1', self::finding($first)->seen ?? '');
        self::assertSame(Verdict::Open, self::judged('e', $two($own), $files)->verdict);
        // The other is said not to be: nothing is left against the first, and the second is void.
        self::assertNull(self::finding(self::judged('d', $two(null, $not), $files)));
        self::assertSame(Verdict::Void, self::judged('e', $two($own, $not), $files)->verdict);
        // Both are said to be: no word settles it.
        self::assertSame(Verdict::Open, self::judged('d', $two($own, $own), $files)->verdict);
        // A file that differs by one value is another file.
        $files['other.csv'] = str_replace(',80.0', ',80.1', self::log());
        self::assertNull(self::finding(self::judged('d', $two(), $files)));
    }

    public function testOneFileOfTheMorningAndTheAfternoonIsOrdinary(): void
    {
        $runs = static fn (array $second): array => [
            ['id' => 'd', 'instrument' => 'D', 'from' => '08:00', 'to' => '12:00', ...self::logged('day.csv')],
            [
                'id' => 'a',
                'instrument' => 'D',
                'from' => '12:30',
                'to' => '16:00',
                'person' => 'W-02',
                ...self::logged('day.csv'),
                ...$second,
            ],
        ];
        $files = ['day.csv' => self::log()];
        self::assertSame(Verdict::Valid, self::judged('d', $runs([]), $files)->verdict);
        self::assertSame(Verdict::Valid, self::judged('a', $runs([]), $files)->verdict);
        // Clocks that were noted 40 s apart let the runs share so much at their border, and no stretch.
        self::assertNull(self::finding(self::judged('a', $runs(['from' => '12:00', 'clockOffsetSeconds' => -40]), $files)));
    }

    public function testTheSameStretchUnderTwoRunsOfOneUnitIsOpen(): void
    {
        $stampless = static fn (string $start): array => ['totals' => null, 'log' => [
            'file' => 'plain.csv', 'start' => Scene::moment($start),
            'format' => [
                'delimiter' => ',',
                'decimal' => '.',
                'skip' => 0,
                'stepSeconds' => 60,
                'columns' => [['place' => 0, 'kind' => 'LAeq']],
            ],
        ]];
        $runs = static fn (string $start): array => [
            ['id' => 'd', 'instrument' => 'D', 'from' => '08:00', 'to' => '12:00', ...$stampless('08:00')],
            ['id' => 'a', 'instrument' => 'D', 'from' => '12:00', 'to' => '16:00', ...$stampless($start)],
        ];
        $files = ['plain.csv' => implode("\n", array_map(static fn (int $i): string => (string) (80 + $i % 9), range(1, 480)))];
        self::assertNull(self::finding(self::judged('a', $runs('08:00'), $files)), 'the second half of it');
        self::assertNull(self::finding(self::judged('a', $runs('08:01'), $files)), 'one interval at the border');
        $twice = self::judged('a', $runs('08:02'), $files);
        self::assertSame(Verdict::Open, $twice->verdict);
        self::assertStringContainsString('The same stretch', self::finding($twice)->seen ?? '');
    }

    /**
     * Name, head, serials by unit, whether it is asked.
     *
     * @return iterable<string, array{string, string, list<array{string, string}>, bool}>
     */
    public static function names(): iterable
    {
        $known = [['D', '20417'], ['E', '20418']];
        yield 'its own serial in the head' => ['day.csv', 'Serial No: 20417', $known, false];
        yield 'written with zeros and dashes' => ['day.csv', 'S/N;0020-417', $known, false];
        yield 'another serial in the head' => ['day.csv', 'Serial number: 20418', $known, true];
        yield 'a serial that nobody knows' => ['day.csv', 'Unit serial no. = 99999', $known, true];
        yield 'a serial, and the kit has none' => ['day.csv', 'Serial No: 20417', [], false];
        yield 'the serial of another unit, and the kit has none of this' => ['day.csv', 'Serial No: 20418', [['E', '20418']], true];
        yield 'serial of the microphone' => ['day.csv', 'Microphone serial: 9931', $known, false];
        yield 'serial of the calibrator' => ['day.csv', 'Calibrated with,Calibrator S/N: 55123', $known, false];
        yield 'its own in the name' => ['20417 2 March.csv', 'Time,LAeq', $known, false];
        yield 'another in the name' => ['20418 2 March.csv', 'Time,LAeq', $known, true];
        yield 'another in the name, labelled' => ['SN33333_day.csv', 'Time,LAeq', $known, true];
        yield 'a date in the name' => ['2026-03-02.csv', 'Time,LAeq', [['D', '20417'], ['2026', '7']], false];
        yield 'a unit of four letters and digits' => ['ND-02 morning.csv', 'Time,LAeq', [['ND-02', '1']], true];
        yield 'part of a longer word' => ['ND-021 morning.csv', 'Time,LAeq', [['ND-02', '1']], false];
        yield 'a hall that is called like a short unit' => ['Hall A1.csv', 'Time,LAeq', [['A1', '7']], false];
        yield 'a list with its own among them' => ['all 20417 20418.csv', 'Time,LAeq', $known, false];
    }

    /** @param list<array{string, string}> $serials */
    #[DataProvider('names')]
    public function testAForeignNameIsAsked(string $file, string $head, array $serials, bool $isAsked): void
    {
        $run = ['id' => 'd', 'instrument' => 'D', 'from' => '08:00', 'to' => '16:00', ...self::logged($file)];
        $assessment = self::judged('d', [$run], [$file => self::log($head)], $serials);
        self::assertSame(
            $isAsked ? Verdict::Open : Verdict::Valid,
            $assessment->verdict,
            self::finding($assessment)->seen ?? 'nothing seen',
        );
        self::assertSame($isAsked, self::finding($assessment) !== null);
        if ($isAsked) {
            $own = self::judged(
                'd',
                [[...$run, 'logWord' => ['isOwn' => true, 'reason' => 'the board was exchanged', 'by' => 'H-1']]],
                [$file => self::log($head)],
                $serials,
            );
            self::assertSame(Verdict::Valid, $own->verdict);
            self::assertSame(Severity::Note, self::finding($own)?->severity);
        }
    }

    public function testWithoutAStatedSerialTheOtherLogsOfTheUnitTellIt(): void
    {
        $runs = static fn (string $second, array $word = []): array => [
            ['id' => 'd', 'instrument' => 'D', 'from' => '08:00', 'to' => '12:00', ...self::logged('a.csv', $word)],
            ['id' => 'a', 'instrument' => 'D', 'from' => '12:30', 'to' => '16:00', ...self::logged($second)],
        ];
        $files = ['a.csv' => self::log('Serial: 20417'), 'b.csv' => self::log("Serial:\t020417"), 'c.csv' => self::log('Serial: 20418')];
        self::assertNull(self::finding(self::judged('a', $runs('b.csv'), $files)));
        self::assertSame(Verdict::Open, self::judged('a', $runs('c.csv'), $files)->verdict);
        self::assertSame(Verdict::Open, self::judged('d', $runs('c.csv'), $files)->verdict, 'neither is known to be right');
        $own = ['logWord' => ['isOwn' => true, 'reason' => 'read at the bench', 'by' => 'H-1']];
        self::assertSame(Verdict::Valid, self::judged('d', $runs('c.csv', $own), $files)->verdict);
        self::assertSame(Verdict::Open, self::judged('a', $runs('c.csv', $own), $files)->verdict);
    }

    /** @param list<string> $serials */
    #[TestWith(['Gerät;Seriennr', []])]
    #[TestWith(["Serial\t4711", ['4711']])]
    #[TestWith(['"Serial Number","4711-B"', ['4711-B']])]
    #[TestWith(["# S/N: 4711\nSerial: 04711", ['4711']])]
    #[TestWith(['Serial port: COM3', []])]
    #[TestWith(['Sn,Pb,Cd', []])]
    public function testSerialsAreReadWhereTheyAreTheUnits(string $head, array $serials): void
    {
        self::assertSame($serials, (new LogOrigin('x.csv', '', $head))->serials());
    }
}
