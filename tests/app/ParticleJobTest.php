<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\ParticleScene;

/** A counter from clean air to a signed count, with its spheres and a period that was left short; everything through the API. */
final class ParticleJobTest extends ApiTestCase
{
    private const UNIT = [
        'id' => 'P9',
        'family' => 'particle-counter',
        'model' => 'Mixture 4',
        'kind' => 'airborne counter',
        'nominalFlow' => ['value' => '2.83', 'unit' => 'L/min'],
        'sizes' => [['size' => '0.3'], ['size' => '0.5']],
    ];

    private const STEPS = ['cleaned', 'cell', 'flow-standard', 'flow-found', 'flow-adjust', 'blank'];

    /**
     * @param list<string>         $done
     * @param array<string, mixed> $more
     */
    private function walk(string $procedure, array $done, \DateTimeImmutable $at, array $more = []): Answer
    {
        $draft = $this->call('POST', '/api/bench/N/check', ['procedure' => $procedure]);
        $presets = array_column($draft->list('procedure.steps'), 'presets', 'id');
        self::assertSame(['0.3', '0.5', '5.0'], array_column(\is_array($presets['blank']) ? $presets['blank'] : [], 'size'));
        $flow = static fn (string $value): array => ['value' => ['value' => $value, 'unit' => 'L/min'], 'provenance' => 'typed'];
        $answers = [
            'cell' => '97', 'laser' => '101', 'reference' => 'S', 'flowFound' => [$flow('2,83'), $flow('2.83')], 'flowAdjusted' => false,
            'blankMinutes' => '10',
            'blankFound' => array_map(
                static fn (string $size, string $counts): array => ['size' => $size, 'value' => $counts, 'provenance' => 'typed'],
                ['0.3', '0.5', '5.0'],
                ['30', '6', '0'],
            ),
            'steps' => array_fill_keys([...$done, 'inlet-open'], 'done'), 'at' => $at->format(\DATE_ATOM), ...$more,
        ];

        return $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => $draft->int('version'), 'answers' => $answers]);
    }

    private function accept(Answer $live): string
    {
        self::assertSame([], $live->list('problems'));

        return $this->acceptDraft($live->string('id'))->string('check');
    }

    /** @return array{string, \DateTimeImmutable} the run and its start; it was stopped after two hours */
    private function counted(string $task): array
    {
        $start = (new \DateTimeImmutable('-5 hours'))->setTime((int) date('G', time() - 18000), 0);
        $run = $this->call(
            'POST',
            '/api/runs',
            [
                'campaign' => 'c',
                'instrument' => 'N',
                'start' => $start->format(\DATE_ATOM),
                'person' => 'W-10',
                'task' => $task,
                'despite' => 'the check is on paper',
            ],
            201,
        )->string('id');
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            ['stop' => $start->modify('+2 hours')->format(\DATE_ATOM), 'clockOffsetSeconds' => '0'],
            201,
        );

        return [$run, $start];
    }

    private function log(\DateTimeImmutable $start, string $odd = '28300'): string
    {
        $lines = "Time;0.3 um;0.5 um;5.0 um\n";
        for ($i = 0; $i < 120; ++$i) {
            $at = $start->modify(\sprintf('+%d minutes', $i))->setTimezone(new \DateTimeZone('UTC'));
            $lines .= $at->format('Y-m-d H:i:s').';'.($i === 60 ? $odd : '28300').";2830;28\n";
        }

        return $lines;
    }

    public function testFromCleanAirToASignedCount(): void
    {
        $this->importRecord(self::certifiedLately((new ParticleScene(['backgroundLimit' => '10']))->record));
        $this->signIn(Role::Technician);
        [$run, $start] = $this->counted('soldering');
        $live = $this->walk('counter-check', self::STEPS, $start->modify('-20 minutes'));
        self::assertContains('clean from 0.5 µm, at most', array_column($live->list('live.lines'), 'label'));
        $this->accept($live);
        $preview = $this->call('POST', "/api/runs/log-preview?run=$run", raw: $this->log($start));
        self::assertSame(
            [['counts', '0.3'], ['counts', '0.5'], ['counts', '5.0']],
            array_map(
                static fn (mixed $column): array => \is_array($column) ? [$column['kind'], $column['channel'] ?? null] : [],
                $preview->list('format.columns'),
            ),
        );
        $headers = ['X-Log-Format' => rawurlencode(json_encode($preview->at('format'), \JSON_THROW_ON_ERROR)), 'X-Log-Name' => 'bench.csv'];
        foreach (['-1', '3.5', 'many', '4000000000'] as $odd) {
            $wrong = $this->call('POST', "/api/runs/$run/log", status: 422, raw: $this->log($start, $odd), headers: $headers);
            self::assertSame('/log/line/62', $wrong->string('fields.0.field'), $odd);
            self::assertStringContainsString('not a whole count', $wrong->string('fields.0.problem'));
        }
        $this->call('POST', "/api/runs/$run/log", status: 201, raw: $this->log($start), headers: $headers);
        $this->accept($this->walk('counter-check', self::STEPS, $start->modify('+2 hours 10 minutes')));

        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/'.$run);
        self::assertSame('valid', $page->string('assessment.verdict'));
        $results = array_column($page->list('assessment.results'), null, 'key');
        self::assertSame(['count:0.3', 'count:0.5', 'count:5.0', 'bin:0.3', 'bin:0.5'], array_keys($results));
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $page->string('digest')], 201);
        self::assertSame('valid', $this->call('GET', '/api/results/'.$run)->string('decisions.0.verdict'));
        self::assertCount(2, $this->call('GET', '/api/kit/instruments/N')->list('histories.0.points'));
    }

    public function testAPeriodLeftShortIsSeenOnTheBenchAndInTheVerdict(): void
    {
        $this->importRecord(self::certifiedLately((new ParticleScene())->record));
        $this->signIn(Role::Technician);
        [$run, $start] = $this->counted('pouring solder');
        $spheres = [
            'lot' => 'L3',
            'threshold' => '3.1',
            'spike' => ['value' => '0,5', 'unit' => 'mL'],
            'jug' => ['value' => '1', 'unit' => 'L'],
            'periodWas' => '60',
            'periodNow' => '6',
        ];
        $live = $this->walk(
            'size-calibration',
            [...self::STEPS, 'period-short', 'spheres'],
            $start->modify('-20 minutes'),
            [
                ...$spheres,
                'steps' => [
                    ...array_fill_keys([...self::STEPS, 'period-short', 'spheres', 'inlet-open'], 'done'),
                    'period-back' => 'skipped',
                ],
            ],
        );
        $labels = array_column($live->list('live.lines'), 'label');
        self::assertContains('expected per mL', $labels);
        self::assertContains('size setting off', $labels);
        $this->accept($live);
        $preview = $this->call('POST', "/api/runs/log-preview?run=$run", raw: $this->log($start));
        $this->call(
            'POST',
            "/api/runs/$run/log",
            status: 201,
            raw: $this->log($start),
            headers: [
                'X-Log-Format' => rawurlencode(json_encode($preview->at('format'), \JSON_THROW_ON_ERROR)),
                'X-Log-Name' => 'bench.csv',
            ],
        );
        $this->accept($this->walk('counter-check', self::STEPS, $start->modify('+2 hours 10 minutes')));
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/'.$run);
        self::assertContains('particle.period', array_column($page->list('assessment.findings'), 'rule'));
        self::assertNotSame('valid', $page->string('assessment.verdict'));
    }

    public function testWhatCannotBeIsRefusedFieldByField(): void
    {
        $this->importRecord(self::certifiedLately((new ParticleScene())->record));
        $this->signIn(Role::Technician);
        $at = new \DateTimeImmutable('-1 hour');
        $live = $this->walk(
            'counter-check',
            self::STEPS,
            $at,
            ['blankFound' => [['size' => '0.3', 'value' => '2,5', 'provenance' => 'typed']]],
        );
        self::assertStringContainsString('whole number', json_encode($live->list('problems'), \JSON_THROW_ON_ERROR));
        $this->acceptDraft($live->string('id'), 422);
        $this->signIn(Role::Steward);
        foreach ([
            ['/sizes', ['sizes' => []]],
            ['/sizes/1/size', ['sizes' => [['size' => '0.5'], ['size' => '0.3']]]],
            ['/sizes/0/size', ['sizes' => [['size' => '1e999']]]],
            ['/kind', ['kind' => 'sieve']],
            ['/nominalFlow/value', ['nominalFlow' => ['value' => '-1', 'unit' => 'L/min']]],
        ] as [$field, $more]) {
            self::assertSame($field, $this->call('POST', '/api/kit/instruments', [...self::UNIT, ...$more], 422)->string('fields.0.field'));
        }
        self::assertSame(
            'Nothing was saved. Sizes: is empty: name at least one size.',
            $this->call('POST', '/api/kit/instruments', [...self::UNIT, 'sizes' => []], 422)->string('detail'),
        );
        $this->call('POST', '/api/kit/instruments', self::UNIT, 201);
    }
}
