<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\App\Logbook\UnitLines;
use Footnote\Tests\Core\Scene;

/** Two people, two tabs, a lost answer: what one did is never silently overwritten, and nothing is made twice. */
final class VersionsTest extends ApiTestCase
{
    private const CHECK = [
        'steps' => Scene::STEPS,
        'reference' => 'A',
        'setting' => '114',
        'asFound' => [['value' => '114.0', 'provenance' => 'typed']],
        'adjusted' => false,
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->import(
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0'])
                ->run('s', '17:00', '18:00', more: ['person' => 'W-02']),
        );
    }

    /** The check that is accepted is the one that was seen. */
    public function testNobodyAcceptsWhatTheyHaveNotSeen(): void
    {
        $this->signIn(Role::Technician);
        $seen = $this->call('POST', '/api/bench/D/check');
        $path = '/api/bench/drafts/'.$seen->string('id');
        $kept = $this->call('PUT', $path, ['version' => $seen->int('version'), 'answers' => self::CHECK]);
        $this->call('POST', $path.'/accept', [], 422);
        $refused = $this->call('POST', $path.'/accept', ['version' => $seen->int('version')], 409);
        self::assertStringContainsString('nothing was accepted', $refused->string('detail'));
        $this->call('POST', $path.'/break-off', ['version' => $seen->int('version'), 'reason' => 'r'], 409);
        $this->call('POST', $path.'/accept', ['version' => $kept->int('version')], 201);
        $this->call('POST', $path.'/accept', ['version' => $kept->int('version')], 409);
    }

    /** Who typed each answer is kept beside who accepted: what stays as it was is still of whoever typed it first. */
    public function testWhoTypedIsKeptBesideWhoAccepted(): void
    {
        $this->signIn(Role::Technician);
        $begun = $this->call('POST', '/api/bench/D/check');
        $path = '/api/bench/drafts/'.$begun->string('id');
        $rows = [['value' => '114.0', 'provenance' => 'typed'], ['value' => '114.1', 'provenance' => 'typed']];
        $kept = $this->call(
            'PUT',
            $path,
            ['version' => $begun->int('version'), 'answers' => [...self::CHECK, 'steps' => ['stopped' => 'done'], 'asFound' => $rows]],
        );
        $this->signIn(Role::Hygienist);
        $rows[1]['value'] = '114.2';
        $kept = $this->call('PUT', $path, ['version' => $kept->int('version'), 'answers' => [...self::CHECK, 'asFound' => $rows]]);
        $typed = $kept->list('typedBy');
        self::assertSame(['T-1', 'H-1'], array_column($typed, 'by'));
        $fields = array_column($typed, 'fields');
        self::assertSame(['steps/stopped', 'reference', 'setting', 'asFound/0', 'adjusted'], $fields[0]);
        self::assertIsArray($fields[1]);
        self::assertContains('asFound/1', $fields[1]);
        self::assertNotContains('asFound/0', $fields[1]);

        $check = $this->call('POST', $path.'/accept', ['version' => $kept->int('version')], 201)->string('check');
        $written = $this->service(Connection::class)->fetchOne('SELECT record FROM check_record WHERE id = ?', [$check]);
        $record = json_decode(\is_string($written) ? $written : '', true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($record);
        self::assertSame([$typed, 'H-1'], [$record['typedBy'], $record['by']]);
        $unit = $this->call('GET', '/api/kit/instruments/D');
        self::assertSame('typed by T-1 and H-1, accepted by H-1', $unit->string('checks.0.by'));
        self::assertSame('by T-1', $unit->string('checks.1.by'));
    }

    /** What an earlier release worked out does not count: its rules were others. The journal says since when this one is followed. */
    public function testANewReleaseJudgesAnew(): void
    {
        $this->signIn(Role::Hygienist);
        $verdict = fn (): string => $this->call('GET', '/api/results')->string('rows.0.verdict');
        $now = $verdict();
        self::assertNotSame('void', $now);
        $connection = $this->service(Connection::class);
        $connection->executeStatement("UPDATE worked_run SET verdict = 'void'");
        self::assertSame('void', $verdict());
        $connection->executeStatement("UPDATE release_followed SET digest = 'earlier'");
        self::assertSame($now, $verdict());
        self::assertSame('release followed', $this->call('GET', '/api/journal')->string('entries.0.kind'));
        self::assertSame($now, $verdict());
    }

    /** Where units were never judged a list shows what there is, keeps what it worked out, and is complete when it is asked again. */
    public function testAListOfUnitsIsWorkedOutAsFarAsThereIsTime(): void
    {
        $lines = $this->service(UnitLines::class);
        $line = static fn (string $unit): array => ['of' => $unit];
        self::assertSame([], $lines->of('a list', $line, seconds: 0.0));
        self::assertSame(['=D' => ['of' => 'D']], $lines->of('a list', $line));
        self::assertSame(['=D' => ['of' => 'D']], $lines->of('a list', $line, seconds: 0.0));
    }

    /** Limits that somebody else set meanwhile are not overwritten; who did is told. */
    public function testLimitsAreNotOverwritten(): void
    {
        $this->signIn(Role::Hygienist);
        $seen = $this->call('GET', '/api/campaigns')->int('campaigns.0.version');
        $none = ['criteria' => [], 'limits' => []];
        $set = $this->call('POST', '/api/campaigns/c/yardsticks', ['version' => $seen, ...$none])->int('campaigns.0.version');
        self::assertGreaterThan($seen, $set);
        $refused = $this->call('POST', '/api/campaigns/c/yardsticks', ['version' => $seen, ...$none], 409);
        self::assertStringContainsString('H-1 changed this', $refused->string('detail'));
        $this->call('POST', '/api/campaigns/c/policy', ['policy' => 'cautious-1', 'instead' => 'survey-1'], 409);
        $this->call('POST', '/api/campaigns/c/policy', ['policy' => 'cautious-1', 'instead' => 'standard-1']);
    }

    /** One value of a run is not overwritten unseen; what is added to lists may come from two at once. */
    public function testFactsAreNotOverwritten(): void
    {
        $this->signIn(Role::Technician);
        $noted = ['clockOffsetSeconds' => '30', 'reason' => 'read off', 'seen' => 0];
        $this->call('POST', '/api/runs/r/facts', $noted, 201);
        $refused = $this->call('POST', '/api/runs/r/facts', ['clockOffsetSeconds' => '-30', 'reason' => 'read off', 'seen' => 0], 409);
        self::assertStringContainsString('T-1 noted clockOffsetSeconds', $refused->string('detail'));
        $pause = ['from' => '2026-03-02T12:00:00+00:00', 'to' => '2026-03-02T12:30:00+00:00'];
        $both = $this->call('POST', '/api/runs/r/facts', ['pauses' => [$pause], 'seen' => 0], 201);
        self::assertSame('30', $both->string('clockOffsetSeconds'));
        $this->call('POST', '/api/runs/r/facts', ['clockOffsetSeconds' => '-30', 'reason' => 'read again', 'seen' => 2], 201);
    }

    /** A form that is sent again because its answer was lost makes nothing twice; another's identifier is refused. */
    public function testARepeatedRequestMakesNothingTwice(): void
    {
        $this->signIn(Role::Technician);
        $run = [
            'campaign' => 'c', 'instrument' => 'D', 'start' => '2026-03-03T08:00:00+00:00', 'stop' => '2026-03-03T09:00:00+00:00',
            'person' => 'P', 'task' => 't', 'place' => 'p',
        ];
        $id = ['X-Request-Id' => 'abcdef-0001'];
        $made = $this->call('POST', '/api/runs', $run, 201, headers: $id)->string('id');
        self::assertSame($made, $this->call('POST', '/api/runs', $run, 201, headers: $id)->string('id'));
        self::assertSame(3, $this->rows('run'));
        $this->call('POST', '/api/runs', [...$run, 'instrument' => 'D'], 422, headers: ['X-Request-Id' => 'abcdef-0002']);
        $this->call('POST', '/api/runs', $run, 400, headers: ['X-Request-Id' => 'no id!']);

        $begun = $this->call('POST', '/api/bench/D/check', headers: ['X-Request-Id' => 'abcdef-0004'])->string('id');
        $again = $this->call('POST', '/api/bench/D/check', headers: ['X-Request-Id' => 'abcdef-0004'])->string('id');
        self::assertSame($begun, $again);
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/runs', $run, 409, headers: $id);
        // Where the first way through refuses what is there already, it is told that it was this very request.
        $this->signIn(Role::Steward);
        $unit = ['id' => 'D-2', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in'];
        $this->call('POST', '/api/kit/instruments', $unit, 201, headers: ['X-Request-Id' => 'abcdef-0003']);
        $again = $this->call('POST', '/api/kit/instruments', $unit, 409, headers: ['X-Request-Id' => 'abcdef-0003']);
        self::assertStringContainsString('This was kept already', $again->string('detail'));
        self::assertSame(2, $this->rows('instrument'));
    }

    /** New evidence touches the runs that asked as late as that, and no other: the morning stays as it was worked out. */
    public function testACheckTouchesOnlyTheRunsThatItCanChange(): void
    {
        $this->signIn(Role::Technician);
        $digests = fn (): array => array_column($this->call('GET', '/api/results')->list('rows'), 'verdict', 'run');
        self::assertSame(['r' => 'valid', 's' => 'open'], $digests());
        $version = fn (string $run): mixed => $this->service(Connection::class)->fetchOne(
            'SELECT version FROM run_state WHERE run_id = ?',
            [$run],
        );
        $before = ['r' => $version('r'), 's' => $version('s')];
        $draft = $this->call('POST', '/api/bench/D/check');
        $answers = ['version' => $draft->int('version'), 'answers' => [...self::CHECK, 'at' => '2026-03-02T18:30:00+00:00']];
        $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), $answers);
        $this->acceptDraft($draft->string('id'));
        self::assertSame($before['r'], $version('r'));
        self::assertNotSame($before['s'], $version('s'));
        self::assertSame(['r' => 'valid', 's' => 'valid'], $digests());
    }

    /** A verdict is looked up in what is kept: no more is worked out than a page holds, and what waits is said. */
    public function testAVerdictIsLookedUpInWhatIsKept(): void
    {
        $scene = new Scene();
        $scene->record['instruments'] = [['id' => 'E', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in']];
        for ($i = 0; $i < 70; ++$i) {
            $scene->run(
                "e$i",
                \sprintf('%02d:%02d', 8 + intdiv($i, 12), 5 * ($i % 12)),
                \sprintf('%02d:%02d', 8 + intdiv($i, 12), 5 * ($i % 12) + 4),
            );
        }
        $scene->record['runs'] = array_map(
            static fn (mixed $run): array => [...(\is_array($run) ? $run : []), 'instrument' => 'E'],
            \is_array($scene->record['runs']) ? $scene->record['runs'] : [],
        );
        $this->importRecord($scene->record);
        $this->signIn(Role::Reader);
        self::assertSame(22, $this->call('GET', '/api/results?verdict=valid')->int('waiting'));
        self::assertSame(0, $this->call('GET', '/api/results?verdict=valid')->int('waiting'));
        self::assertSame(1, $this->call('GET', '/api/results?verdict=valid')->int('total'));
        self::assertSame(0, $this->call('GET', '/api/results')->int('waiting'), 'nobody asks for a verdict');
    }

    private function rows(string $table): int
    {
        $count = $this->service(Connection::class)->fetchOne("SELECT COUNT(*) FROM $table");

        return \is_numeric($count) ? (int) $count : -1;
    }
}
