<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;

/** Things are found by what people call them, and runs are chosen by what is asked of them. */
final class SearchTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $scene = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '12:00')
            ->run('r2', '12:30', '16:00')
            ->check('k2', '16:30', ['114.0']);
        \assert(\is_array($scene->record['runs']));
        [$first, $second] = $scene->record['runs'];
        \assert(\is_array($first) && \is_array($second));
        $scene->record['runs'] = [
            [...$first, 'person' => 'W-01', 'task' => 'Sawing, 100 % oak', 'place' => 'Große Halle'],
            [...$second, 'person' => 'W-02', 'task' => 'Planing', 'place' => 'Mill_1'],
        ];
        $unit = ['family' => 'noise-dosimeter', 'model' => 'Wren 2', 'microphone' => '1/2 in'];
        $scene->record['instruments'] = [
            ['id' => 'D', ...$unit, 'serial' => 'SN-7781', 'certificates' => [
                ['number' => 'CAL/26-17', 'laboratory' => 'North Laboratory', 'issued' => '2026-01-01', 'due' => '2028-01-01'],
            ]],
            ['id' => 'D-10', ...$unit],
            ['id' => 'D-1', ...$unit],
        ];
        $this->import($scene);
        $this->signIn(Role::Reader);
    }

    /** @return iterable<string, array{string, list<string>}> what is typed, and what is found, the nearest first */
    public static function searches(): iterable
    {
        yield 'a name is nearer than what begins so' => ['d-1', ['instrument D-1', 'instrument D-10']];
        yield 'a serial number' => ['sn-7781', ['instrument D']];
        yield 'a certificate' => ['cal/26', ['instrument D']];
        yield 'a run' => ['R2', ['run r2']];
        yield 'a check by its number' => ['k1', ['check k1']];
        yield 'a person' => ['w-02', ['person W-02', 'run r2']];
        yield 'words that stand in different places' => ['planing mill', ['run r2']];
        yield 'a task' => ['planing', ['task Planing', 'run r2']];
        yield 'a letter of its own' => ['große', ['run r1']];
        yield 'a sign that stands for itself' => ['100 %', ['run r1', 'task Sawing, 100 % oak']];
        yield 'no sign stands for any other' => ['mill_', ['run r2']];
        yield 'nor does one stand for itself twice' => ['saw!ing', []];
        yield 'nothing of the kind' => ['mill%1', []];
        yield 'nothing typed' => ['  ', []];
    }

    /** @param list<string> $expected */
    #[DataProvider('searches')]
    public function testThingsAreFoundByWhatTheyAreCalled(string $text, array $expected): void
    {
        $found = $this->call('GET', '/api/search?text='.rawurlencode($text))->list('found');
        self::assertSame($expected, array_map(
            static fn (mixed $one): string => \is_array($one) && \is_string($one['kind']) && \is_string($one['id'])
                ? $one['kind'].' '.$one['id']
                : '',
            $found,
        ));
    }

    public function testWhatIsFoundByACertificateSaysSo(): void
    {
        self::assertSame(
            'Wren 2, serial number SN-7781, certificate CAL/26-17 of North Laboratory',
            $this->call('GET', '/api/search?text=north')->string('found.0.words'),
        );
        self::assertSame('Wren 2, serial number SN-7781', $this->call('GET', '/api/search?text=sn-77')->string('found.0.words'));
        $this->call('GET', '/api/search?text='.str_repeat('x', 121), status: 422);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function choices(): iterable
    {
        yield 'all' => ['', ['r1', 'r2']];
        yield 'a person' => ['person=W-02', ['r2']];
        yield 'a task' => ['task=Planing', ['r2']];
        yield 'a family' => ['family=noise-dosimeter', ['r1', 'r2']];
        yield 'another family' => ['family=air-sampling-pump', []];
        yield 'a text' => ['text=halle+oak', ['r1']];
        yield 'both at once' => ['text=halle&person=W-02', []];
        yield 'from its own day on' => ['from='.substr(Scene::moment('08:00'), 0, 10), ['r1', 'r2']];
        yield 'through its own day' => ['to='.substr(Scene::moment('08:00'), 0, 10), ['r1', 'r2']];
        yield 'from the next day on' => ['from=2099-01-01', []];
        yield 'through the day before' => ['to=2000-01-01', []];
    }

    /** @param list<string> $expected */
    #[DataProvider('choices')]
    public function testRunsAreChosen(string $query, array $expected): void
    {
        $ledger = $this->call('GET', '/api/results?'.$query);
        self::assertSame($expected, array_column($ledger->list('rows'), 'run'));
        self::assertSame(\count($expected), $ledger->int('total'));
        // The table holds the same.
        $table = $this->call('GET', '/api/results.csv?'.$query)->text;
        foreach (['r1', 'r2'] as $run) {
            self::assertSame(\in_array($run, $expected, true), str_contains($table, "\n".$run.','), $table);
        }
    }

    public function testADayThatIsNoneIsRefused(): void
    {
        foreach (['from=2026-02-30', 'to=yesterday', 'from=2026-03-02&to=2026-03-01', 'from=2026-13-01'] as $query) {
            $this->call('GET', '/api/results?'.$query, status: 422);
        }
        foreach (['2026-02-30', '2026-13-01', 'today'] as $date) {
            $this->call('GET', '/api/day?date='.$date, status: 422);
        }
    }

    public function testWhatRunsCanBeChosenByIsTold(): void
    {
        $names = $this->call('GET', '/api/search/names');
        self::assertSame(['W-01', 'W-02'], $names->list('persons'));
        self::assertSame(['Planing', 'Sawing, 100 % oak'], $names->list('tasks'));
        self::assertSame([], $this->call('GET', '/api/search/names?campaign=none')->list('persons'));
    }
}
