<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Families;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\RecordReader;
use PHPUnit\Framework\TestCase;

/**
 * What the bench asks is what the record holds: for each step of each check of each unit of the demo, with each of its references
 * and with none, a field is an entry of the check's section and a column one of the list that the step's readings go to, of the
 * same kind, and nothing it allows is refused there.
 */
final class BenchEntriesTest extends TestCase
{
    public function testABenchAsksWhatTheRecordHolds(): void
    {
        $asked = 0;
        foreach (Families::all() as [$family, $format]) {
            $section = [];
            foreach ($format->check() as $entry) {
                $section[$entry->name] = $entry;
            }
            foreach (self::units($family->id()) as [$unit, $references]) {
                foreach ($family->procedures($unit) as $procedure) {
                    foreach ($procedure->steps as $step) {
                        foreach ([null, ...$references] as $reference) {
                            $where = implode(' ', [$family->id(), $unit->id, $procedure->id, $step->id, $reference->id ?? '']);
                            foreach ($family->bench()->fields($step, $unit, $reference) as $field) {
                                self::assertArrayHasKey($field->name, $section, $where);
                                self::holds($section[$field->name], $field, $where);
                                ++$asked;
                            }
                            if ($step->readings === null) {
                                continue;
                            }
                            $columns = [];
                            foreach ($section[$step->readings->name]->among->rows ?? [] as $column) {
                                $columns[$column->name] = $column;
                            }
                            foreach ($family->bench()->columns($step, $unit, $reference) as $column) {
                                self::assertArrayHasKey($column->name, $columns, $where);
                                self::holds($columns[$column->name], $column, $where);
                                ++$asked;
                            }
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(500, $asked);
    }

    /** @return iterable<array{Instrument, list<Reference>}> of the demo, each with what it was checked against */
    private static function units(string $family): iterable
    {
        $demo = \dirname(__DIR__, 2).'/demo/';
        foreach (['record', 'air', 'gas', 'particles', 'meters'] as $name) {
            $file = $demo.$name.'.json';
            $record = json_decode((string) file_get_contents($file), true, 64, \JSON_THROW_ON_ERROR);
            self::assertIsArray($record);
            $campaign = (new RecordReader(Families::formats()))->read(
                [...$record, 'checks' => [], 'runs' => []],
                static fn (string $name): LogFile => LogFile::ofText($name, ''),
            );
            foreach ($campaign->timelines as $timeline) {
                if ($timeline->instrument->family === $family) {
                    yield [$timeline->instrument, array_values($timeline->references->all())];
                }
            }
        }
    }

    private static function holds(Entry $held, Entry $asked, string $where): void
    {
        $where .= ' '.$asked->name;
        // A name in the record may be chosen from a list at the bench.
        self::assertTrue($held->kind === $asked->kind || ($held->kind === EntryKind::Text && $asked->kind === EntryKind::Choice), $where);
        if ($held->kind !== EntryKind::Text) {
            self::assertSame([], array_diff_key($asked->among->choices, $held->among->choices), $where);
        }
        self::assertSame($held->among->of, $asked->among->of, $where);
        if ($asked->kind === EntryKind::Measured) {
            self::assertSame([], array_diff(self::symbols($asked), self::symbols($held)), $where);
        }
        self::assertGreaterThanOrEqual(0, Exact::of($asked->scale->least)->compareTo(Exact::of($held->scale->least)), $where);
        self::assertLessThanOrEqual(0, Exact::of($asked->scale->most)->compareTo(Exact::of($held->scale->most)), $where);
        self::assertNotSame('', $held->words->label, $where.' is told in words wherever it is refused');
    }

    /** @return list<string> */
    private static function symbols(Entry $entry): array
    {
        return array_map(static fn (Unit $unit): string => $unit->value, $entry->scale->units);
    }
}
