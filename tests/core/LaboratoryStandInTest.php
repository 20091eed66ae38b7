<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Flow\LaboratoryStandIn;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\StandIn\NoSuchFault;
use PHPUnit\Framework\TestCase;

/** A laboratory that answers for practice media: its table is read as any other, and what is odd in it is found out. */
final class LaboratoryStandInTest extends TestCase
{
    private const MEDIA = ['M-1', 'M-2', 'M-3', 'M-4'];
    private const CODES = ['wood dust' => 'wood'];
    private const SEEDS = 60;

    /** @return list<string> */
    private static function lines(string $table): array
    {
        return array_map(static fn (string $line): string => $line."\n", explode("\n", rtrim($table)));
    }

    /**
     * What is read of a table, by a guess from its head alone.
     *
     * @return array<string, array{string, float}> by medium: the sign before it, and µg
     */
    private static function read(string $table): array
    {
        $file = LaboratoryFile::guess(self::lines($table), self::CODES);
        $masses = [];
        foreach ($file->read(self::lines($table)) as $rows) {
            self::assertNotInstanceOf(InvalidRecord::class, $rows);
            foreach ($rows as $row) {
                self::assertSame('wood', $row['analyte']);
                $number = (float) str_replace(',', '.', ltrim($row['front'], '<'));
                $inMilligrams = ($row['unit'] ?? '') === 'mg';
                $masses[$row['medium']] = [$row['front'][0] === '<' ? '<' : '', $inMilligrams ? 1000 * $number : $number];
            }
        }

        return $masses;
    }

    public function testEveryTableIsReadByItsHeadAndItsMassesDoNotHangOnHowTheyAreWritten(): void
    {
        $units = [];
        $delimiters = [];
        $below = 0;
        $missing = 0;
        for ($seed = 1; $seed <= self::SEEDS; ++$seed) {
            $table = (new LaboratoryStandIn($seed))->answer(self::MEDIA, ['Wood dust']);
            self::assertSame($table, (new LaboratoryStandIn($seed))->answer(self::MEDIA, ['Wood dust']), 'the same seed, the same table');
            self::assertTrue(LaboratoryStandIn::sent(self::lines($table)));
            $other = self::read((new LaboratoryStandIn($seed))->answer(self::MEDIA, ['Wood dust'], LaboratoryStandIn::OTHER_UNIT));
            $read = self::read($table);
            foreach ($read as $medium => [$sign, $mass]) {
                self::assertSame($sign, $other[$medium][0]);
                self::assertEqualsWithDelta($other[$medium][1], $mass, 1e-6 * $mass, 'milligrams or micrograms');
                self::assertGreaterThanOrEqual(50.0, $mass, 'nothing is told below what is quantified');
                $below += $sign === '<' ? 1 : 0;
            }
            $missing += \count(self::MEDIA) - \count($read);
            $units[str_contains($table, 'Found mg') ? 'mg' : 'µg'] = true;
            $delimiters[str_contains($table, ';') ? ';' : ','] = true;
        }
        self::assertCount(2, $units);
        self::assertCount(2, $delimiters);
        self::assertGreaterThan(0, $below);
        // One in five reports, by the binomial distribution between 3 and 22 of 60 (99.9 %).
        self::assertThat($missing, self::logicalAnd(self::greaterThanOrEqual(3), self::lessThanOrEqual(22)));
    }

    /** Over many samples the masses have the median and the spread that they say. */
    public function testMassesAreSpreadAsTheySay(): void
    {
        $media = array_map(static fn (int $place): string => 'M-'.$place, range(1, 2000));
        $masses = array_column(self::read((new LaboratoryStandIn(7))->answer($media, ['Wood dust'], LaboratoryStandIn::OTHER_UNIT)), 1);
        sort($masses);
        self::assertEqualsWithDelta(400.0, $masses[(int) (\count($masses) / 2)], 40.0);
        // One standard deviation above the median: 84.1 % lie below.
        self::assertEqualsWithDelta(1200.0, $masses[(int) (0.841 * \count($masses))], 150.0);
    }

    private static function assessed(string $fault): Assessment
    {
        $scene = (new AirScene())->check('pre', '07:30', ['2.000'])->run('r', '08:00', '16:00')->check('post', '16:30', ['2.000']);
        $scene->record['instruments'] = [AirScene::pump('P', ['practice' => true])];
        // Of the two it loses the first.
        $seed = 1;
        $media = ['M-r', 'M-s'];
        $lost = static fn (int $seed): string => (new LaboratoryStandIn($seed))
            ->answer($media, ['Wood dust'], LaboratoryStandIn::MISSING);
        while (isset(self::read($lost($seed))['M-r'])) {
            ++$seed;
        }
        $lines = self::lines((new LaboratoryStandIn($seed))->answer($media, ['Wood dust'], $fault));
        $file = LaboratoryFile::guess($lines, self::CODES);
        $rows = [];
        foreach ($file->read($lines) as $read) {
            self::assertIsArray($read);
            $rows = [...$rows, ...$read];
        }
        $scene->add('laboratory', [
            'id' => 'L', 'number' => 'n', 'laboratory' => 'Stand-in', 'received' => '2026-03-20', 'simulated' => true,
            'blankCorrected' => 'yes', 'desorptionCorrected' => 'yes',
            'rows' => array_values(array_filter($rows, static fn (array $row): bool => $row['medium'] === 'M-r')),
        ]);

        return $scene->assess('r');
    }

    /** @return list<string> */
    private static function found(Assessment $assessment): array
    {
        return array_map(static fn (Finding $one): string => $one->rule->id, $assessment->findings);
    }

    public function testEachFaultIsFoundOut(): void
    {
        foreach (LaboratoryStandIn::faults() as $fault) {
            $found = self::found(self::assessed($fault->id));
            if ($fault->rule !== '') {
                self::assertContains($fault->rule, $found, $fault->id);
            } else {
                self::assertSame([], array_intersect(['lab.no-result', 'lab.below-quantitation'], $found), $fault->id);
            }
        }
        $this->expectException(NoSuchFault::class);
        (new LaboratoryStandIn(1))->answer(['M'], ['Wood dust'], 'fire');
    }

    /** A table in another unit than the last one is not read as that one was. */
    public function testAnotherUnitThanTheLastIsNoted(): void
    {
        $first = self::lines((new LaboratoryStandIn(2))->answer(self::MEDIA, ['Wood dust'], LaboratoryStandIn::BELOW));
        $second = self::lines((new LaboratoryStandIn(2))->answer(self::MEDIA, ['Wood dust'], LaboratoryStandIn::OTHER_UNIT));
        $remembered = LaboratoryFile::guess($first, self::CODES);
        self::assertNull($remembered->against($first[1]));
        self::assertMatchesRegularExpression(
            '/^The head of column 3 says "Found [mµ]g"; it is read as [mµ]g\.$/u',
            (string) $remembered->against($second[1]),
        );
        foreach ($remembered->read($second) as $number => $line) {
            self::assertInstanceOf(InvalidRecord::class, $line);
            self::assertSame(2, $number);
            break;
        }
    }

    public function testNoRealSampleHoldsAReportOfAStandIn(): void
    {
        $scene = (new AirScene())->check('pre', '07:30', ['2.000'])->run('r', '08:00', '16:00');
        $scene->found('r', '500', report: ['simulated' => true]);
        $this->expectException(InvalidRecord::class);
        $this->expectExceptionMessage('P is no practice unit');
        $scene->assess('r');
    }
}
