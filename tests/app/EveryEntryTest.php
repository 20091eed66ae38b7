<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\Core\Families;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\MeterScene;
use Footnote\Tests\Core\ParticleScene;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Everything that any family asks of a unit, a reference, a library entry or a run, answered wrongly in every way that its kind
 * allows: each answer is a clear refusal at that very field, and nothing is kept. New entries are tried as they are declared.
 */
final class EveryEntryTest extends ApiTestCase
{
    private const LETTERS = ['much', '1e999', '0x1F', '1.2.3', '∞', "1\0", '12 34'];
    private const MISSHAPEN = [7, 7.5, ['value' => '7'], ['7']];

    /** @return array<string, mixed> */
    private static function record(string $family): array
    {
        return match ($family) {
            'noise-dosimeter' => (new Scene())->record,
            'sound-level-meter' => (new MeterScene())->record,
            'air-sampler' => (new AirScene())->record,
            'gas-monitor' => (new GasScene())->record,
            default => (new ParticleScene())->record,
        };
    }

    /**
     * Wrong answers to one entry, each with the field that must be named, from the entry's own place.
     *
     * @return iterable<string, array{mixed, string}>
     */
    private static function wrong(Entry $entry): iterable
    {
        $beyond = static fn (string $limit, int $by): string => (string) ((float) $limit + $by);
        switch ($entry->kind) {
            case EntryKind::Decimal:
                foreach (self::LETTERS as $letters) {
                    yield $letters => [$letters, ''];
                }
                yield 'beyond its most' => [$beyond($entry->scale->most, 1), ''];
                yield 'below its least' => [$beyond($entry->scale->least, -1), ''];
                yield 'a number and no text' => [7.5, ''];
                yield 'a list' => [['7'], ''];
                break;
            case EntryKind::Measured:
                yield 'no object' => ['7', ''];
                yield 'another unit' => [['value' => '7', 'unit' => 'furlong'], '/unit'];
                yield 'no unit' => [['value' => '7'], '/unit'];
                yield 'letters' => [['value' => 'much', 'unit' => $entry->scale->units[0]->value], '/value'];
                yield 'infinite' => [['value' => '1e999', 'unit' => $entry->scale->units[0]->value], '/value'];
                break;
            case EntryKind::Choice:
                yield 'none of them' => ['neither', ''];
                yield 'a list' => [['neither'], ''];
                break;
            case EntryKind::Several:
                yield 'one of none' => [['neither'], ''];
                yield 'no list' => ['neither', ''];
                yield 'lists in it' => [[['neither']], ''];
                break;
            case EntryKind::Flag:
                yield 'a word' => ['perhaps', ''];
                yield 'a list' => [[true], ''];
                break;
            case EntryKind::Each:
                yield 'no such name' => [['nobody' => '7'], '/nobody'];
                yield 'letters' => [[array_key_first($entry->among->choices) => 'much'], '/'.array_key_first($entry->among->choices)];
                yield 'a word' => ['much', ''];
                break;
            case EntryKind::Rows:
                yield 'a word' => ['much', ''];
                yield 'words in it' => [['much'], '/0'];
                foreach ($entry->among->rows as $cell) {
                    foreach (self::wrong($cell) as $how => [$value, $place]) {
                        $row = [];
                        foreach ($entry->among->rows as $other) {
                            if ($other->required && $other->name !== $cell->name) {
                                $row[$other->name] = self::right($other);
                            }
                        }
                        yield $cell->name.', '.$how => [[[...$row, $cell->name => $value]], '/0/'.$cell->name.$place];
                    }
                }
                break;
            case EntryKind::Text:
            case EntryKind::Named:
                foreach (self::MISSHAPEN as $place => $shape) {
                    yield 'no text '.$place => [$shape, ''];
                }
                yield 'a very long text' => [str_repeat('x', 5000), ''];
                break;
        }
    }

    private static function right(Entry $entry): mixed
    {
        return match ($entry->kind) {
            EntryKind::Decimal => $entry->scale->least === '0' || (float) $entry->scale->least < 0 ? '1' : $entry->scale->least,
            EntryKind::Measured => ['value' => '1', 'unit' => $entry->scale->units[0]->value],
            EntryKind::Choice => (string) array_key_first($entry->among->choices),
            EntryKind::Several => [(string) array_key_first($entry->among->choices)],
            EntryKind::Flag => true,
            EntryKind::Each => [(string) array_key_first($entry->among->choices) => '1'],
            EntryKind::Group => array_combine(
                array_map(static fn (Entry $row): string => $row->name, $entry->among->rows),
                array_map(self::right(...), $entry->among->rows),
            ),
            EntryKind::Rows => [
                array_combine(
                    array_map(static fn (Entry $row): string => $row->name, $entry->among->rows),
                    array_map(self::right(...), $entry->among->rows),
                ),
            ],
            EntryKind::Text, EntryKind::Named => 'x',
        };
    }

    /**
     * @param list<Entry> $entries
     *
     * @return array<string, mixed>
     */
    private static function required(array $entries): array
    {
        $right = [];
        foreach ($entries as $entry) {
            if ($entry->required) {
                $right[$entry->name] = self::right($entry);
            }
        }

        return $right;
    }

    /**
     * @param list<Entry>          $entries
     * @param array<string, mixed> $base    what is right beside them
     */
    private function tryAll(string $path, array $entries, array $base): int
    {
        $before = $this->counts();
        $tried = 0;
        foreach ($entries as $entry) {
            foreach (self::wrong($entry) as $how => [$value, $place]) {
                $answer = $this->call('POST', $path, [...$base, $entry->name => $value], 422);
                $what = $entry->name.', '.$how;
                self::assertSame('/'.$entry->name.$place, $answer->string('fields.0.field'), $what);
                self::assertNotSame('', $answer->string('fields.0.problem'), $what);
                ++$tried;
            }
        }
        self::assertSame($before, $this->counts(), 'nothing was kept');

        return $tried;
    }

    /** @return iterable<string, array{string}> */
    public static function families(): iterable
    {
        foreach (array_keys(Families::formats()->all()) as $family) {
            yield $family => [$family];
        }
    }

    #[DataProvider('families')]
    public function testOfAUnit(string $family): void
    {
        $this->signIn(Role::Technician);
        $units = self::record($family)['instruments'];
        self::assertIsArray($units);
        self::assertIsArray($units[0]);
        /** @var array<string, mixed> $unit */
        $unit = ['certificates' => [], ...$units[0], 'id' => 'X-9'];
        $entries = Families::formats()->all()[$family]->instrument();
        self::assertGreaterThanOrEqual(\count($entries), $this->tryAll('/api/kit/instruments', $entries, $unit));
        $this->call('POST', '/api/kit/instruments', $unit, 201);
    }

    #[DataProvider('families')]
    public function testOfARun(string $family): void
    {
        $record = self::record($family);
        $this->importRecord([...$record, 'checks' => [], 'runs' => []]);
        $this->signIn(Role::Technician);
        self::assertIsArray($record['instruments']);
        self::assertIsArray($record['instruments'][0]);
        $run = [
            'campaign' => 'c',
            'instrument' => $record['instruments'][0]['id'],
            'start' => '2026-03-02T08:00:00+00:00',
            'person' => 'W-01',
            'task' => 't',
            'despite' => 'nothing was checked yet',
        ];
        $entries = Families::formats()->all()[$family]->run();
        self::assertGreaterThanOrEqual(\count($entries), $this->tryAll('/api/runs', $entries, $run));
        $this->call('POST', '/api/runs', $run, 201);
    }

    public function testOfReferencesAndTheirCertificates(): void
    {
        $this->signIn(Role::Steward);
        foreach (Families::formats()->referenceKinds() as $kind) {
            $base = ['id' => 'X-9', 'kind' => $kind->id, 'model' => 'm', 'certificates' => [], ...self::required($kind->entries)];
            $this->tryAll('/api/kit/references', $kind->entries, $base);
            foreach ($kind->constants as $constant) {
                foreach (self::wrong($constant) as $how => [$value, $place]) {
                    $certificate = [
                        'number' => 'n',
                        'laboratory' => 'l',
                        'issued' => '2026-01-01',
                        'due' => '2027-01-01',
                        'values' => [],
                        ...self::required($kind->constants),
                        $constant->name => $value,
                    ];
                    $answer = $this->call('POST', '/api/kit/references', [...$base, 'certificates' => [$certificate]], 422);
                    self::assertSame('/certificates/0/'.$constant->name.$place, $answer->string('fields.0.field'), $kind->id.', '.$how);
                }
            }
        }
    }

    public function testOfLibraries(): void
    {
        $this->signIn(Role::Technician);
        foreach (Families::formats()->shelves() as $shelf) {
            self::assertGreaterThan(
                5,
                $this->tryAll(
                    '/api/kit/library/'.$shelf->id,
                    $shelf->entries,
                    ['code' => 'x', 'name' => 'x', ...self::required($shelf->entries)],
                ),
            );
        }
    }

    /** @return array<string, mixed> */
    private function counts(): array
    {
        $counts = [];
        foreach (['instrument', 'reference', 'run', 'library_entry', 'journal_entry'] as $table) {
            $counts[$table] = $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM '.$table);
        }

        return $counts;
    }
}
