<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\App\Console\SchemaCommand;
use Footnote\Core\Families;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * One truth for the format: the schema is made of what the readers read. It never refuses what they take, and they refuse more
 * only for a reason that JSON Schema cannot say (docs/formats.md lists them).
 */
final class RecordSchemaTest extends TestCase
{
    /** What JSON Schema cannot say, by the words of the reader. */
    private const BEYOND = [
        'must lie between', 'is no date and time of the calendar', 'must be a day such as', 'is before the day of issue',
        'must be after', 'stands twice', 'is not among the', 'is not a time zone', 'is not in the library', 'overlaps run',
        'is for an instrument that was adjusted', 'is needed:', 'is named twice', 'There is no data line', 'The interval is not known',
        'is missing: the change of the factor',
        'must be above the lower end',
        'is empty: name at least one channel',
        'is empty: name at least one size',
        'must be larger than the one before', 'is not asked of a ',
        'must begin with a letter and hold', 'cannot be mg/m³', 'is missing: name the gas', 'is not above absolute zero', 'is negative',
        'is no absolute pressure', 'holds neither a flow', 'must be a whole number', 'is missing: how long were they counted',
        'is a mixture with', 'stands in this report twice', 'is missing: there is a back section', 'is a positive number',
        'says nothing: less than',
        'is for readings, counts and bands only',
        'is for readings, and must be',
        'must be a level, and its frequency',
        'is as long as the measurement', 'cannot be taken out where', 'must be a time such as', 'The file is not there',
    ];

    private const VALUES = [
        null, true, false, 0, 7, -1, 2.5, '', ' ', 'x', ' typed', 'typed ', 'done', '1', '-5', '1e3', '1,5', '99999999', '2026-03-02',
        '2026-03-02T10:00:00+00:00',
        '2026-02-30T10:00:00+00:00',
        [],
        ['a' => '1'],
        ['x'],
        [['value' => '1']],
        ['value' => '1', 'unit' => 'L/min'],
    ];

    public function testTheSchemaIsCurrent(): void
    {
        $path = __DIR__.'/../../contract/record.schema.json';
        self::assertSame(SchemaCommand::written(Families::formats()), file_get_contents($path), 'run bin/console footnote:schema');
    }

    /** @return list<array{array<string, mixed>, array<string, string>}> a record of each family, and its logs */
    private static function records(): array
    {
        $log = "Time,LAeq\n2026-03-02 08:00:00,85.0\n2026-03-02 08:00:01,86.0\n2026-03-02 08:00:02,84.0\n";
        $noise = (new Scene())->check('k1', '07:30', ['113.6'], ['114.0'])->check('k2', '16:30', ['114.0'], [], ['remarks' => 'x'], [
            'furtherFound' => [['tone' => '94 @ 1000', 'value' => '94.0', 'provenance' => 'typed']], 'weighting' => 'A',
        ])->intervention('i', '07:00', 'repaired')->run('r', '08:00', '12:00', more: [
            'pauses' => [['from' => Scene::moment('09:00'), 'to' => Scene::moment('09:10')]],
            'plannedMinutes' => 240,
            'shiftMinutes' => '480',
            'remarks' => [['kind' => 'fell', 'at' => Scene::moment('09:30'), 'note' => 'x']],
            'restOfDay' => ['was' => 'nothing', 'reason' => 'desk', 'by' => 'H'],
            'leftIn' => [['from' => Scene::moment('09:00'), 'to' => Scene::moment('09:01'), 'reason' => 'x', 'by' => 'H']],
        ])->run('s', '13:00', '14:00', more: ['totals' => null, 'log' => ['file' => 'a.csv', 'format' => [
            'delimiter' => ',',
            'decimal' => '.',
            'skip' => 1,
            'time' => [0],
            'dateOrder' => 'ymd',
            'columns' => [['place' => 1, 'kind' => 'LAeq']],
        ]]]);
        $air = (new AirScene())
            ->check('k1', '07:30', ['2.000'], ['2.010'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['1.960'])
            ->found('r', '960', ['back' => '<2']);
        $gas = (new GasScene())->check('k1', '07:45', left: ['CO' => '50', 'O2' => '18.0'])
            ->run('r', '08:00', '12:00', [], [['channel' => 'CO', 'mean' => '3', 'peak' => '5']])->check('k2', '12:10');
        $particles = (new ParticleScene())->check(
            'k1',
            '07:45',
            ['2.83'],
            particle: ['lot' => 'L3', 'threshold' => '3.1', 'periodWas' => '60'],
        );
        $meter = (new MeterScene())->check('k1', '09:00')->room(more: ['setUp' => 'room-survey', 'setDelay' => '30'])->check('k2', '11:00')
            ->shelf('permissible-levels', ['code' => 'own', 'name' => 'Own', 'source' => 'house', 'levels' => ['500' => '40']]);

        return array_map(
            static fn (Scene|AirScene|GasScene|ParticleScene|MeterScene $scene): array => [$scene->record, ['a.csv' => $log]],
            [$noise, $air, $gas, $particles, $meter],
        );
    }

    public function testSchemaAndReaderAgreeOnFiveThousandMutatedRecords(): void
    {
        mt_srand(12);
        $validator = new Validator();
        $validator->setMaxErrors(1);
        $schema = 'https://footnote.invalid/record.schema.json';
        $validator->resolver()?->registerRaw((string) file_get_contents(__DIR__.'/../../contract/record.schema.json'), $schema);
        $reader = new RecordReader(Families::formats());
        $taken = 0;
        $refused = 0;
        foreach (self::records() as [$record, $logs]) {
            $read = static fn (mixed $data): ?InvalidRecord => self::problem($reader, $data, $logs);
            self::assertNull($read($record), 'a good record is read: '.($read($record)?->getMessage() ?? ''));
            $places = self::places($record, []);
            for ($i = 0; $i < 1000; ++$i) {
                [$mutated, $what] = self::mutated($record, $places[mt_rand(0, \count($places) - 1)]);
                $valid = $validator->validate(
                    json_decode(json_encode($mutated, \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR),
                    $schema,
                )->isValid();
                $problem = $read($mutated);
                if ($problem === null) {
                    ++$taken;
                    self::assertTrue($valid, "the schema refuses what the reader takes: $what");
                } elseif ($valid) {
                    ++$refused;
                    $listed = array_filter(self::BEYOND, static fn (string $words): bool => str_contains($problem->getMessage(), $words));
                    // Whether a log can be read as it is said to be written, only its file tells.
                    $isLog = str_ends_with($problem->path, '/log/file');
                    self::assertTrue($isLog || $listed !== [], "the reader alone refuses $what: ".$problem->getMessage());
                }
            }
        }
        self::assertGreaterThan(300, $taken);
        self::assertGreaterThan(100, $refused, 'what only the reader sees was met');
    }

    /**
     * The record is flat; what another family asks has no place in a run or a check all the same.
     *
     * @param array<string, mixed> $more
     */
    #[TestWith(['runs', ['medium' => 'M1'], '/runs/0/medium'])]
    #[TestWith(['runs', ['weighed' => '2'], '/runs/0/weighed'])]
    #[TestWith(['runs', ['setDelay' => '2'], ''])]
    #[TestWith(['checks', ['flow' => ['adjusted' => false]], '/checks/0/flow'])]
    #[TestWith(['checks', ['flaw' => 1], '/checks/0/flaw'])]
    public function testAFieldOfAnotherFamilyIsRefused(string $list, array $more, string $named): void
    {
        [$record, $logs] = self::records()[0];
        $items = $record[$list];
        self::assertIsArray($items);
        self::assertIsArray($items[0]);
        $items[0] = [...$items[0], ...$more];
        self::assertSame($named, self::problem(new RecordReader(Families::formats()), [...$record, $list => $items], $logs)->path ?? '');
    }

    /** @param array<string, string> $logs */
    private static function problem(RecordReader $reader, mixed $data, array $logs): ?InvalidRecord
    {
        try {
            $reader->read(
                $data,
                static fn (string $name): LogFile => LogFile::ofText(
                    $name,
                    $logs[$name] ?? throw new InvalidRecord('/runs', 'The file is not there.'),
                ),
            );

            return null;
        } catch (InvalidRecord $problem) {
            return $problem;
        }
    }

    /**
     * @param array<mixed>          $data
     * @param list<int|string>      $at
     *
     * @return list<list<int|string>> every place in a record
     */
    private static function places(array $data, array $at): array
    {
        $places = [];
        foreach ($data as $key => $value) {
            $places[] = [...$at, $key];
            if (\is_array($value)) {
                array_push($places, ...self::places($value, [...$at, $key]));
            }
        }

        return $places;
    }

    /**
     * @param array<mixed>     $record
     * @param list<int|string> $place
     *
     * @return array{array<mixed>, string}
     */
    private static function mutated(array $record, array $place): array
    {
        $last = array_pop($place);
        $at = &$record;
        foreach ($place as $key) {
            \assert(\is_array($at));
            $at = &$at[$key];
        }
        \assert(\is_array($at) && $last !== null);
        $where = '/'.implode('/', [...$place, $last]);
        switch (mt_rand(0, 5)) {
            case 0:
                if (array_is_list($at)) {
                    array_splice($at, (int) $last, 1);
                } else {
                    unset($at[$last]);
                }

                return [$record, $where.' left out'];
            case 1:
                if (!array_is_list($at)) {
                    $at['colour'] = 'red';

                    return [$record, 'a colour beside '.$where];
                }
                $at[] = $at[(int) $last] ?? null;

                return [$record, $where.' twice'];
            case 2:
                $at[$last] = str_repeat('long ', 500);

                return [$record, $where.' much too long'];
            default:
                $value = self::VALUES[mt_rand(0, \count(self::VALUES) - 1)];
                $at[$last] = $value;

                return [$record, $where.' = '.json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)];
        }
    }
}
