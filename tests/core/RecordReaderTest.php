<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A record that does not hold together is refused by the path of its fault; the schema refuses what it can see. */
final class RecordReaderTest extends TestCase
{
    /** @return iterable<string, array{string, mixed, string, bool}> path to change, its value, path named, seen by the schema */
    public static function faults(): iterable
    {
        yield 'another format' => ['/format', 'other/1', '/format', true];
        yield 'no time zone' => ['/site/timeZone', 'Mars/Base', '/site/timeZone', false];
        yield 'unknown family' => ['/instruments/0/family', 'thermometer', '/instruments/0/family', true];
        yield 'identifier with a blank' => ['/instruments/0/id', 'D 1', '/instruments/0/id', true];
        yield 'identifier of 41 letters' => ['/instruments/0/id', str_repeat('x', 41), '/instruments/0/id', true];
        yield 'no model' => ['/instruments/0/model', '', '/instruments/0/model', true];
        yield 'flag as a word' => ['/instruments/0/selfAdjusting', 'yes', '/instruments/0/selfAdjusting', true];
        yield 'range beyond sense' => ['/instruments/0/rangeHigh', '900', '/instruments/0/rangeHigh', false];
        yield 'certificate due before its issue' => [
            '/references/0/certificates/0/due',
            '2024-01-01',
            '/references/0/certificates/0/due',
            false,
        ];
        yield 'no such day' => ['/references/0/certificates/0/issued', '2025-02-30', '/references/0/certificates/0/issued', false];
        yield 'certified in words' => [
            '/references/0/certificates/0/values/0/certified',
            'about 114',
            '/references/0/certificates/0/values/0/certified',
            true,
        ];
        yield 'uncertainty below zero' => [
            '/references/0/certificates/0/values/0/uncertainty',
            '-0.1',
            '/references/0/certificates/0/values/0/uncertainty',
            false,
        ];
        yield 'adapters as text' => ['/references/0/adapters', '1/2 in', '/references/0/adapters', true];
        yield 'check of an unknown unit' => ['/checks/0/instrument', 'E', '/checks/0/instrument', false];
        yield 'check on an unknown reference' => ['/checks/0/reference', 'Z', '/checks/0/reference', false];
        yield 'check without a time zone' => ['/checks/0/at', '2026-03-02T07:30:00', '/checks/0/at', true];
        yield 'check at 25 o\'clock' => ['/checks/0/at', '2026-03-02T25:30:00+00:00', '/checks/0/at', false];
        yield 'two checks of one name' => ['/checks/1/id', 'k1', '/checks/1/id', false];
        yield 'a step in an unknown state' => ['/checks/0/steps', ['stopped' => 'maybe'], '/checks/0/steps/stopped', true];
        yield 'reading as a number' => ['/checks/0/acoustic/asFound/0/value', 114.0, '/checks/0/acoustic/asFound/0/value', true];
        yield 'reading with an exponent' => ['/checks/0/acoustic/asFound/0/value', '1e999', '/checks/0/acoustic/asFound/0/value', true];
        yield 'reading beyond 200 dB' => ['/checks/0/acoustic/asFound/0/value', '200.1', '/checks/0/acoustic/asFound/0/value', false];
        yield 'unknown provenance' => [
            '/checks/0/acoustic/asFound/0/provenance',
            'hearsay',
            '/checks/0/acoustic/asFound/0/provenance',
            true,
        ];
        yield 'as left without an adjustment' => [
            '/checks/0/acoustic/asLeft',
            [['value' => '114.0', 'provenance' => 'typed']],
            '/checks/0/acoustic/asLeft',
            false,
        ];
        yield 'one factor only' => ['/checks/0/acoustic/factorBefore', '0.1', '/checks/0/acoustic/factorAfter', false];
        yield 'stop before start' => ['/runs/0/stop', '2026-03-02T07:00:00+00:00', '/runs/0/stop', false];
        yield 'planned for a month' => ['/runs/0/plannedMinutes', 50000, '/runs/0/plannedMinutes', true];
        yield 'a pause that ends before it begins' => [
            '/runs/0/pauses',
            [['from' => '2026-03-02T12:00:00+00:00', 'to' => '2026-03-02T11:00:00+00:00']],
            '/runs/0/pauses/0/to',
            false,
        ];
        yield 'left out without a reason' => [
            '/runs/0/exclusions',
            [['from' => '2026-03-02T12:00:00+00:00', 'to' => '2026-03-02T13:00:00+00:00', 'by' => 'H']],
            '/runs/0/exclusions/0/reason',
            true,
        ];
        yield 'an unknown remark' => ['/runs/0/remarks', [['kind' => 'eaten']], '/runs/0/remarks/0/kind', true];
        yield 'overlapping runs' => ['/runs/1/start', '2026-03-02T15:00:00+00:00', '/runs/1/start', false];
        yield 'dose below zero' => [
            '/runs/0/totals',
            ['doses' => ['hc' => ['value' => '-1', 'provenance' => 'typed']]],
            '/runs/0/totals/doses/hc/value',
            false,
        ];
        yield 'criterion without a source' => ['/campaign/criteria/0/source', '', '/campaign/criteria/0/source', true];
        yield 'exchange rate of zero' => ['/campaign/criteria/0/exchangeRate', '0', '/campaign/criteria/0/exchangeRate', false];
        yield 'limit with another comparator' => ['/campaign/limits/0/comparator', '=<', '/campaign/limits/0/comparator', true];
        yield 'log without columns' => [
            '/runs/0/log',
            ['file' => 'a.csv', 'format' => ['delimiter' => ',', 'decimal' => '.', 'columns' => []]],
            '/runs/0/log/format/columns',
            true,
        ];
        yield 'log parted by blanks' => [
            '/runs/0/log',
            ['file' => 'a.csv', 'format' => ['delimiter' => ' ', 'decimal' => '.', 'columns' => [['place' => 0, 'kind' => 'LAeq']]]],
            '/runs/0/log/format/delimiter',
            true,
        ];
        yield 'average without its exchange rate' => [
            '/runs/0/log',
            ['file' => 'a.csv', 'format' => ['delimiter' => ',', 'decimal' => '.', 'columns' => [['place' => 0, 'kind' => 'Lavg']]]],
            '/runs/0/log/format/columns/0/exchangeRate',
            false,
        ];
        yield 'a column named twice' => [
            '/runs/0/log',
            [
                'file' => 'a.csv',
                'format' => [
                    'delimiter' => ',',
                    'decimal' => '.',
                    'columns' => [['place' => 0, 'kind' => 'LAeq'], ['place' => 0, 'kind' => 'LCpeak']],
                ],
            ],
            '/runs/0/log/format/columns/1/place',
            false,
        ];
        yield 'log that cannot be read' => [
            '/runs/0/log',
            [
                'file' => 'a.csv',
                'format' => ['delimiter' => ',', 'decimal' => '.', 'columns' => [['place' => 0, 'kind' => 'LAeq']], 'stepSeconds' => 1],
            ],
            '/runs/0/log/file',
            false,
        ];
    }

    private static function good(): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '18:30', ['114.0'])
            ->run('r1', '08:00', '16:00')
            ->run('r2', '16:30', '18:00');
    }

    #[DataProvider('faults')]
    public function testNamesThePath(string $path, mixed $value, string $named, bool $schema): void
    {
        $record = self::good()->record;
        $at = &$record;
        foreach (explode('/', substr($path, 1)) as $part) {
            self::assertIsArray($at);
            $at = &$at[$part];
        }
        $at = $value;
        unset($at);
        try {
            (new RecordReader(\Footnote\Core\Families::formats()))->read(
                $record,
                static fn (string $name): LogFile => LogFile::ofText($name, 'not a level'),
            );
            self::fail('read without a word');
        } catch (InvalidRecord $problem) {
            self::assertSame($named, $problem->path, $problem->getMessage());
            self::assertStringStartsWith($named.': ', $problem->getMessage());
        }
        self::assertSame(!$schema, self::fits($record), $schema ? 'the schema sees it too' : 'the schema cannot see it');
    }

    /** The schema takes what the reader takes, and nothing that the format does not know. */
    public function testTheSchemaTakesAGoodRecordAndNoUnknownField(): void
    {
        $record = self::good()->record;
        self::assertTrue(self::fits($record));
        self::assertFalse(self::fits([...$record, 'weather' => 'fine']));
        foreach (['record', 'air'] as $demo) {
            self::assertTrue(
                self::fits(
                    json_decode((string) file_get_contents(\dirname(__DIR__, 2)."/demo/$demo.json"), true, 64, \JSON_THROW_ON_ERROR),
                ),
                $demo,
            );
        }
    }

    private static function fits(mixed $record): bool
    {
        // Maps that happen to be empty are objects in a record.
        $text = str_replace('"steps":[]', '"steps":{}', json_encode($record, \JSON_THROW_ON_ERROR));

        return (new Validator())->validate(
            json_decode($text, false, 64, \JSON_THROW_ON_ERROR),
            (string) file_get_contents(\dirname(__DIR__, 2).'/contract/record.schema.json'),
        )->isValid();
    }
}
