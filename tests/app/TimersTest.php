<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\Tests\Core\GasScene;

/** Timers of units: several at once; a check that begins waits no longer for what its unit has been doing for a while. */
final class TimersTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $scene = new GasScene();
        $scene->add('instruments', ['id' => 'H', 'family' => 'gas-monitor', 'model' => 'M', 'channels' => [
            ['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500'],
        ]]);
        $this->importRecord(self::certifiedLately($scene->record));
        $this->signIn(Role::Technician);
    }

    public function testACheckTakesOverTheWarmUpThatRuns(): void
    {
        $this->start(['G', 'H'], 'warm-up', '5');
        $this->start(['H'], 'charging', '240');
        self::assertSame([['G', 300], ['H', 300], ['H', 14400]], $this->running());
        $answers = $this->call('POST', '/api/bench/G/check')->list('answers');
        self::assertIsArray($answers['waits']);
        self::assertArrayHasKey('warm-up', $answers['waits']);
        self::assertSame($answers['waits'], $answers['stepWaits']);
        // It is one wait, not two: the half-done check tells of it now.
        self::assertSame([['G', 300], ['H', 300], ['H', 14400]], $this->running());
        self::assertIsString($this->call('GET', '/api/bench/timers')->at('timers.0.draft'));
        self::assertNull($this->call('GET', '/api/bench/timers')->at('timers.1.draft'));

        // One that waits for the same begins anew; one that is put away is gone.
        $this->start(['H'], 'warm-up', '10');
        self::assertSame([['G', 300], ['H', 14400], ['H', 600]], $this->running());
        $this->call('POST', '/api/bench/timers/'.$this->call('GET', '/api/bench/timers')->string('timers.1.id').'/end');
        self::assertSame([['G', 300], ['H', 600]], $this->running());
    }

    /** What was switched on this morning may have been off since. */
    public function testAWarmUpOfLongAgoIsNotTakenOver(): void
    {
        $this->start(['G', 'H'], 'warm-up', '5');
        $connection = $this->service(Connection::class);
        foreach (['G' => '-3 hours -59 minutes', 'H' => '-4 hours -1 minute'] as $unit => $ago) {
            $at = (new \DateTimeImmutable($ago, new \DateTimeZone('UTC')))->format('Y-m-d H:i:s');
            $connection->executeStatement('UPDATE unit_timer SET started_at = ? WHERE instrument_id = ?', [$at, $unit]);
        }
        self::assertArrayHasKey('waits', $this->call('POST', '/api/bench/G/check')->list('answers'));
        self::assertArrayNotHasKey('waits', $this->call('POST', '/api/bench/H/check')->list('answers'));
    }

    /** A check that is half done already waits by the unit's timer, unless the step is done. */
    public function testAHalfDoneCheckWaitsByTheTimerOfItsUnit(): void
    {
        $draft = $this->call('POST', '/api/bench/G/check')->string('id');
        $this->start(['G'], 'warm-up', '5');
        $seen = $this->call('GET', '/api/bench/drafts/'.$draft);
        $waits = $seen->list('answers.waits');
        $this->call('PUT', '/api/bench/drafts/'.$draft, [
            'version' => $seen->int('version'), 'answers' => [...$seen->list('answers'), 'steps' => ['warm-up' => 'done']],
        ]);
        $this->start(['G'], 'warm-up', '5');
        self::assertSame($waits, $this->call('GET', '/api/bench/drafts/'.$draft)->list('answers.waits'));
    }

    public function testWhatIsNoTimerIsRefused(): void
    {
        $refused = fn (mixed ...$body): string => $this->call('POST', '/api/bench/timers', [
            'units' => $body['units'] ?? ['G'], 'what' => $body['what'] ?? 'soak', 'minutes' => $body['minutes'] ?? '5',
        ], 422)->string('fields.0.field');
        self::assertSame('/units', $refused(units: []));
        self::assertSame('/units/0', $refused(units: ['nobody']));
        self::assertSame('/minutes', $refused(minutes: '0'));
        self::assertSame('/minutes', $refused(minutes: '1e999'));
        self::assertSame('/what', $refused(what: 'lunch'));
        $this->call('POST', '/api/bench/timers/nothing/end', status: 404);
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/bench/timers', ['units' => ['G'], 'what' => 'soak', 'minutes' => '5'], 403);
    }

    /** @param list<string> $units */
    private function start(array $units, string $what, string $minutes): void
    {
        $this->call('POST', '/api/bench/timers', ['units' => $units, 'what' => $what, 'minutes' => $minutes], 201);
    }

    /** @return list<array{mixed, mixed}> the unit and its seconds */
    private function running(): array
    {
        $timers = $this->call('GET', '/api/bench/timers')->list('timers');

        return array_map(null, array_column($timers, 'unit'), array_column($timers, 'seconds'));
    }
}
