<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\MeterScene;
use PHPUnit\Framework\Attributes\TestWith;

/** A room, a machine and a working day with a sound level meter, from the first tone to the signed number; everything through the API. */
final class MeterJobTest extends ApiTestCase
{
    private const STEPS = [
        'stopped', 'windscreen-off', 'reference', 'adapter', 'steady', 'as-found', 'further-found',
        'calibrator-off', 'windscreen-on',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->importRecord(self::certifiedLately((new MeterScene())->record));
        $this->signIn(Role::Technician);
    }

    /** @param array<string, mixed> $more */
    private function walk(\DateTimeImmutable $at, string $found, string $further, array $more = []): Answer
    {
        $draft = $this->call('POST', '/api/bench/S/check');
        $reading = static fn (string $value): array => ['value' => $value, 'provenance' => 'typed'];

        return $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => $draft->int('version'), 'answers' => [
            'reference' => 'A',
            'setting' => '94',
            'asFound' => [$reading($found)],
            'furtherFound' => [['tone' => '114 @ 250', ...$reading($further)], ['tone' => '114 @ 1000', 'provenance' => 'typed']],
            'adjusted' => false, 'steps' => array_fill_keys(self::STEPS, 'done'), 'at' => $at->format(\DATE_ATOM), ...$more,
        ]]);
    }

    private function accept(Answer $live): void
    {
        self::assertSame([], $live->list('problems'));
        $this->acceptDraft($live->string('id'));
    }

    private static function ago(int $minutes): \DateTimeImmutable
    {
        return (new \DateTimeImmutable())->setTime((int) date('G'), 0)->modify("-$minutes minutes");
    }

    /** @param array<string, mixed> $more */
    private function measured(int $ago, int $minutes, array $more, int $status = 201): Answer
    {
        return $this->call(
            'POST',
            '/api/runs',
            [
                'campaign' => 'c',
                'instrument' => 'S',
                'start' => self::ago($ago)->format(\DATE_ATOM),
                'stop' => self::ago($ago - $minutes)->format(\DATE_ATOM),
                'person' => 'W-01',
                'task' => 'voicing',
                ...$more,
            ],
            $status,
        );
    }

    public function testARoomFromTheFirstToneToTheSignedVerdict(): void
    {
        $live = $this->walk(self::ago(200), '94,0', '114.1');
        $steps = array_column($live->list('procedure.steps'), null, 'id');
        self::assertSame(
            [['tone' => '114 @ 1000'], ['tone' => '114 @ 250']],
            \is_array($steps['further-found']) ? $steps['further-found']['presets'] : [],
            'every tone but the one that was chosen',
        );
        self::assertContains('as found at 114 dB, 250 Hz, off by', array_column($live->list('live.lines'), 'label'));
        $this->accept($live);

        $room = [
            'measures' => 'room',
            'permissible' => 'audiometric-app-d',
            'setUp' => 'room-survey',
            'setDelay' => '30',
            'notedStart' => self::ago(180)->setTimezone(new \DateTimeZone('UTC'))->format('H:i'),
        ];
        $run = $this->measured(180, 3, $room)->string('id');
        self::assertSame(
            'no',
            $this->call('GET', "/api/results/$run")->at('assessment.headline') === null ? 'no' : 'yes',
            'nothing was measured yet',
        );
        $begin = self::ago(180)->modify('+31 seconds')->setTimezone(new \DateTimeZone('UTC'));
        $log = "Time;63 Hz;500 Hz;1 kHz;2k;4000;8 kHz;LAeq\n";
        for ($i = 0; $i < 149; ++$i) {
            $levels = $i === 70 ? ';50,0;41,6;34,0;26,0;20,0;16,0;39,5' : ';48,0;38,0;31,0;24,0;18,0;14,0;36,0';
            $log .= $begin->modify("+$i seconds")->format('Y-m-d H:i:s').$levels."\n";
        }
        $preview = $this->call('POST', "/api/runs/log-preview?run=$run", raw: $log);
        self::assertSame(
            [['band', '63'], ['band', '500'], ['band', '1000'], ['band', '2000'], ['band', '4000'], ['band', '8000'], ['LAeq', null]],
            array_map(
                static fn (mixed $column): array => \is_array($column) ? [$column['kind'], $column['channel'] ?? null] : [],
                $preview->list('format.columns'),
            ),
        );
        $headers = ['X-Log-Format' => rawurlencode(json_encode($preview->at('format'), \JSON_THROW_ON_ERROR)), 'X-Log-Name' => 'room.csv'];
        self::assertStringContainsString(
            'a level between',
            $this->call(
                'POST',
                "/api/runs/$run/log",
                status: 422,
                raw: str_replace('41,6', '416', $log),
                headers: $headers,
            )->string('fields.0.problem'),
        );
        $this->call('POST', "/api/runs/$run/log", status: 201, raw: $log, headers: $headers);
        self::assertSame(['63 Hz', '500 Hz'], \array_slice($this->call('GET', "/api/runs/$run")->list('log.columns'), 0, 2));
        self::assertSame('open', $this->call('GET', "/api/results/$run")->string('assessment.verdict'), 'until the meter is checked again');
        $this->accept($this->walk(self::ago(120), '94.2', '114.2'));

        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/'.$run);
        self::assertSame('room', $page->string('assessment.headline'));
        self::assertSame('valid', $page->string('assessment.verdict'));
        $results = array_column($page->list('assessment.results'), null, 'key');
        self::assertSame(
            ['laeq', 'room', 'room:63', 'room:500', 'room:1000', 'room:2000', 'room:4000', 'room:8000', 'la-bands', 'lc-bands'],
            array_keys($results),
        );
        self::assertSame('500 Hz', $page->string('assessment.results.1.breakdown.rows.0.0.shown'));
        self::assertSame('fails by 1.6 dB', $page->string('assessment.results.1.breakdown.rows.0.5.shown'));
        self::assertSame('+1.6', $page->string('assessment.family.spectrum.bands.4.over'));
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $page->string('digest')], 201);
        self::assertSame('valid', $this->call('GET', '/api/results/'.$run)->string('decisions.0.verdict'));
        self::assertNotSame('', $this->call('GET', "/api/runs/$run/series")->string('start'));
    }

    /** Three samples of one task and one of another: the day stands beside each, and a check too far off takes it from all. */
    public function testADayByTasks(): void
    {
        $this->accept($this->walk(self::ago(300), '94.0', '114.1'));
        $task = static fn (string $task, string $minutes, string $level): array => [
            'task' => $task,
            'measures' => 'task',
            'taskMinutes' => $minutes,
            'shiftMinutes' => '480',
            'shift' => 'a day',
        ];
        $run = '';
        foreach (['90,0', '91.0', '90.5'] as $i => $level) {
            $run = $this->measured(280 - 20 * $i, 10, $task('sawing', '240', $level))->string('id');
            $this->call(
                'POST',
                "/api/runs/$run/facts",
                ['clockOffsetSeconds' => '0', 'totals' => ['equivalentLevel' => ['value' => $level, 'provenance' => 'typed']]],
                201,
            );
        }
        $bench = $this->measured(200, 10, $task('at the bench', '240', ''))->string('id');
        $this->call(
            'POST',
            "/api/runs/$bench/facts",
            ['clockOffsetSeconds' => '0', 'totals' => ['equivalentLevel' => ['value' => '75', 'provenance' => 'read back']]],
            201,
        );
        $draft = $this->walk(self::ago(100), '94.1', '114.1');
        $this->accept($draft);
        foreach ([$run, $bench] as $one) {
            $page = $this->call('GET', '/api/results/'.$one);
            $results = array_column($page->list('assessment.results'), null, 'key');
            $daily = $results['lex8h'];
            self::assertIsArray($daily);
            self::assertIsArray($daily['value']);
            self::assertSame('87.6', $daily['value']['shown'], 'the same day beside each of its samples');
            self::assertSame('laeq', $page->string('assessment.headline'));
            self::assertSame('valid', $page->string('assessment.verdict'));
        }
        // A task with too few samples that matters, and the next check beyond the limit.
        $late = $this->measured(80, 10, $task('planing', '120', ''))->string('id');
        $this->call(
            'POST',
            "/api/runs/$late/facts",
            ['clockOffsetSeconds' => '0', 'totals' => ['equivalentLevel' => ['value' => '95.0', 'provenance' => 'typed']]],
            201,
        );
        $this->accept($this->walk(self::ago(60), '94.7', '114.1'));
        self::assertSame('void', $this->call('GET', '/api/results/'.$late)->string('assessment.verdict'));
        $results = array_column($this->call('GET', '/api/results/'.$run)->list('assessment.results'), null, 'key');
        self::assertStringContainsString($late.' is not in it: void', json_encode($results['lex8h'], \JSON_THROW_ON_ERROR));
        self::assertSame('technician', $this->call('GET', '/api/session')->string('user.roles.0.role'));
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => 'x'], 403);
    }

    /** @param array<string, mixed> $more */
    #[TestWith([['measures' => 'room', 'bands' => ['640' => '40']], '/bands/640', 'is not one of'])]
    #[TestWith([['measures' => 'room', 'bands' => ['500' => '1e999']], '/bands/500', '1e999'])]
    #[TestWith([['measures' => 'room', 'bands' => ['500' => '40.0 dB']], '/bands/500', '40.0 dB'])]
    #[TestWith([['measures' => 'room', 'bands' => ['500' => ['40']]], '/bands/500', 'must be'])]
    #[TestWith([['measures' => 'room', 'bands' => [40, 41]], '/bands', 'must be an object'])]
    #[TestWith([['measures' => 'loud'], '/measures', 'is not one of: task, spot, room'])]
    #[TestWith([['measures' => 'task'], '/taskMinutes', 'is missing'])]
    #[TestWith([['measures' => 'task', 'taskMinutes' => '0'], '/taskMinutes', '0.1'])]
    #[TestWith([['measures' => 'room', 'permissible' => 'nowhere'], '/permissible', 'not among the permissible levels'])]
    #[TestWith([['measures' => 'room', 'notedStart' => 'noon'], '/notedStart', 'is not a time of day'])]
    #[TestWith([['setUp' => 'x'], '/setUp', 'not among the set-ups'])]
    public function testWhatCannotBeNamesItsFieldAndKeepsNothing(array $more, string $field, string $problem): void
    {
        $before = \count($this->call('GET', '/api/results?campaign=c')->list('rows'));
        $refused = $this->measured(100, 3, $more, 422);
        self::assertSame($field, $refused->string('fields.0.field'));
        self::assertStringContainsString($problem, $refused->string('fields.0.problem'));
        self::assertCount($before, $this->call('GET', '/api/results?campaign=c')->list('rows'));
    }

    public function testTonesThatCannotBe(): void
    {
        $live = $this->walk(
            self::ago(60),
            '94.0',
            '114.1',
            ['furtherFound' => [['tone' => 'shrill', 'value' => '90', 'provenance' => 'typed']]],
        );
        self::assertStringEndsWith('/furtherFound/0/tone', $live->string('problems.0.field'));
        $live = $this->call(
            'PUT',
            '/api/bench/drafts/'.$live->string('id'),
            [
                'version' => $live->int('version'),
                'answers' => [
                    ...(array) $live->at('answers'),
                    'furtherFound' => [['tone' => '114 @ 250', 'value' => 'loud', 'provenance' => 'typed']],
                ],
            ],
        );
        self::assertStringEndsWith('/furtherFound/0/value', $live->string('problems.0.field'));
        self::assertSame('loud', $live->string('answers.furtherFound.0.value'), 'what was typed is kept');
        $this->acceptDraft($live->string('id'), 422);
    }

    public function testAMeterIsRegisteredAndItsFactorTold(): void
    {
        $unit = ['id' => 'S9', 'family' => 'sound-level-meter', 'model' => 'Heron 9'];
        self::assertSame('/class', $this->call('POST', '/api/kit/instruments', $unit, 422)->string('fields.0.field'));
        self::assertSame(
            '/rangeHigh',
            $this->call(
                'POST',
                '/api/kit/instruments',
                [...$unit, 'class' => '1', 'rangeLow' => '30', 'rangeHigh' => '30'],
                422,
            )->string('fields.0.field'),
        );
        $this->call(
            'POST',
            '/api/kit/instruments',
            [...$unit, 'class' => '2', 'microphone' => '1/2 in', 'windscreen' => 'Ball 60', 'compensation' => 'ball 60'],
            201,
        );
        foreach ([[100, '-25.00', '-25.10'], [50, '-25.10', '-25.30']] as [$ago, $before, $after]) {
            $reading = static fn (string $value): array => [['value' => $value, 'provenance' => 'typed']];
            $draft = $this->call('POST', '/api/bench/S9/check');
            $live = $this->call(
                'PUT',
                '/api/bench/drafts/'.$draft->string('id'),
                [
                    'version' => $draft->int('version'),
                    'answers' => [
                        'reference' => 'A',
                        'setting' => '94',
                        'asFound' => $reading('94.1'),
                        'adjusted' => true,
                        'asLeft' => $reading('94.0'),
                        'factorBefore' => $before,
                        'factorAfter' => $after,
                        'steps' => array_fill_keys(self::STEPS, 'done'),
                        'at' => self::ago($ago)->format(\DATE_ATOM),
                    ],
                ],
            );
            $this->accept($live);
        }
        $trend = $this->call('GET', '/api/kit/instruments/S9')->list('histories.0.trends')[0];
        self::assertIsArray($trend);
        self::assertSame(['Stored factor', -0.3], [$trend['title'], round(\is_float($trend['since']) ? $trend['since'] : 0.0, 9)]);
    }

    public function testLibrariesOfSetUpsAndLevels(): void
    {
        $this->call(
            'POST',
            '/api/kit/library/permissible-levels',
            ['code' => 'own', 'name' => 'Own', 'levels' => ['500' => '38,5'], 'source' => 'our own wish'],
            201,
        );
        self::assertSame(
            '/source',
            $this->call(
                'POST',
                '/api/kit/library/permissible-levels',
                ['code' => 'none', 'name' => 'x', 'levels' => ['500' => '38']],
                422,
            )->string('fields.0.field'),
        );
        self::assertSame(
            '/levels/5',
            $this->call(
                'POST',
                '/api/kit/library/permissible-levels',
                ['code' => 'none', 'name' => 'x', 'levels' => ['5' => '38'], 'source' => 's'],
                422,
            )->string('fields.0.field'),
        );
        self::assertSame(
            '/levels',
            $this->call(
                'POST',
                '/api/kit/library/permissible-levels',
                ['code' => 'none', 'name' => 'x', 'source' => 's', 'levels' => []],
                422,
            )->string('fields.0.field'),
        );
        $this->call('POST', '/api/kit/library/set-ups', ['code' => 'day', 'name' => 'Day', 'bandWeighting' => 'A', 'interval' => '1'], 201);
        self::assertSame(
            ['code' => 'day', 'name' => 'Day', 'bandWeighting' => 'A', 'interval' => '1'],
            json_decode($this->call('GET', '/api/kit/library/set-ups/day')->text, true),
        );
        self::assertSame(
            'maximum',
            $this->call('GET', '/api/kit/library/set-ups/room-survey')->string('statistic'),
            'what comes with Footnote can be kept as a file too',
        );
        $this->call('GET', '/api/kit/library/set-ups/nothing', status: 404);
        $this->call('GET', '/api/kit/library/shoes/day', status: 404);
        $this->call('POST', '/api/kit/library/set-ups', ['code' => 'odd', 'name' => 'Odd', 'weighting' => 'B'], 422);
        $run = $this->measured(
            100,
            3,
            [
                'measures' => 'room',
                'permissible' => 'own',
                'setUp' => 'day',
                'setBandWeighting' => 'Z',
                'bands' => ['500' => '38,5', '1000' => '30'],
            ],
        )->string('id');
        $page = $this->call('GET', '/api/results/'.$run);
        self::assertContains('noise.set-up', array_column($page->list('assessment.findings'), 'rule'));
        self::assertSame('0.0', $page->string('assessment.results.0.value.shown'), 'at its level it keeps it');
    }
}
