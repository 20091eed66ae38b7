<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** What of the last days does not stand, why, and where it is mended; and that it is gone once somebody did. */
final class UnsettledTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    /** @return list<array{mixed, mixed}> run and why */
    private function listed(string $query = ''): array
    {
        $runs = $this->call('GET', '/api/unsettled'.$query)->list('runs');

        return array_map(null, array_column($runs, 'run'), array_column($runs, 'why'));
    }

    public function testAnOpenRunIsGoneOnceItsCheckCame(): void
    {
        self::mockTime('2026-03-03T08:00:00+00:00');
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Technician);
        // From the last day with a run on, where nobody asks for another.
        $found = $this->call('GET', '/api/unsettled');
        self::assertSame(['2026-03-02', '', 1, 0], [$found->at('from'), $found->at('to'), $found->at('of'), $found->at('beyond')]);
        self::assertSame([['r1', 'pressing']], $this->listed());
        self::assertSame('bench', $found->string('runs.0.against.0.cure.at'));
        self::assertStringContainsString('before the instrument is adjusted', $found->string('runs.0.against.0.cure.until'));
        // A check could still close it, whatever days are asked for.
        self::assertSame([['r1', 'pressing']], $this->listed('?from=2026-03-03'));
        self::assertSame([['r1', 'pressing']], $this->listed('?to=2026-03-02'));
        $this->call('GET', '/api/unsettled?from=yesterday', status: 422);

        $draft = $this->call('POST', '/api/bench/D/check')->string('id');
        $this->call('PUT', '/api/bench/drafts/'.$draft, ['version' => 1, 'answers' => [
            'steps' => Scene::STEPS,
            'reference' => 'A',
            'nominal' => '114',
            'at' => '2026-03-03T07:30:00+00:00',
            'asFound' => [['value' => '114.1', 'provenance' => 'typed']],
            'adjusted' => false,
        ]]);
        $this->acceptDraft($draft);
        self::assertSame([], $this->listed());
    }

    /** A monitor of which one cell is void stands by its others, and that cell is told of until somebody has decided. */
    public function testAVoidChannelOfARunThatStandsIsToldOf(): void
    {
        $this->importRecord((new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '10:00', [], [
                ['channel' => 'H2S', 'mean' => '3', 'peak' => '5'],
                ['channel' => 'PID', 'mean' => '20', 'peak' => '30'],
            ])
            ->check('k2', '12:10', ['H2S' => '18'])->record);
        $this->signIn(Role::Hygienist);
        $found = $this->call('GET', '/api/unsettled?from=2026-01-01');
        self::assertSame([['r', 'lost']], $this->listed('?from=2026-01-01'));
        self::assertSame(['valid', null], [$found->string('runs.0.verdict'), $found->at('runs.0.by')]);
        self::assertContains('H2S', array_column($found->list('runs.0.against'), 'channel'));
        $this->call('POST', '/api/results/r/decision', [
            'kind' => 'sign',
            'digest' => $this->call('GET', '/api/results/r')->string('digest'),
        ], 201);
        self::assertSame([], $this->listed('?from=2026-01-01'));

        // Something comes that makes the evidence say otherwise: it is back.
        $later = new GasScene();
        $later->record = [...$later->record, 'checks' => [], 'runs' => []];
        $later->check('k3', '12:00', ['PID' => '60']);
        $this->importRecord($later->record);
        self::assertSame([['r', 'says otherwise']], $this->listed('?from=2026-01-01'));
    }

    public function testPracticeWaitsForNobody(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00');
        \assert(\is_array($scene->record['instruments']) && \is_array($scene->record['instruments'][0]));
        $scene->record['instruments'][0]['practice'] = true;
        $this->import($scene);
        $this->signIn(Role::Reader);
        self::assertSame([], $this->listed('?from=2026-01-01'));
        self::assertSame(0, $this->call('GET', '/api/unsettled')->int('of'));
    }
}
