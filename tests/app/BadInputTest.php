<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;

/** Bad input gets a clear answer that names the field or line, and leaves nothing behind. */
final class BadInputTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Hygienist);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> path, body, field, what is said */
    public static function bodies(): iterable
    {
        $run = ['campaign' => 'c', 'instrument' => 'D', 'start' => '2026-03-03T08:00:00+00:00', 'person' => 'W-01', 'task' => 't'];
        yield 'unknown unit' => ['/api/runs', [...$run, 'instrument' => 'nobody'], '/instrument', 'not in the kit'];
        yield 'unknown campaign' => ['/api/runs', [...$run, 'campaign' => 'nothing'], '/campaign', 'not in this logbook'];
        yield 'stop before start' => ['/api/runs', [...$run, 'stop' => '2026-03-03T07:00:00+00:00'], '/stop', 'after the start'];
        yield 'overlapping runs' => ['/api/runs', [...$run, 'start' => '2026-03-02T15:59:00+00:00'], '/start', 'r1'];
        yield 'in the future' => ['/api/runs', [...$run, 'start' => '2999-01-01T08:00:00+00:00'], '/start', 'future'];
        yield 'no such day' => ['/api/runs', [...$run, 'start' => '2026-02-30T08:00:00+00:00'], '/start', 'calendar'];
        yield 'time without zone' => ['/api/runs', [...$run, 'start' => '2026-03-03T08:00'], '/start', 'offset'];
        yield 'no person' => ['/api/runs', [...$run, 'person' => '  '], '/person', 'missing'];
        yield 'a very long task' => ['/api/runs', [...$run, 'task' => str_repeat('x', 5000)], '/task', 'longer'];
        yield 'planned by words' => ['/api/runs', [...$run, 'plannedMinutes' => 'a shift'], '/plannedMinutes', 'not a decimal'];
        yield 'infinite' => ['/api/runs', [...$run, 'plannedMinutes' => '1e999'], '/plannedMinutes', 'not a decimal'];
        $total = static fn (string $level): array => [
            'totals' => ['equivalentLevel' => ['value' => $level, 'provenance' => 'typed']],
            'reason' => 'r',
        ];
        yield 'level beyond 200 dB' => ['/api/runs/r1/facts', $total('200.1'), '/totals/equivalentLevel/value', 'between -20 and 200'];
        yield 'level below −20 dB' => ['/api/runs/r1/facts', $total('-20.1'), '/totals/equivalentLevel/value', 'between -20 and 200'];
        yield 'letters' => ['/api/runs/r1/facts', $total('loud'), '/totals/equivalentLevel/value', 'not a decimal'];
        yield 'number instead of text' => [
            '/api/runs/r1/facts',
            ['totals' => ['equivalentLevel' => ['value' => 85.1, 'provenance' => 'typed']], 'reason' => 'r'],
            '/totals/equivalentLevel/value',
            'written as text',
        ];
        yield 'change without a reason' => ['/api/runs/r1/facts', ['stop' => '2026-03-02T15:00:00+00:00'], '/reason', 'say why'];
        yield 'left out beyond the run' => [
            '/api/runs/r1/facts',
            ['exclusions' => [['from' => '2026-03-02T17:00:00+00:00', 'to' => '2026-03-02T18:00:00+00:00', 'reason' => 'x']]],
            '/exclusions',
            'outside',
        ];
        yield 'no such remark' => [
            '/api/runs/r1/facts',
            ['remarks' => [['kind' => 'eaten', 'note' => '']]],
            '/remarks/0/kind',
            'not one of',
        ];
        yield 'declared at a strange check' => [
            '/api/runs/r1/facts',
            ['declaration' => ['check' => 'k9', 'reason' => 'x']],
            '/declaration/check',
            'no check of this instrument',
        ];
        yield 'asset number with blanks' => [
            '/api/kit/instruments',
            ['id' => 'D 7', 'family' => 'noise-dosimeter', 'model' => 'm'],
            '/id',
            'letters',
        ];
        yield 'unknown family' => [
            '/api/kit/instruments',
            ['id' => 'D7', 'family' => 'thermometer', 'model' => 'm'],
            '/family',
            'no family',
        ];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('bodies')]
    public function testNamesTheFieldAndKeepsNothing(string $path, array $body, string $field, string $said): void
    {
        $before = $this->counts();
        $answer = $this->call('POST', $path, $body, 422);
        self::assertSame($field, $answer->string('fields.0.field'));
        self::assertStringContainsString($said, $answer->string('fields.0.problem'));
        self::assertSame($before, $this->counts());
    }

    /** Whoever filled in a form is told of all of it, by the names that the form has; and nothing of it was kept. */
    public function testEverythingThatIsWrongIsToldAtOnceByTheLabelsOfTheForm(): void
    {
        $refused = function (string $path, array $body): array {
            /** @var array<string, mixed> $body */
            $problem = $this->call('POST', $path, $body, 422);

            return [array_column($problem->list('fields'), 'field'), $problem->string('detail')];
        };
        [$fields, $said] = $refused('/api/kit/instruments', [
            'id' => 'no good', 'family' => 'noise-dosimeter', 'model' => '', 'microphone' => 'wide', 'rangeHigh' => 'loud',
        ]);
        self::assertEqualsCanonicalizing(['/id', '/model', '/microphone', '/rangeHigh'], $fields);
        self::assertStringContainsString('Asset number: must be 1 to 40', $said);
        self::assertStringContainsString('Model code: is missing.', $said);
        self::assertStringContainsString('Microphone diameter: "wide" is not one of', $said);
        [$fields, $said] = $refused('/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'start' => 'today', 'person' => '', 'task' => '', 'plannedMinutes' => 'long',
        ]);
        self::assertEqualsCanonicalizing(['/start', '/person', '/task', '/plannedMinutes'], $fields);
        self::assertStringContainsString('Started: must be a date and time', $said);
        [$fields] = $refused('/api/runs/r1/facts', [
            'stop' => 'later', 'clockOffsetSeconds' => 'some', 'reason' => 'r',
            'totals' => ['equivalentLevel' => ['value' => 'loud', 'provenance' => 'typed']],
        ]);
        self::assertEqualsCanonicalizing(['/stop', '/clockOffsetSeconds', '/totals/equivalentLevel/value'], $fields);
        // What follows from a field that could not be read is no fault of its own: no end before a beginning that nobody wrote.
        [$fields] = $refused('/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'start' => 'today', 'stop' => '2026-03-02T07:00:00+00:00',
            'person' => 'W', 'task' => 't',
        ]);
        self::assertSame(['/start'], $fields);
        $this->signIn(Role::Steward);
        [$fields, $said] = $refused('/api/kit/references/A/certificates', [
            'number' => '', 'laboratory' => '', 'issued' => '2026-02-30', 'due' => 'soon',
            'values' => [['nominal' => 'x', 'certified' => '1']],
        ]);
        self::assertEqualsCanonicalizing(['/number', '/laboratory', '/issued', '/due', '/values/0/nominal'], $fields);
        self::assertStringContainsString('Certificate number: is missing.', $said);
        self::assertCount(1, $this->call('GET', '/api/kit')->list('instruments'));
    }

    /** Whoever sends more than is asked for says nothing of whose line it is: that, the address says, and who is signed in. */
    public function testASenderDoesNotWriteWhoseLineOfTheJournalItIs(): void
    {
        $this->signIn(Role::Steward);
        $certificate = ['number' => 'n', 'laboratory' => 'l', 'issued' => '2026-01-01', 'due' => '2027-01-01', 'values' => []];
        $forged = ['of' => 'another', 'instrument' => 'another', 'shelf' => 'another', 'by' => 'another', 'actor' => 'another'];
        $repair = ['kind' => 'repaired', 'at' => '2026-03-01T08:00:00+00:00'];
        foreach ($forged as $name => $value) {
            $this->call('POST', '/api/kit/instruments/D/certificates', [$name => $value] + $certificate, 422);
            $this->call('POST', '/api/bench/D/interventions', [$name => $value] + $repair, 422);
        }
        $this->call('POST', '/api/kit/instruments/D/certificates', $certificate, 201);
        $this->call('POST', '/api/bench/D/interventions', $repair, 201);
        foreach ($this->call('GET', '/api/journal')->list('entries') as $line) {
            self::assertIsArray($line);
            self::assertNotSame('another', $line['actor']);
            self::assertIsString($line['payload']);
            if (\in_array($line['kind'], ['certificate added', 'intervention'], true)) {
                $payload = (new Answer($line['payload']));
                self::assertSame('D', $payload->string($line['kind'] === 'intervention' ? 'instrument' : 'of'));
            }
        }
    }

    public function testWhatIsNotJsonOrNotThere(): void
    {
        foreach ([['{', 400], ['[1', 400], ['"x"', 400], ['', 400]] as [$raw, $status]) {
            $this->browser->request(
                'POST',
                '/api/runs',
                server: ['HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => 'application/json'],
                content: $raw,
            );
            self::assertSame($status, $this->browser->getResponse()->getStatusCode());
        }
        $this->call('POST', '/api/runs', status: 415, raw: 'start=now');
        $this->call('GET', '/api/results/none', status: 404);
        $this->call('GET', '/api/kit/instruments/none', status: 404);
        $this->call('GET', '/api/nothing', status: 404);
        $this->call('GET', '/api/day?date=yesterday', status: 422);
        self::assertSame(0, $this->call('GET', "/api/results?instrument='%20OR%201=1")->int('total'));
        self::assertSame(1, $this->call('GET', '/api/results?page=-5')->int('page'));
    }

    public function testLogsThatCannotBeRead(): void
    {
        $format = rawurlencode(
            '{"delimiter":",","decimal":".","skip":1,"columns":[{"place":1,"kind":"LAeq"}],"time":[0],"dateOrder":"ymd"}',
        );
        $before = $this->counts();
        $wrong = $this->call(
            'POST',
            '/api/runs/r1/log',
            status: 422,
            raw: "t,l\n2026-03-02 08:00:00,85.0\n2026-03-02 08:00:01,oops\n",
            headers: ['X-Log-Format' => $format, 'X-Log-Name' => 'a.csv'],
        );
        self::assertSame('/log/line/3', $wrong->string('fields.0.field'));
        $this->call('POST', '/api/runs/r1/log', status: 422, raw: '', headers: ['X-Log-Format' => $format]);
        $this->call('POST', '/api/runs/r1/log', status: 422, raw: "\x89PNG\r\n\x1a\n\0\0\0", headers: ['X-Log-Format' => $format]);
        $this->call('POST', '/api/runs/r1/log', status: 422, raw: "t,l\n", headers: ['X-Log-Format' => 'nonsense']);
        $this->call(
            'POST',
            '/api/runs/r1/log',
            status: 413,
            raw: 'x',
            headers: ['X-Log-Format' => $format, 'Content-Length' => '209715200'],
        );
        $this->call('POST', '/api/runs/log-preview?run=r1', status: 422, raw: "\xFF\xFEt\0i\0m\0e\0");
        $this->call('POST', '/api/runs/log-preview?run=r1', status: 422, raw: "once upon a time\nthere was no table\n");
        self::assertSame($before, $this->counts());
    }

    /** A half-done check keeps whatever was typed, says what cannot be read, and is not accepted until it can. */
    public function testADraftKeepsWhatWasTyped(): void
    {
        $draft = $this->call('POST', '/api/bench/D/check');
        $path = '/api/bench/drafts/'.$draft->string('id');
        $kept = $this->call(
            'PUT',
            $path,
            [
                'version' => 1,
                'answers' => ['nominal' => '114', 'reference' => 'A', 'asFound' => [['value' => '11x4', 'provenance' => 'typed']]],
            ],
        );
        self::assertSame('11x4', $kept->string('answers.asFound.0.value'));
        self::assertSame('/acoustic/asFound/0/value', $kept->string('problems.0.field'));
        $this->acceptDraft(basename($path), 422);
        self::assertSame('11x4', $this->call('GET', $path)->string('answers.asFound.0.value'));
        $future = $this->call(
            'PUT',
            $path,
            [
                'version' => $kept->int('version'),
                'answers' => [
                    'nominal' => '114',
                    'reference' => 'A',
                    'at' => '2999-01-01T00:00:00+00:00',
                    'asFound' => [['value' => '114.0', 'provenance' => 'typed']],
                ],
            ],
        );
        $this->acceptDraft(basename($path), 422);
        $this->call('PUT', $path, ['version' => $future->int('version'), 'answers' => []]);
        $this->acceptDraft(basename($path), 422);
        self::assertNull(
            $this->call(
                'POST',
                $path.'/break-off',
                ['version' => $this->call('GET', $path)->int('version'), 'reason' => 'fire alarm'],
            )->at('check'),
        );
        $this->call('GET', $path, status: 409);
    }

    /** @return list<mixed> */
    private function counts(): array
    {
        return $this->service(Connection::class)->fetchFirstColumn(
            'SELECT COUNT(*) FROM run UNION ALL SELECT COUNT(*) FROM run_fact UNION ALL '
                .'SELECT COUNT(*) FROM log_file UNION ALL SELECT COUNT(*) FROM instrument UNION ALL SELECT COUNT(*) FROM journal_entry',
        );
    }
}
