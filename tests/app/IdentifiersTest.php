<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;

/**
 * Identifiers are what a user writes: digits alone, spaces and slashes are fine everywhere. The logbook's own numbers never
 * collide with them.
 */
final class IdentifiersTest extends ApiTestCase
{
    /** A scene whose identifiers are all of digits. */
    private static function digits(): Scene
    {
        $scene = (new Scene())->check('7', '07:30', ['114.0'])->run('12', '08:00', '16:00')->check('8', '16:30', ['114.0']);
        $text = json_encode($scene->record, \JSON_THROW_ON_ERROR);
        $text = str_replace(
            ['"instrument":"D"', '"id":"D"', '"reference":"A"', '"id":"A"', '"id":"B"', '"code":"c"', '"person":"W-01"'],
            ['"instrument":"1042"', '"id":"1042"', '"reference":"33"', '"id":"33"', '"id":"34"', '"code":"2026"', '"person":"9"'],
            $text,
        );
        /** @var array<string, mixed> $record */
        $record = json_decode($text, true, 64, \JSON_THROW_ON_ERROR);
        $scene->record = $record;

        return $scene;
    }

    public function testDigitsAreIdentifiers(): void
    {
        $this->import(self::digits());
        $this->signIn(Role::Hygienist);
        foreach ([
            '/api/bench', '/api/day?date=2026-03-02', '/api/results', '/api/results/12', '/api/kit',
            '/api/kit/instruments/1042', '/api/campaigns', '/api/campaigns/2026/custody', '/api/runs/12',
        ] as $path) {
            self::assertNotSame('', $this->call('GET', $path)->text, $path);
        }
        self::assertSame('1042', $this->call('GET', '/api/results')->string('rows.0.instrument'));
        $draft = $this->call('POST', '/api/bench/1042/check');
        self::assertSame('1042', $draft->string('unit.id'));
    }

    /** After an import of records that were numbered elsewhere the next number is one that nothing has. */
    public function testNumbersDoNotCollide(): void
    {
        $scene = (new Scene())
            ->check('C-00001', '07:30', ['114.0'])
            ->run('R-00002', '08:00', '16:00')
            ->check('C-00003', '16:30', ['114.0']);
        $this->import($scene);
        $this->signIn(Role::Technician);
        $run = $this->call(
            'POST',
            '/api/runs',
            ['campaign' => 'c', 'instrument' => 'D', 'start' => '2026-03-03T08:00:00+00:00', 'person' => 'W-01', 'task' => 'sawing'],
            201,
        );
        self::assertSame('R-00003', $run->string('id'));
        self::assertSame(
            'I-00001',
            $this->call(
                'POST',
                '/api/bench/D/interventions',
                ['at' => '2026-03-04T08:00:00+00:00', 'kind' => 'repaired', 'note' => ''],
                201,
            )->string('id'),
        );
    }
}
