<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\GasScene;

/** A five-gas unit from its first check to signed vapours, with CO spoiled and void; everything through the API. */
final class GasJobTest extends ApiTestCase
{
    /** @var list<string> */
    private const RIGHT = [
        'warm-up', 'inlet-blocked', 'zero-source', 'zero-found', 'zero-adjust', 'mix-bottle', 'mix-found',
        'mix-adjust', 'mix-left', 'isobutylene-bottle', 'isobutylene-found', 'isobutylene-adjust',
        'isobutylene-left', 'saved', 'gas-off', 'purged', 'log-resumed',
    ];

    /** @var list<string> */
    private const WRONG = [
        'warm-up', 'inlet-blocked', 'zero-source', 'zero-found', 'zero-adjust', 'isobutylene-bottle',
        'isobutylene-found', 'isobutylene-adjust', 'isobutylene-left', 'mix-bottle', 'mix-found',
        'mix-adjust', 'mix-left', 'saved', 'gas-off', 'purged', 'log-resumed',
    ];

    /**
     * @param list<string>          $order
     * @param array<string, string> $found
     */
    private function walk(array $order, array $found, \DateTimeImmutable $at, bool $adjust): string
    {
        $draft = $this->call('POST', '/api/bench/G/check');
        $steps = $draft->list('procedure.steps');
        $preset = array_column($steps, 'presets', 'id');
        self::assertSame(['O2', 'LEL', 'CO', 'H2S'], array_column(\is_array($preset['mix-found']) ? $preset['mix-found'] : [], 'channel'));
        self::assertSame(
            ['CO', 'PID'],
            array_column(\is_array($preset['isobutylene-found']) ? $preset['isobutylene-found'] : [], 'channel'),
            'CO is watched while isobutylene flows',
        );
        $row = static fn (string $channel, string $value): array => ['channel' => $channel, 'value' => $value, 'provenance' => 'typed'];
        $read = [...GasScene::RIGHT, 'CO!' => '0', ...$found];
        $answers = [
            'zeroSource' => 'outdoor air',
            'zeroFound' => array_map($row, ['O2', 'LEL', 'CO', 'H2S', 'PID'], ['20.9', '0', '0', '0', '0,0']),
            'zeroAdjusted' => false,
            'reference' => 'MIX', 'bottlePressure' => ['value' => '20', 'unit' => 'bar'], 'mixFound' => array_map(
                $row,
                ['O2', 'LEL', 'CO', 'H2S'],
                [$read['O2'], $read['LEL'], $read['CO'], $read['H2S']],
            ), 'mixAdjusted' => $adjust, 'mixLeft' => $adjust
                ? array_map($row, ['O2', 'LEL', 'CO', 'H2S'], ['18.0', '50', '50', '25'])
                : [],
            'isobutyleneBottle' => 'ISO', 'isobutyleneFound' => [
                $row('CO', $read['CO!']),
                $row('PID', $read['PID']),
            ], 'isobutyleneAdjusted' => $adjust, 'isobutyleneLeft' => $adjust
                ? [$row('PID', '100')]
                : [],
            'steps' => array_fill_keys(
                array_values(array_filter($order, static fn (string $step): bool => $adjust || !str_ends_with($step, '-left'))),
                'done',
            ),
            'at' => $at->format(\DATE_ATOM),
        ];
        $live = $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => $draft->int('version'), 'answers' => $answers]);
        self::assertSame([], $live->list('problems'));
        self::assertContains('PID as found, off the label', array_column($live->list('live.lines'), 'label'));
        self::assertContains('gas left in MIX', array_column($live->list('live.lines'), 'label'));
        if ($order === self::WRONG) {
            self::assertStringContainsString(
                'Isobutylene flowed first',
                implode(' ', array_filter($live->list('live.questions'), \is_string(...))),
            );
        }

        return $this->acceptDraft($draft->string('id'))->string('check');
    }

    public function testIsobutyleneFirstCostsCarbonMonoxideAlone(): void
    {
        $this->importRecord(self::certifiedLately((new GasScene())->limit('twa-ppm:toluene', '50', 'ppm')->record));
        $this->signIn(Role::Technician);
        $start = (new \DateTimeImmutable('-7 hours'))->setTime((int) date('G', time() - 25200), 0);
        $this->walk(self::RIGHT, [], $start->modify('-1 hour'), false);
        $this->walk(self::WRONG, ['CO!' => '24', 'CO' => '71', 'PID' => '96'], $start->modify('-20 minutes'), true);
        $begun = [
            'campaign' => 'c',
            'instrument' => 'G',
            'start' => $start->format(\DATE_ATOM),
            'person' => 'W-04',
            'task' => 'spraying',
            'place' => 'lacquer booth',
            'channels' => [['channel' => 'PID', 'substance' => 'toluene']],
        ];
        // Carbon monoxide cannot be used, and is said so before the run; the vapour is measured all the same.
        $refused = $this->call('POST', '/api/runs', $begun, 422);
        self::assertSame('/despite', $refused->string('fields.0.field'));
        self::assertStringContainsString('CO was spanned after isobutylene', $refused->string('fields.0.problem'));
        $run = $this->call('POST', '/api/runs', [...$begun, 'despite' => 'only the vapour is wanted'], 201)->string('id');
        $noted = $this->call('GET', '/api/results/'.$run)->list('assessment.findings');
        self::assertContains('run.went-out-unfit', array_column($noted, 'rule'));
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            ['stop' => $start->modify('+2 hours')->format(\DATE_ATOM), 'clockOffsetSeconds' => '0'],
            201,
        );

        $lines = "Time,CO ppm,PID,Alarm\n";
        for ($i = 0; $i < 720; ++$i) {
            $at = $start->modify(\sprintf('+%d seconds', 10 * $i))->setTimezone(new \DateTimeZone('UTC'));
            $lines .= $at->format('Y-m-d H:i:s').\sprintf(
                ",%d,%s,0\n",
                4 + $i % 3,
                number_format(30 + $i % 7 - 3, 1, '.', ''),
            );
        }
        $preview = $this->call('POST', "/api/runs/log-preview?run=$run", raw: substr($lines, 0, 3000));
        self::assertSame(
            [['reading', 'CO'], ['reading', 'PID'], ['alarm', null]],
            array_map(
                static fn (mixed $column): array => \is_array($column) ? [$column['kind'], $column['channel'] ?? null] : [],
                $preview->list('format.columns'),
            ),
        );
        self::assertSame(['O2', 'LEL', 'CO', 'H2S', 'PID', ''], array_column($preview->list('kinds'), 'channel'));
        $read = $this->call(
            'POST',
            "/api/runs/$run/log",
            status: 201,
            raw: $lines,
            headers: [
                'X-Log-Format' => rawurlencode(json_encode($preview->at('format'), \JSON_THROW_ON_ERROR)),
                'X-Log-Name' => 'booth.csv',
            ],
        );
        self::assertSame(['CO', 'PID', 'alarm'], $read->list('log.columns'));
        $this->walk(self::RIGHT, ['PID' => '97'], $start->modify('+2 hours 10 minutes'), false);

        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/'.$run);
        $channels = array_column($page->list('assessment.channels'), 'verdict', 'channel');
        self::assertSame(['CO' => 'void', 'PID' => 'valid'], $channels);
        self::assertSame('broken', $page->string('assessment.channels.0.bracket.state'));
        self::assertSame('closed', $page->string('assessment.bracket.state'), 'what stands for the run is a channel that stands');
        self::assertSame('twa-ppm:toluene', $page->string('assessment.headline'));
        $readings = $this->call('GET', "/api/runs/$run/readings?channel=PID");
        self::assertCount(720, $readings->list('logged'));
        self::assertSame([13500, 50], [$readings->int('logged.0'), $readings->int('limits.0.value')], 'as toluene: half of 27');
        self::assertNotSame($readings->at('logged.719'), $readings->at('corrected.719'));
        $this->call('GET', "/api/runs/$run/readings?channel=O2", status: 404);
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $page->string('digest')], 201);
        self::assertSame('valid', $this->call('GET', '/api/results/'.$run)->string('decisions.0.verdict'));
        self::assertSame(['stand' => 1, 'of' => 2], $this->call('GET', '/api/results')->at('rows.0.standing'));
        $unit = $this->call('GET', '/api/kit/instruments/G');
        self::assertSame(['O2', 'LEL', 'CO', 'H2S', 'PID'], $unit->list('channels'));
        self::assertCount(3, $unit->list('histories.4.points'), 'every check of the vapour channel');
        self::assertCount(2, $unit->list('histories.2.points'), 'the one after isobutylene shows nothing of CO');
    }

    public function testABadUnitIsRefusedFieldByField(): void
    {
        $this->signIn(Role::Steward);
        $unit = static fn (array $channel): array => [
            'id' => 'G9',
            'family' => 'gas-monitor',
            'model' => 'Linnet 5',
            'channels' => [['name' => 'CO', 'kind' => 'carbon monoxide'], $channel],
        ];
        foreach ([
            ['/channels/1/name', ['name' => 'CO', 'kind' => 'oxygen']],
            ['/channels/1/name', ['name' => '5', 'kind' => 'oxygen']],
            ['/channels/1/gas', ['name' => 'X', 'kind' => 'other']],
            ['/channels/1/fitted', ['name' => 'X', 'kind' => 'oxygen', 'fitted' => '2026-02-30']],
            ['/channels/1/kind', ['name' => 'X', 'kind' => 'neon']],
            ['/channels/1/lamp', ['name' => 'X', 'kind' => 'photoionisation', 'lamp' => '1e999']],
        ] as [$field, $channel]) {
            self::assertSame($field, $this->call('POST', '/api/kit/instruments', $unit($channel), 422)->string('fields.0.field'));
        }
        self::assertSame(
            '/channels',
            $this->call(
                'POST',
                '/api/kit/instruments',
                ['id' => 'G9', 'family' => 'gas-monitor', 'model' => 'Linnet 5'],
                422,
            )->string('fields.0.field'),
        );
        $this->call('POST', '/api/kit/instruments', $unit(['name' => 'PID', 'kind' => 'photoionisation', 'lamp' => '10,6']), 201);
        $this->call(
            'POST',
            '/api/kit/references',
            [
                'id' => 'B9',
                'kind' => 'gas-bottle',
                'model' => 'Four',
                'certificates' => [[
                    'number' => 'n',
                    'laboratory' => 'L',
                    'issued' => '2026-01-01',
                    'due' => '2027-01-01',
                    'gases' => [['gas' => 'carbon monoxide', 'concentration' => 'much', 'unit' => 'ppm']],
                ]],
            ],
            422,
        );
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/bench/G9/check', status: 403);
    }

    /** A monitor that was dead at its bump test stays, whatever anybody says; calibrated since, it goes. */
    public function testWhatFailedDoesNotGoOut(): void
    {
        $at = new \DateTimeImmutable('-2 hours');
        $scene = (new GasScene())->check('k', $at->format('Y-m-d\TH:i:s'))->check(
            'b',
            $at->modify('+10 minutes')->format('Y-m-d\TH:i:s'),
            ['CO' => '3'],
            gas: ['procedure' => 'bump-test'],
        );
        $this->importRecord($scene->record);
        $this->signIn(Role::Technician);
        $begun = [
            'campaign' => 'c',
            'instrument' => 'G',
            'start' => $at->modify('+1 hour')->format(\DATE_ATOM),
            'person' => 'W-04',
            'task' => 'spraying',
        ];
        $refused = $this->call('POST', '/api/runs', [...$begun, 'despite' => 'there is no other'], 422);
        self::assertSame('/instrument', $refused->string('fields.0.field'));
        self::assertSame('held', $this->call('GET', '/api/bench')->string('units.0.fit.state'));
        self::assertSame('held', $this->call('GET', '/api/day')->string('units.0.next'));
        $this->walk(self::RIGHT, [], $at->modify('+30 minutes'), false);
        self::assertSame('fit', $this->call('GET', '/api/bench')->string('units.0.fit.state'));
        $this->call('POST', '/api/runs', $begun, 201);
    }
}
