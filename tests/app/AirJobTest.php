<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\AirScene;

/** Air sampling over the API: from the leak test to the signed concentration, and what laboratories send. */
final class AirJobTest extends ApiTestCase
{
    /** @return array<string, mixed> */
    private static function answers(string $flow, string $reference = 'S'): array
    {
        return [
            'steps' => AirScene::STEPS,
            'medium' => 'in line',
            'target' => ['value' => '2.0', 'unit' => 'L/min'],
            'leakStalled' => 'yes',
            'reference' => $reference,
            'temperature' => ['value' => '68', 'unit' => '°F'],
            'pressure' => ['value' => '1000', 'unit' => 'hPa'],
            'thermometer' => 'T',
            'barometer' => 'B',
            'adjusted' => false,
            'asFound' => [
                ['value' => $flow, 'provenance' => 'typed'],
                ['value' => $flow, 'provenance' => 'typed'],
                ['value' => '9', 'provenance' => 'typed', 'struck' => 'the piston stuck'],
                ['value' => $flow, 'provenance' => 'typed'],
            ],
        ];
    }

    private function check(string $flow, \DateTimeImmutable $at): string
    {
        $draft = $this->call('POST', '/api/bench/P/check');
        $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft->string('id'),
            ['version' => $draft->int('version'), 'answers' => [...self::answers($flow), 'at' => $at->format(\DATE_ATOM)]],
        );

        return $this->acceptDraft($draft->string('id'))->string('check');
    }

    public function testFromLeakTestToSignedConcentration(): void
    {
        $scene = (new AirScene())->limit('twa:wood', '1', 'mg/m³');
        $this->importRecord(self::certifiedLately($scene->record));
        $this->signIn(Role::Technician);
        $start = new \DateTimeImmutable('-7 hours');
        $this->check('2,000', $start->modify('-15 minutes'));
        $run = $this->call(
            'POST',
            '/api/runs',
            [
                'campaign' => 'c',
                'instrument' => 'P',
                'start' => $start->format(\DATE_ATOM),
                'person' => 'W-02',
                'task' => 'hand sanding',
                'place' => 'case room',
                'shiftMinutes' => '480',
                'medium' => 'MH-7',
                'sampler' => 'head',
                'method' => 'dust',
            ],
            201,
        )->string('id');
        $this->call(
            'POST',
            '/api/runs',
            [
                'campaign' => 'c',
                'instrument' => 'P',
                'start' => $start->modify('-2 days')->format(\DATE_ATOM),
                'stop' => $start->modify('-47 hours')->format(\DATE_ATOM),
                'person' => 'W-02',
                'task' => 't',
                'medium' => 'F0',
            ],
            422,
        );
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            [
                'stop' => $start->modify('+6 hours')->format(\DATE_ATOM),
                'clockOffsetSeconds' => '0',
                'timerMinutes' => '359',
                'fieldTemperature' => ['value' => '20', 'unit' => '°C'],
                'fieldPressure' => ['value' => '100', 'unit' => 'kPa'],
            ],
            201,
        );
        self::assertSame('MH-7', $this->call('GET', '/api/runs/'.$run)->string('family.values.medium'));
        $this->check('1,960', $start->modify('+6 hours 10 minutes'));

        $open = $this->call('GET', '/api/results/'.$run);
        self::assertSame('open', $open->string('assessment.verdict'));
        self::assertSame(['MH-7'], array_column($this->call('GET', '/api/laboratory')->list('awaited'), 'medium'));

        $lines = "Report 4711\nSample;Substance;Mass µg;LOQ µg\nMH-7;Wood dust;712,8;50\nF0;Wood dust;n.d.;50\nX-99;Wood dust;80;50\n";
        $preview = $this->call('POST', '/api/laboratory/preview', raw: $lines);
        self::assertSame(
            [';', 2, false],
            [$preview->string('mapping.delimiter'), $preview->int('mapping.skip'), $preview->at('remembered')],
        );
        self::assertSame(['medium', 'analyte', 'front', 'quantitation'], array_column($preview->list('mapping.columns'), 'field'));
        $report = [
            'number' => '4711',
            'laboratory' => 'Sallow Laboratory',
            'received' => '2026-03-20',
            'blankCorrected' => 'unknown',
            'desorptionCorrected' => 'no',
            'mapping' => $preview->at('mapping'),
            'file' => 'report.csv',
        ];
        $done = $this->report($report, $lines);
        self::assertSame(['X-99'], $done['unmatched'], 'what matches no sample is kept and named');
        self::assertSame($lines, $this->call('GET', '/api/laboratory/reports/'.$done['report'].'/file')->text);
        self::assertCount(3, $this->call('GET', '/api/laboratory/reports/'.$done['report'])->list('rows'));
        self::assertTrue(
            $this->call(
                'POST',
                '/api/laboratory/preview',
                raw: $lines,
                headers: ['X-Laboratory' => rawurlencode('Sallow Laboratory')],
            )->at('remembered'),
            'the mapping is remembered',
        );

        self::assertSame(
            'open',
            $this->call('GET', '/api/results/'.$run)->string('assessment.verdict'),
            'nobody knows yet whether blanks are out',
        );
        $this->call('POST', '/api/laboratory/reports/'.$done['report'].'/word', ['blankCorrected' => 'no'], 422);
        self::assertSame(
            'no',
            $this->call(
                'POST',
                '/api/laboratory/reports/'.$done['report'].'/word',
                ['blankCorrected' => 'no', 'reason' => 'on the telephone, 21 March'],
                201,
            )->string('reports.0.blankCorrected'),
        );

        $this->signIn(Role::Hygienist);
        $this->call('POST', "/api/runs/$run/facts", ['restOfDay' => ['was' => 'nothing', 'reason' => 'away from the dust']], 201);
        $result = $this->call('GET', '/api/results/'.$run);
        self::assertSame(
            [],
            array_filter(
                $result->list('assessment.findings'),
                static fn (mixed $finding): bool => \is_array($finding) && $finding['severity'] !== 'note',
            ),
        );
        self::assertSame('valid', $result->string('assessment.verdict'));
        $shown = array_column(
            array_map(
                static fn (mixed $one): array => \is_array($one)
                    ? ['key' => $one['key'], 'shown' => \is_array($one['value']) ? $one['value']['shown'] : '']
                    : [],
                $result->list('assessment.results'),
            ),
            'shown',
            'key',
        );
        // 1.98 L/min for 360 min are 712.8 L as sampled, and 712.8·(100/101.325)·(298.15/293.15) = 715.47 L as stated.
        self::assertSame('712.8', $shown['volume']);
        self::assertSame('0.996', $shown['conc:wood']);
        self::assertSame(['Air', 'Medium', 'As found', 'As left', 'Adjusted'], array_column($result->list('checks.0.cells'), 'label'));
        self::assertStringContainsString('[9 struck out: the piston stuck]', $result->string('checks.0.cells.2.shown'));
        $custody = $this->call('GET', '/api/campaigns/c/custody');
        self::assertSame(['MH-7', 'F0'], array_column($custody->list('media'), 'medium'));
        self::assertSame('712.8', $custody->string('media.0.volume'));

        $this->signIn(Role::Hygienist);
        $signed = $this->call('POST', "/api/results/$run/decision", ['kind' => 'sign', 'digest' => $result->string('digest')], 201);
        self::assertSame('valid', $signed->string('decisions.0.verdict'));

        // A second report on the same medium wants its reason, and what was signed says that evidence has changed.
        $this->signIn(Role::Technician);
        $again = [
            'number' => '4712',
            'laboratory' => 'Sallow Laboratory',
            'received' => '2026-04-02',
            'blankCorrected' => 'no',
            'desorptionCorrected' => 'no',
            'rows' => [['medium' => 'MH-7', 'analyte' => 'wood', 'front' => '900', 'unit' => 'µg']],
        ];
        $this->call('POST', '/api/laboratory/reports', $again, 422);
        $this->call('POST', '/api/laboratory/reports', [...$again, 'reason' => 'weighed again'], 201);
        self::assertNotNull($this->call('GET', '/api/results/'.$run)->at('changedSinceSigning'));
        self::assertNull($this->service(\Footnote\App\Journal\Journal::class)->verify()['fault']);
    }

    public function testABadReportKeepsNothingAndNamesItsLines(): void
    {
        $this->importRecord((new AirScene())->record);
        $this->signIn(Role::Technician);
        $mapping = [
            'delimiter' => ',',
            'skip' => 1,
            'unit' => 'µg',
            'columns' => [
                ['place' => 0, 'field' => 'medium'],
                ['place' => 1, 'field' => 'analyte'],
                ['place' => 2, 'field' => 'front'],
                ['place' => 3, 'field' => 'back'],
            ],
        ];
        $report = [
            'number' => '1',
            'laboratory' => 'L',
            'received' => '2026-03-20',
            'blankCorrected' => 'no',
            'desorptionCorrected' => 'no',
            'mapping' => $mapping,
            'file' => 'r.csv',
        ];
        $send = fn (string $lines, array $differs, int $status): Answer => $this->call(
            'POST',
            '/api/laboratory/import',
            status: $status,
            raw: $lines,
            headers: ['X-Report' => rawurlencode(json_encode([...$report, ...$differs], \JSON_THROW_ON_ERROR))],
        );
        $bad = $send("m,a,f,b\nA1,wood,12,\nA2,wood,many,\nA3,wood,,3\n,wood,4,\nA1,wood,13,\n", [], 422);
        self::assertSame(
            ['/line/3/front', '/line/4/front', '/line/5/medium', '/line/6/medium'],
            array_column($bad->list('fields'), 'field'),
        );
        self::assertStringContainsString('there is a back section without a front', $bad->string('fields.1.problem'));
        self::assertStringContainsString('stands in line 2 already', $bad->string('fields.3.problem'));
        $send('', [], 422);
        $send("m,a,f,b\n", [], 422);
        self::assertStringContainsString('line 2 holds a NUL', $send("m,a,f\nA\0,wood,1\n", [], 422)->string('detail'));
        $send("m,a,f\nA1,wood,1\n", ['laboratory' => "L\0"], 422);
        $send("m,a,f\nA1,wood,1\n", ['blankCorrected' => 'perhaps'], 422);
        $send("m,a,f\nA1,wood,1\n", ['desorptionCorrected' => null], 422);
        $send("m,a,f\nA1,wood,1\n", ['received' => 'yesterday'], 422);
        $send("m,a,f\nA1,wood,1\n", ['mapping' => [...$mapping, 'delimiter' => 'x']], 422);
        $send("m,a,f\nA1,wood,1\n", ['mapping' => [...$mapping, 'columns' => [['place' => 0, 'field' => 'medium']]]], 422);
        $this->call('POST', '/api/laboratory/import', status: 422, raw: 'x', headers: ['X-Report' => 'no json']);
        $this->call('POST', '/api/laboratory/preview', status: 422, raw: "\0\1");
        self::assertSame([], $this->call('GET', '/api/laboratory')->list('reports'));
    }

    /** A table with a column for every substance, in an encoding of long ago, with commas in its numbers. */
    public function testATableWithAColumnForEverySubstance(): void
    {
        $this->importRecord((new AirScene())->record);
        $this->signIn(Role::Technician);
        $lines = "Tube\tToluene (µg)\tAcetone (µg)\nT-1\t226,0\t<2\nT-2\t12,5\t40,0\n";
        $latin = (string) iconv('UTF-8', 'Windows-1252', $lines);
        $preview = $this->call('POST', '/api/laboratory/preview', raw: $latin);
        self::assertSame([null, 'toluene', 'acetone'], array_column($preview->list('mapping.columns'), 'analyte'));
        $done = $this->report(
            [
                'number' => '2',
                'laboratory' => 'L',
                'received' => '2026-03-20',
                'blankCorrected' => 'yes',
                'desorptionCorrected' => 'yes',
                'mapping' => $preview->at('mapping'),
                'file' => 'tubes.txt',
            ],
            $latin,
        );
        self::assertSame(4, $done['rows']);
        self::assertSame($latin, $this->call('GET', '/api/laboratory/reports/'.$done['report'].'/file')->text, 'kept byte for byte');
    }

    public function testBlanksAndLibraries(): void
    {
        $this->importRecord((new AirScene())->check('k1', '07:45', ['2.0'])->run('r', '08:00', '14:00')->record);
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/laboratory/blanks', ['campaign' => 'c', 'medium' => 'B-1', 'kind' => 'media', 'note' => 'same box'], 201);
        $this->call('POST', '/api/laboratory/blanks', ['campaign' => 'c', 'medium' => 'B-1', 'kind' => 'field'], 422);
        self::assertStringContainsString(
            'run r',
            $this->call('POST', '/api/laboratory/blanks', ['campaign' => 'c', 'medium' => 'M-r', 'kind' => 'field'], 422)->string('detail'),
        );
        $this->call('POST', '/api/laboratory/blanks', ['campaign' => 'c', 'medium' => 'B-2', 'kind' => 'spare'], 422);

        $shelves = $this->call('GET', '/api/kit/library')->list('shelves');
        self::assertCount(7, $shelves);
        $this->call(
            'POST',
            '/api/kit/library/substances',
            ['code' => 'xylene', 'name' => 'xylene', 'molarMass' => '106,17', 'source' => 'NIOSH Pocket Guide'],
            201,
        );
        $this->call('POST', '/api/kit/library/substances', ['code' => 'xylene', 'name' => 'xylene'], 422);
        $this->call('POST', '/api/kit/library/substances', ['code' => 'heavy', 'name' => 'heavy', 'molarMass' => 'much'], 422);
        $this->call('POST', '/api/kit/library/shoes', ['code' => 'a', 'name' => 'b'], 404);
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/kit/library/substances', ['code' => 'z', 'name' => 'z'], 403);
        self::assertSame(
            self::sorted(array_keys(\Footnote\Core\Families::formats()->all())),
            self::sorted(array_column($this->call('GET', '/api/kit/forms')->list('families'), 'id')),
        );
    }

    public function testKitOfAirSampling(): void
    {
        $this->importRecord((new AirScene())->record);
        $this->signIn(Role::Steward);
        $flow = static fn (string $value): array => ['value' => $value, 'unit' => 'L/min'];
        $certificate = ['number' => 'v', 'laboratory' => 'L', 'issued' => '2025-09-01', 'due' => '2030-09-01'];
        $this->call(
            'POST',
            '/api/kit/references',
            [
                'id' => 'V',
                'kind' => 'venturi',
                'model' => 'm',
                'scale' => 'L/min',
                'throats' => [['name' => 'A', 'low' => $flow('1.5'), 'high' => $flow('6')]],
                'certificates' => [$certificate],
            ],
            201,
        );
        $this->call(
            'POST',
            '/api/kit/references',
            ['id' => 'O', 'kind' => 'transfer-orifice', 'model' => 'm', 'certificates' => [$certificate]],
            422,
        );
        $orifice = $this->call(
            'POST',
            '/api/kit/references',
            [
                'id' => 'O',
                'kind' => 'transfer-orifice',
                'model' => 'm',
                'certificates' => [[...$certificate, 'slope' => '9.89', 'intercept' => '-0.05', 'flowUnit' => 'm³/min']],
            ],
            201,
        );
        self::assertSame(['9.89', '-0.05', 'm³/min'], array_column($orifice->list('constants'), 'shown'));
        $this->call(
            'POST',
            '/api/kit/references',
            [
                'id' => 'R',
                'kind' => 'rotameter',
                'model' => 'm',
                'scale' => 'L/min',
                'floatRead' => 'middle',
                'calibratedTemperature' => ['value' => '20', 'unit' => '°C'],
                'calibratedPressure' => ['value' => '760', 'unit' => 'mmHg'],
                'certificates' => [$certificate],
            ],
            422,
        );
        $this->call(
            'POST',
            '/api/kit/instruments',
            ['id' => 'P2', 'family' => 'air-sampler', 'model' => 'm', 'kind' => 'balloon', 'flowControl' => 'compensated'],
            422,
        );
        self::assertSame(
            'air sampler',
            $this->call(
                'POST',
                '/api/kit/instruments',
                ['id' => 'P2', 'family' => 'air-sampler', 'model' => 'm', 'kind' => 'fixed sampler', 'flowControl' => 'critical orifice'],
                201,
            )->string('familyTitle'),
        );
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/bench/P2/check?procedure=dance', status: 422);
        $draft = $this->call('POST', '/api/bench/P2/check?procedure=calibration');
        self::assertSame('calibration', $draft->string('procedure.id'));
        self::assertContains('sampling-on', array_column($draft->list('procedure.steps'), 'id'));
        $live = $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft->string('id'),
            [
                'version' => $draft->int('version'),
                'answers' => [
                    'procedure' => 'calibration',
                    'reference' => 'S',
                    'temperature' => ['value' => '70', 'unit' => '°C'],
                    'pressure' => ['value' => '0', 'unit' => 'kPa'],
                    'asFound' => [['value' => 'two', 'provenance' => 'typed'], ['value' => '2.0', 'provenance' => 'typed']],
                ],
            ],
        );
        self::assertSame(['/flow/asFound/0/value', '/flow/pressure/value'], array_column($live->list('problems'), 'field'));
        self::assertStringContainsString('Was it °F?', $live->string('live.questions.0'));
        self::assertSame('two', $live->string('answers.asFound.0.value'), 'what was typed is kept');
    }

    public function testAPlanSaysWhatItTakes(): void
    {
        $this->importRecord((new AirScene())->check('k1', '07:00', ['2.0'])->check('k2', '09:00', ['1.9'])->record);
        $this->signIn(Role::Technician);
        self::assertNotSame([], $this->call('GET', '/api/plan')->list('entries'));
        $asked = [
            'limit' => ['value' => '1', 'unit' => 'mg/m³'],
            'share' => '0.1',
            'quantitation' => ['value' => '50', 'unit' => 'µg'],
            'flow' => ['value' => '2.0', 'unit' => 'L/min'],
            'shiftMinutes' => '480',
            'method' => 'dust',
            'unit' => 'P',
        ];
        $plan = $this->call('POST', '/api/plan', $asked);
        self::assertSame([true, 1, '500'], [$plan->at('usable'), $plan->int('media'), $plan->string('lines.0.shown')]);
        self::assertStringContainsString('within 5.0 % of the limit', implode(' ', array_filter($plan->list('words'), \is_string(...))));
        foreach ([
            ['limit' => null],
            ['limit' => ['value' => '10', 'unit' => 'ppm']],
            ['share' => '0'],
            ['method' => 'none'],
            ['unit' => 'nobody'],
            ['flow' => ['value' => '-2', 'unit' => 'L/min']],
        ] as $differs) {
            $this->call('POST', '/api/plan', [...$asked, ...$differs], $differs === ['unit' => 'nobody'] ? 404 : 422);
        }
    }

    /** A recalled thermometer touches what leaned on it, though no check names it as its standard. */
    public function testARecalledThermometer(): void
    {
        $this->importRecord(
            (new AirScene())
                ->check('k1', '07:45', ['2.0'])
                ->run('r', '08:00', '14:00')
                ->check('k2', '14:10', ['2.0'])
                ->found('r', '720')->record,
        );
        $this->signIn(Role::Steward);
        self::assertSame('valid', $this->call('GET', '/api/results/r')->string('assessment.verdict'));
        $this->call(
            'POST',
            '/api/kit/references/T/recalls',
            ['since' => '2026-03-01T00:00:00+00:00', 'reason' => 'reads 3 K high', 'error' => null],
            201,
        );
        self::assertSame('qualified', $this->call('GET', '/api/results/r')->string('assessment.verdict'));
    }

    /** New word on one sample of a shift is worked into the others. */
    public function testAShiftIsWorkedOutAgainTogether(): void
    {
        $scene = (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r1', '08:00', '12:00')
            ->run('r2', '12:00', '16:00')
            ->check('k2', '16:10', ['2.0'])
            ->found('r1', '480');
        $this->importRecord($scene->record);
        $this->signIn(Role::Technician);
        $notes = fn (): string => json_encode($this->call('GET', '/api/results/r1')->at('assessment.results'), \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('r2 is not in it', $notes());
        $report = [
            'number' => '2',
            'laboratory' => 'L',
            'received' => '2026-03-20',
            'blankCorrected' => 'yes',
            'desorptionCorrected' => 'yes',
            'rows' => [['medium' => 'M-r2', 'analyte' => 'wood', 'front' => '960', 'unit' => 'µg']],
        ];
        $id = ['X-Request-Id' => 'report-0002'];
        $kept = $this->call('POST', '/api/laboratory/reports', $report, 201, headers: $id)->text;
        // Sent again after a lost answer, it is not a second report.
        self::assertSame($kept, $this->call('POST', '/api/laboratory/reports', $report, 201, headers: $id)->text);
        self::assertStringContainsString('Made of r1 (240 min, valid), r2 (240 min, valid)', $notes());
    }

    /** What is exported can be imported elsewhere and says the same. */
    public function testExportSaysTheSame(): void
    {
        $this->importRecord(
            (new AirScene())
                ->check('k1', '07:45', ['2.0'])
                ->run('r', '08:00', '14:00')
                ->check('k2', '14:10', ['2.0'])
                ->found('r', '720')
                ->limit('twa:wood', '1', more: ['mixture' => 'dust'])->record,
        );
        $written = [];
        $take = static function (string $name, string $content) use (&$written): void {
            $written[$name] = $content;
        };
        $this->service(\Footnote\App\Logbook\CampaignRecord::class)->export('c', $take);
        $record = json_decode($written['record.json'] ?? '', true, 64, \JSON_THROW_ON_ERROR);
        $campaign = (new \Footnote\Core\Record\RecordReader(\Footnote\Core\Families::formats()))->read(
            $record,
            static fn (string $name): \Footnote\Core\Log\LogFile => \Footnote\Core\Log\LogFile::ofText($name, ''),
        );
        $timeline = $campaign->timelines['P'];
        $assessment = \Footnote\Core\Families::assessor()->assess(
            $timeline->runs()[0],
            $timeline,
            \Footnote\Tests\Core\Scene::policy('standard'),
            $campaign->yardsticks,
        );
        $this->signIn(Role::Reader);
        $here = array_column(
            array_map(
                static fn (mixed $one): array => \is_array($one)
                    ? ['key' => $one['key'], 'shown' => \is_array($one['value']) ? $one['value']['shown'] : '']
                    : [],
                $this->call('GET', '/api/results/r')->list('assessment.results'),
            ),
            'shown',
            'key',
        );
        self::assertSame($here['conc:wood'], \Footnote\Tests\Core\Scene::result($assessment, 'conc:wood')->reportedFigure()->shown());
    }

    /**
     * @param array<string, mixed> $report
     *
     * @return array{report: string, rows: int, unmatched: list<string>}
     */
    private function report(array $report, string $lines): array
    {
        $said = $this->call(
            'POST',
            '/api/laboratory/import',
            raw: $lines,
            headers: ['X-Report' => rawurlencode(json_encode($report, \JSON_THROW_ON_ERROR))],
        )->text;
        $last = json_decode((string) strrchr("\n".trim($said), "\n"), true, 16, \JSON_THROW_ON_ERROR);
        self::assertIsArray($last);
        self::assertArrayHasKey('report', $last, $said);

        /** @var array{report: string, rows: int, unmatched: list<string>} */
        return $last;
    }

    /**
     * @param list<mixed> $list
     *
     * @return list<mixed>
     */
    private static function sorted(array $list): array
    {
        sort($list);

        return $list;
    }
}
