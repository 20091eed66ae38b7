<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Office\KitTable;
use Footnote\Tests\Core\Scene;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** The kit as a table: nothing of it is left out, and nothing that is recalled or out of use is told as if it were in use. */
final class KitTableTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    /** @return array<string, array<string, string>> cells by column, by the asset number */
    private function table(): array
    {
        $rows = array_map(
            static fn (string $line): array => str_getcsv($line, escape: ''),
            explode("\n", trim($this->call('GET', '/api/kit.csv')->text)),
        );
        $names = array_map(strval(...), array_shift($rows));
        $table = [];
        foreach ($rows as $row) {
            $cells = array_combine($names, array_map(strval(...), $row));
            $table[$cells['id']] = $cells;
        }

        return $table;
    }

    public function testTheKitIsToldAsItStands(): void
    {
        self::mockTime('2026-03-03T08:00:00+00:00');
        $scene = (new Scene())->check('k1', '07:30', ['114.0']);
        $unit = ['family' => 'noise-dosimeter', 'model' => 'Wren, 2', 'microphone' => '1/2 in'];
        $scene->record['instruments'] = [
            ['id' => 'D', ...$unit, 'serial' => 'SN-7781', 'certificates' => [
                ['number' => 'L-1', 'laboratory' => 'North', 'issued' => '2025-01-01', 'due' => '2026-01-01'],
                ['number' => 'L-2', 'laboratory' => 'North', 'issued' => '2026-01-05', 'due' => '2027-01-05'],
            ]],
            ['id' => 'D-2', ...$unit],
        ];
        $this->import($scene);
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/kit/instruments/D-2/retirement', ['reason' => 'dropped', 'back' => false], 204);
        $table = $this->table();
        self::assertSame(['D', 'D-2', 'A', 'B'], array_keys($table));
        self::assertSame(
            ['instrument', 'Wren, 2', 'SN-7781', 'L-2', '2027-01-05'],
            [$table['D']['list'], $table['D']['model'], $table['D']['serial'], $table['D']['certificate'], $table['D']['certificate_due']],
        );
        self::assertContains($table['D']['state'], ['fit', 'check first']);
        self::assertStringStartsWith('2026-03-02T07:30', $table['D']['last']);
        self::assertSame(['out of use', 'dropped'], [$table['D-2']['state'], $table['D-2']['against']]);
        self::assertSame(['in use', 'reference'], [$table['A']['state'], $table['A']['list']]);

        // Told again, from what was kept.
        self::assertSame($table, $this->table());
    }

    public function testARecalledReferenceIsNotToldAsInUse(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0']);
        $reference = Scene::calibrator('A', '114.0', '0.2');
        $reference['recalls'] = [['since' => Scene::moment('06:00'), 'reason' => 'came back loud']];
        $scene->record['references'] = [$reference];
        $this->import($scene);
        $this->signIn(Role::Reader);
        self::assertSame(['recalled', 'came back loud'], [$this->table()['A']['state'], $this->table()['A']['against']]);
    }

    public function testEveryColumnIsDescribed(): void
    {
        self::assertDescribed(KitTable::columns());
    }
}
