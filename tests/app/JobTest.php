<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\Tests\Core\Scene;

/** The job from the first check to the signed result, over the API. */
final class JobTest extends ApiTestCase
{
    /** @return array<string, mixed> */
    private static function answers(string $found, ?string $left = null): array
    {
        $reading = static fn (string $value): array => [['value' => $value, 'provenance' => 'typed']];

        return [
            'steps' => Scene::STEPS,
            'reference' => 'A',
            'setting' => '114',
            'asFound' => $reading($found),
            'adjusted' => $left !== null,
            'asLeft' => $left === null ? [] : $reading($left),
        ];
    }

    private function check(string $found, ?string $left = null): string
    {
        $draft = $this->call('POST', '/api/bench/D/check');
        $kept = $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft->string('id'),
            ['version' => $draft->int('version'), 'answers' => self::answers($found, $left)],
        );
        self::assertSame($found, $kept->string('answers.asFound.0.value'));

        return $this->acceptDraft($draft->string('id'))->string('check');
    }

    public function testFromFirstCheckToSignedResult(): void
    {
        $this->importRecord(self::certifiedLately((new Scene())->record));
        $this->signIn(Role::Technician);

        $this->check('113,6', '114,0');
        $start = new \DateTimeImmutable('-3 hours');
        // The run lies before the check was typed in, so its pre-check is typed with its own time.
        $draft = $this->call('POST', '/api/bench/D/check');
        $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft->string('id'),
            [
                'version' => $draft->int('version'),
                'answers' => [...self::answers('114.0'), 'at' => $start->modify('-10 minutes')->format(\DATE_ATOM)],
            ],
        );
        $this->acceptDraft($draft->string('id'));

        $run = $this->call(
            'POST',
            '/api/runs',
            [
                'campaign' => 'c',
                'instrument' => 'D',
                'start' => $start->format(\DATE_ATOM),
                'person' => 'W-01',
                'task' => 'sawing',
                'place' => 'hall',
                'shiftMinutes' => '480',
            ],
            201,
        )->string('id');
        self::assertSame('running', $this->call('GET', '/api/results/'.$run)->string('assessment.bracket.state'));
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            [
                'stop' => $start->modify('+2 hours')->format(\DATE_ATOM),
                'clockOffsetSeconds' => '0',
                'remarks' => [['kind' => 'knocked', 'note' => 'against a vice']],
            ],
            201,
        );

        $lines = "Time;LAeq;LCpeak\n";
        for ($i = 0; $i < 7200; ++$i) {
            $lines .= $start->modify("+$i seconds")->format('Y-m-d H:i:s').';'.number_format(85 + $i % 40 / 10, 1, ',', '').";99,0\n";
        }
        $preview = $this->call('POST', "/api/runs/log-preview?run=$run", raw: substr($lines, 0, 5000));
        self::assertSame(
            [';', ',', 'LAeq'],
            [$preview->string('format.delimiter'), $preview->string('format.decimal'), $preview->string('format.columns.0.kind')],
        );
        $read = $this->call(
            'POST',
            "/api/runs/$run/log",
            status: 201,
            raw: $lines,
            headers: ['X-Log-Format' => rawurlencode(json_encode($preview->at('format'), \JSON_THROW_ON_ERROR)), 'X-Log-Name' => 'day.csv'],
        );
        self::assertSame([hash('sha256', $lines), 7200], [$read->string('log.sha256'), $read->int('log.length')]);
        self::assertSame($lines, $this->call('GET', "/api/runs/$run/log")->text);
        self::assertCount(600, $this->call('GET', "/api/runs/$run/series")->list('points'));

        $this->signIn(Role::Hygienist);
        $this->call('POST', "/api/runs/$run/facts", ['restOfDay' => ['was' => 'nothing', 'reason' => 'at a desk']], 201);
        $this->signIn(Role::Technician);

        // The check typed first was made just now, after the run: adjusted, but read as found, so it closes the bracket.
        $result = $this->call('GET', '/api/results/'.$run);
        self::assertSame(
            [],
            array_filter(
                array_column($result->list('assessment.findings'), 'severity', 'seen'),
                static fn (mixed $severity): bool => $severity !== 'note',
            ),
        );
        self::assertSame(['closed', 'valid'], [$result->string('assessment.bracket.state'), $result->string('assessment.verdict')]);
        $digest = $result->string('digest');

        foreach ([Role::Technician, Role::Reader, Role::Steward] as $role) {
            $this->signIn($role);
            $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $digest], 403);
        }
        $this->signIn(Role::Hygienist);
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => 'stale'], 409);
        $signed = $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $digest], 201);
        self::assertSame(
            ['sign', 'valid', 'H-1'],
            [$signed->string('decisions.0.kind'), $signed->string('decisions.0.verdict'), $signed->string('decisions.0.by')],
        );
        $snapshot = $this->call('GET', "/api/results/$run/decision/".$signed->int('decisions.0.id'));
        self::assertSame($signed->string('decisions.0.snapshotDigest'), hash('sha256', $snapshot->text));

        // A second person who still sees the page as it was is told; so is a supersession without a reason.
        $this->call('POST', "/api/results/$run/decision", ['kind' => 'void', 'digest' => $digest, 'reason' => 'late'], 409);
        $this->call(
            'POST',
            "/api/results/$run/decision",
            ['kind' => 'void', 'digest' => $digest, 'after' => $signed->int('decisions.0.id')],
            422,
        );

        // Evidence that comes later never changes what was signed; it says so, old against new.
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            [
                'exclusions' => [[
                    'from' => $start->modify('+10 minutes')->format(\DATE_ATOM),
                    'to' => $start->modify('+20 minutes')->format(\DATE_ATOM),
                    'reason' => 'left in the drawer',
                ]],
            ],
            201,
        );
        $changed = $this->call('GET', '/api/results/'.$run);
        self::assertSame(
            ['valid', 'evidence'],
            [$changed->string('changedSinceSigning.was.verdict'), $changed->string('changedSinceSigning.because')],
        );
        self::assertTrue($this->call('GET', '/api/results')->at('rows.0.decision.stale'));
        self::assertSame($snapshot->text, $this->call('GET', "/api/results/$run/decision/".$signed->int('decisions.0.id'))->text);
        $again = $this->call(
            'POST',
            "/api/results/$run/decision",
            [
                'kind' => 'overrule',
                'verdict' => 'corrected',
                'digest' => $changed->string('digest'),
                'after' => $signed->int('decisions.0.id'),
                'reason' => 'a stretch was left out',
            ],
            201,
        );
        self::assertSame(['overrule', 'corrected'], [$again->string('decisions.0.kind'), $again->string('decisions.0.verdict')]);
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    /** An open bracket holds the unit; the bench says which run the check closes and what would become of it; open is never signed. */
    public function testOpenBracketHoldsTheUnit(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Hygienist);
        self::assertSame(['r1'], $this->call('GET', '/api/bench')->list('units.0.hold'));
        self::assertSame('check as found', $this->call('GET', '/api/day?date=2026-03-02')->string('units.0.next'));
        $open = $this->call('GET', '/api/results/r1');
        self::assertSame('open', $open->string('assessment.verdict'));
        $this->call('POST', '/api/results/r1/decision', ['kind' => 'sign', 'digest' => $open->string('digest')], 409);

        $draft = $this->call('POST', '/api/bench/D/check');
        $live = $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => 1, 'answers' => self::answers('113,3')]);
        self::assertSame(
            ['-0.70', false, 'r1', 'void'],
            [
                $live->string('live.lines.2.shown'),
                $live->at('live.lines.2.kept'),
                $live->string('live.closes.0.run'),
                $live->string('live.closes.0.verdict'),
            ],
        );
        // The same half-done check is found again, by anybody; the older copy of it cannot overwrite.
        self::assertSame($draft->string('id'), $this->call('POST', '/api/bench/D/check')->string('id'));
        $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => 1, 'answers' => self::answers('114.0')], 409);
        $check = $this->acceptDraft($draft->string('id'))->string('check');
        self::assertSame('void', $this->call('GET', '/api/results/r1')->string('assessment.verdict'));
        $this->call('POST', '/api/bench/checks/'.$check.'/set-aside', ['reason' => 'the seal leaked'], 204);
        self::assertSame('open', $this->call('GET', '/api/results/r1')->string('assessment.verdict'));
        $this->call('POST', '/api/bench/D/interventions', ['at' => '2026-03-02T17:00:00+00:00', 'kind' => 'repaired', 'note' => ''], 201);
        self::assertSame('void', $this->call('GET', '/api/results/r1')->string('assessment.verdict'));
    }

    /** FC-D3: a step that does not apply says why, and then weighs nothing; skipped or jumped over it weighs the same. */
    public function testAStepThatDoesNotApplySaysWhy(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Hygienist);
        $begin = fn (array $answers): string => $this->call(
            'PUT',
            '/api/bench/drafts/'.($draft = $this->call('POST', '/api/bench/D/check'))->string('id'),
            [
                'version' => $draft->int('version'),
                'answers' => [...self::answers('114.0'), 'at' => '2026-03-02T16:30:00+00:00', ...$answers],
            ],
        )->string('id');
        $steps = [...Scene::STEPS, 'windscreen-off' => 'not applicable'];
        $draft = $begin(['steps' => $steps]);
        $refused = $this->acceptDraft($draft, 422);
        self::assertSame('/stepReasons/windscreen-off', $refused->string('fields.0.field'));
        $begin(['steps' => $steps, 'stepReasons' => ['windscreen-off' => '  ']]);
        $this->acceptDraft($draft, 422);
        $begin([
            'steps' => $steps,
            'stepReasons' => ['windscreen-off' => 'indoors, none is fitted', 'steady' => 'a word on what was done'],
        ]);
        $this->acceptDraft($draft);
        $result = $this->call('GET', '/api/results/r1');
        self::assertSame('valid', $result->string('assessment.verdict'));
        $seen = implode(' ', array_filter(array_column($result->list('assessment.findings'), 'seen'), \is_string(...)));
        self::assertStringContainsString('Did not apply at the check of 16:30: ', $seen);
        self::assertStringContainsString('(indoors, none is fitted)', $seen);
        self::assertStringNotContainsString('a word on what was done', $seen);
    }

    public function testAllPoliciesSideBySideAndANewVersion(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['113.2']));
        $this->signIn(Role::Steward);
        $result = $this->call('GET', '/api/results/r1');
        self::assertSame(
            ['standard-1' => 'void', 'cautious-1' => 'void', 'survey-1' => 'valid'],
            [
                $result->string('schools.0.key') => $result->string('schools.0.assessment.verdict'),
                $result->string('schools.1.key') => $result->string('schools.1.assessment.verdict'),
                $result->string('schools.2.key') => $result->string('schools.2.assessment.verdict'),
            ],
        );
        $made = $this->call(
            'POST',
            '/api/policies',
            [
                'basedOn' => 'standard-1',
                'id' => 'ours',
                'name' => 'Ours',
                'reported' => ['offset' => 'between'],
                'choices' => ['unsampledTime' => 'rest'],
                'rules' => ['noise.drift' => ['limits' => ['drift' => ['value' => '0,9']], 'source' => 'House rule 7', 'mark' => 'own']],
            ],
            201,
        );
        self::assertSame('ours-1', $made->string('key'));
        self::assertTrue(
            $this->call(
                'POST',
                '/api/campaigns/c/policy',
                ['policy' => 'ours-1', 'instead' => 'standard-1'],
            )->at('campaigns.0.policyChanged'),
        );
        $again = $this->call('GET', '/api/results/r1');
        self::assertSame('between', $again->string('assessment.results.0.reported'));
        $this->call(
            'POST',
            '/api/policies',
            [
                'basedOn' => 'standard-1',
                'id' => 'ours',
                'name' => 'Ours',
                'rules' => ['noise.drift' => ['limits' => ['drift' => ['value' => 'much']]]],
            ],
            422,
        );
        $this->call(
            'POST',
            '/api/policies',
            ['basedOn' => 'standard-1', 'id' => 'ours', 'name' => 'Ours', 'rules' => ['no.such' => []]],
            422,
        );
        foreach ([
            ['choices' => ['unsampledTime' => 'some']],
            ['choices' => ['moon' => 'full']],
            ['reported' => ['flow' => 'guess']],
        ] as $wrong) {
            $this->call(
                'POST',
                '/api/policies',
                ['basedOn' => 'standard-1', 'id' => 'ours', 'name' => 'Ours', 'rules' => [], ...$wrong],
                422,
            );
        }
        $listed = $this->call('GET', '/api/policies')->at('policies');
        self::assertMatchesRegularExpression('/"id":"ours"[^}]*\}[^}]*"unsampledTime":"rest"/', json_encode($listed, \JSON_THROW_ON_ERROR));
    }

    public function testKitAddsAndNeverOverwrites(): void
    {
        $this->import(new Scene());
        $this->signIn(Role::Steward);
        $this->call(
            'POST',
            '/api/kit/instruments',
            ['id' => 'D2', 'family' => 'noise-dosimeter', 'model' => 'Wren 2', 'microphone' => '1/2 in'],
            201,
        );
        $this->call('POST', '/api/kit/instruments', ['id' => 'D2', 'family' => 'noise-dosimeter', 'model' => 'Wren 2'], 422);
        $certificate = [
            'number' => 'new',
            'laboratory' => 'L',
            'issued' => '2026-10-01',
            'due' => '2027-10-01',
            'values' => [['nominal' => '114', 'certified' => '114.05', 'uncertainty' => '0.15']],
        ];
        self::assertCount(2, $this->call('POST', '/api/kit/references/A/certificates', $certificate, 201)->list('certificates'));
        $this->call('POST', '/api/kit/references/A/certificates', [...$certificate, 'due' => '2026-01-01'], 422);
        $this->call(
            'POST',
            '/api/kit/references',
            ['id' => 'Z', 'kind' => 'acoustic-calibrator', 'model' => 'Fork', 'adapters' => ['1/2 in'], 'certificates' => [$certificate]],
            201,
        );
        self::assertCount(
            1,
            $this->call(
                'POST',
                '/api/kit/references/A/recalls',
                ['since' => '2026-03-01T00:00:00+00:00', 'reason' => 'came back 0.4 dB low', 'error' => '-0,4'],
                201,
            )->list('recalls'),
        );
        $this->call('POST', '/api/kit/references/A/recalls', ['since' => '2026-03-01T00:00:00+00:00', 'reason' => 'came back'], 422);
        $this->call(
            'POST',
            '/api/kit/references/A/recalls',
            ['since' => '2026-03-01T00:00:00+00:00', 'reason' => 'came back', 'error' => 'some'],
            422,
        );
        self::assertSame('-0.4', $this->call('GET', '/api/kit')->string('references.0.recalls.0.error'));
        self::assertCount(2, $this->call('GET', '/api/kit')->list('instruments'));
        self::assertSame([], $this->call('GET', '/api/kit/instruments/D2')->list('histories.0.points'));
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/kit/references', ['id' => 'Y', 'kind' => 'acoustic-calibrator', 'model' => 'Fork'], 403);
        $this->call('POST', '/api/kit/references/A/certificates', $certificate, 403);
    }

    public function testCampaignsYardsticksAndExport(): void
    {
        $this->import(
            (new Scene())->check('k1', '07:30', ['114.0'])->run(
                'r1',
                '08:00',
                '16:00',
                '90.0',
                ['task' => '=HYPERLINK("x")'],
            )->check('k2', '16:30', ['114.0']),
        );
        $this->signIn(Role::Hygienist);
        $next = ['id' => 'next', 'title' => 'Next', 'site' => 'Mill', 'zone' => 'Europe/London', 'sets' => []];
        $this->call('POST', '/api/campaigns', $next, 201);
        $this->call('POST', '/api/campaigns', $next, 422);
        $this->call('POST', '/api/campaigns', ['id' => 'other', 'zone' => 'Mars/Base'] + $next, 422);
        $limits = [[
            'id' => 'own',
            'title' => 'house limit',
            'quantity' => 'laeq',
            'value' => '85',
            'unit' => 'dB(A)',
            'comparator' => '>',
            'scope' => 'hall',
            'source' => 'House rule 3',
            'mark' => 'own',
        ]];
        $version = $this->call('GET', '/api/campaigns')->int('campaigns.0.version');
        $this->call('POST', '/api/campaigns/c/yardsticks', ['version' => $version, 'criteria' => [], 'limits' => $limits]);
        self::assertSame('exceeded', $this->call('GET', '/api/results/r1')->string('assessment.results.0.limits.0.words'));
        $twice = ['version' => $version, 'criteria' => [], 'limits' => [...$limits, ...$limits]];
        $this->call('POST', '/api/campaigns/c/yardsticks', $twice, 422);
        self::assertStringContainsString("'=HYPERLINK", $this->call('GET', '/api/results.csv')->text);
        self::assertSame('record imported', array_column($this->call('GET', '/api/journal')->list('entries'), 'kind')[3]);
        self::assertNull($this->call('GET', '/api/journal/verify')->at('fault'));
    }
}
