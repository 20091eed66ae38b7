<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Tables as laboratories write them. */
final class LaboratoryFileTest extends TestCase
{
    private const CODES = ['wood dust' => 'wood', 'wood' => 'wood', 'toluene' => 'toluene', 'acetone' => 'acetone'];

    /** @return array<int, list<array<string, string>>|string> rows by line, or what was wrong with it */
    private static function rows(LaboratoryFile $file, string $text): array
    {
        $read = [];
        foreach ($file->read(explode("\n", $text)) as $number => $line) {
            $read[$number] = $line instanceof InvalidRecord ? $line->path.': '.$line->problem : $line;
        }

        return $read;
    }

    /** @return iterable<string, array{string, array<int, list<array<string, string>>>}> */
    public static function tables(): iterable
    {
        $wood = static fn (string $medium, string $front, string $unit): array => [
            'medium' => $medium,
            'analyte' => 'wood',
            'front' => $front,
            'unit' => $unit,
        ];
        yield 'a head of three lines, semicolons, commas' => [
            "Weir Street\nReport;4711\nCassette No;Compound;Amount mg;Reporting limit\nA1;Wood dust;1,08;0,05\n;;;\nA2;wood;<0,05;0,05",
            [
                4 => [['medium' => 'A1', 'analyte' => 'wood', 'front' => '1,08', 'quantitation' => '0,05', 'unit' => 'mg']],
                6 => [['medium' => 'A2', 'analyte' => 'wood', 'front' => '<0,05', 'quantitation' => '0,05', 'unit' => 'mg']],
            ],
        ];
        yield 'a unit in a column of its own' => ["Sample,Substance,Result,Unit\nA1,Wood dust,12,ug", [2 => [$wood('A1', '12', 'µg')]]];
        yield 'a substance nobody knows keeps its name' => [
            "Sample,Substance,Result\nA1,Cobalt,12",
            [2 => [['medium' => 'A1', 'analyte' => 'Cobalt', 'front' => '12', 'unit' => 'µg']]],
        ];
        yield 'nothing found' => [
            "Sample,Substance,Result,LOQ\nA1,Wood dust,n.d.,5",
            [2 => [['medium' => 'A1', 'analyte' => 'wood', 'front' => '<5', 'quantitation' => '5', 'unit' => 'µg']]],
        ];
        yield 'a column for every substance' => ["Tube\tToluene (µg)\tAcetone\nT1\t226\t<2\nT2\t\t40", [
            2 => [
                ['medium' => 'T1', 'front' => '226', 'analyte' => 'toluene', 'unit' => 'µg'],
                ['medium' => 'T1', 'front' => '<2', 'analyte' => 'acetone', 'unit' => 'µg'],
            ],
            3 => [['medium' => 'T2', 'front' => '40', 'analyte' => 'acetone', 'unit' => 'µg']],
        ]];
        yield 'front and back' => [
            "Tube,Analyte,Front,Back,Desorption\nT1,toluene,226,<2,0.98",
            [2 => [['medium' => 'T1', 'analyte' => 'toluene', 'front' => '226', 'back' => '<2', 'desorption' => '0.98', 'unit' => 'µg']]],
        ];
        yield '"<LOQ" is what it names, and the other only where there is no own' => [implode("\n", [
            'Sample,Substance,Result,LOD,LOQ',
            'A,Wood dust,<LOQ,0.02,0.05',
            'B,Wood dust,<LOD,0.02,0.05',
            'C,Wood dust,n.d.,,0.05',
            'D,Wood dust,<RL,0.02,',
        ]), [
            2 => [[
                'medium' => 'A',
                'analyte' => 'wood',
                'front' => '<0.05',
                'detection' => '0.02',
                'quantitation' => '0.05',
                'unit' => 'µg',
            ]],
            3 => [[
                'medium' => 'B',
                'analyte' => 'wood',
                'front' => '<0.02',
                'detection' => '0.02',
                'quantitation' => '0.05',
                'unit' => 'µg',
            ]],
            4 => [['medium' => 'C', 'analyte' => 'wood', 'front' => '<0.05', 'quantitation' => '0.05', 'unit' => 'µg']],
            5 => [['medium' => 'D', 'analyte' => 'wood', 'front' => '<0.02', 'detection' => '0.02', 'unit' => 'µg']],
        ]];
        yield 'the unit of a mass is that of its own head, and a concentration is no mass' => [
            "Sample,Substance,Amount (µg),Conc. (mg/m3)\nA,Wood dust,120.5,0.17",
            [2 => [$wood('A', '120.5', 'µg')]],
        ];
        yield 'units by column are brought to one' => [
            "Sample,Substance,Mass (mg),LOQ (µg)\nA,Wood dust,0.1205,50",
            [2 => [['medium' => 'A', 'analyte' => 'wood', 'front' => '120.5', 'quantitation' => '50', 'unit' => 'µg']]],
        ];
        yield 'quoted cells' => ["Sample,Substance,Result\n\"A,1\",\"Wood dust\",\"12\"", [2 => [$wood('A,1', '12', 'µg')]]];
    }

    /** @param array<int, list<array<string, string>>> $expected */
    #[DataProvider('tables')]
    public function testReadsByItsOwnGuess(string $text, array $expected): void
    {
        self::assertEquals($expected, self::rows(LaboratoryFile::guess(explode("\n", $text), self::CODES), $text));
    }

    /** What was confirmed is read back as it was. */
    public function testAMappingIsRememberedAsItWas(): void
    {
        $guess = LaboratoryFile::guess(['Tube,Toluene,Acetone', 'T1,2,3'], self::CODES);
        self::assertEquals($guess, LaboratoryFile::told(Fields::of($guess->describe()), self::CODES));
    }

    public function testFaultsNameTheirLineAndTheRestIsRead(): void
    {
        $text = "Sample,Substance,Result\nA1,Wood dust,many\n,Wood dust,3\nA3,Wood dust,4\nA4,,5";
        $rows = self::rows(LaboratoryFile::guess(explode("\n", $text), self::CODES), $text);
        self::assertSame(
            '/line/2/front: "many" is not a decimal number: write digits with one point or comma, such as 93.6 or 93,6.',
            $rows[2],
        );
        self::assertSame('/line/3/medium: is missing.', $rows[3]);
        self::assertIsArray($rows[4]);
        self::assertSame('/line/5/analyte: is missing.', $rows[5]);
    }

    /** FC-G1 and FC-G3: what stands for no limit, and a comma where numbers carry points, are refused by their line. */
    public function testRefusesWhatMayMeanTwoThings(): void
    {
        foreach ([
            "Sample,Substance,Result\nA,Wood dust,<LOQ" => 'gives no limit',
            "Sample;Substance;Result\nA;Wood dust;1,205\nB;Wood dust;98.4" => 'holds a comma',
            "Sample,Substance,Result\nA,Wood dust,\"1,205\"" => 'holds a comma',
        ] as $text => $said) {
            $faults = array_filter(self::rows(LaboratoryFile::guess(explode("\n", $text), self::CODES), $text), \is_string(...));
            self::assertStringContainsString($said, implode(' ', $faults), $text);
            self::assertStringContainsString('/line/2/front', implode(' ', $faults));
        }
        $commas = "Sample;Substance;Result\nA;Wood dust;1,205\nB;Wood dust;98,4";
        self::assertSame(
            [],
            array_filter(self::rows(LaboratoryFile::guess(explode("\n", $commas), self::CODES), $commas), \is_string(...)),
            'decimal commas throughout are ordinary',
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function mappings(): iterable
    {
        $columns = [['place' => 0, 'field' => 'medium'], ['place' => 1, 'field' => 'analyte'], ['place' => 2, 'field' => 'front']];
        yield 'an odd delimiter' => [['delimiter' => '#', 'columns' => $columns], '/delimiter'];
        yield 'an unknown field' => [
            ['delimiter' => ',', 'columns' => [...$columns, ['place' => 3, 'field' => 'colour']]],
            '/columns/3/field',
        ];
        yield 'no medium' => [['delimiter' => ',', 'columns' => \array_slice($columns, 1)], '/columns'];
        yield 'no mass' => [['delimiter' => ',', 'columns' => \array_slice($columns, 0, 2)], '/columns'];
        yield 'no substance' => [['delimiter' => ',', 'columns' => [$columns[0], $columns[2]]], '/columns'];
        yield 'a column without its place' => [['delimiter' => ',', 'columns' => [['field' => 'medium']]], '/columns/0/place'];
        yield 'masses in stones' => [['delimiter' => ',', 'unit' => 'st', 'columns' => $columns], '/unit'];
    }

    /** @param array<string, mixed> $mapping */
    #[DataProvider('mappings')]
    public function testABadMappingNamesItsField(array $mapping, string $path): void
    {
        try {
            LaboratoryFile::told(Fields::of($mapping), []);
            self::fail('it was taken');
        } catch (InvalidRecord $problem) {
            self::assertSame($path, $problem->path);
        }
    }

    /** Memory does not grow with the file: lines come one by one and go again. */
    public function testReadsAsAStream(): void
    {
        $file = LaboratoryFile::guess(['Sample,Substance,Result', 'A,wood,1'], self::CODES);
        $lines = static function (): \Generator {
            yield 'Sample,Substance,Result';
            for ($i = 0; $i < 50000; ++$i) {
                yield "A$i,wood,$i.5";
            }
        };
        $before = memory_get_usage();
        $count = 0;
        $most = 0;
        foreach ($file->read($lines()) as $rows) {
            $count += \is_array($rows) ? \count($rows) : 0;
            $most = max($most, memory_get_usage() - $before);
        }
        self::assertSame(50000, $count);
        self::assertLessThan(200_000, $most);
    }
}
