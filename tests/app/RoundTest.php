<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;

/** A row of units on one reference: each is read before any is adjusted, what they share is seen between, and the record says how. */
final class RoundTest extends ApiTestCase
{
    private const UNITS = ['D', 'E', 'F'];

    protected function setUp(): void
    {
        parent::setUp();
        $scene = (new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00');
        foreach (['E', 'F'] as $unit) {
            $scene->add('instruments', ['id' => $unit, 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in']);
            $scene->check('k'.$unit, '07:40', ['114.0'], more: ['instrument' => $unit]);
        }
        $this->importRecord(self::certifiedLately($scene->record));
        $this->signIn(Role::Technician);
    }

    public function testARowIsReadBeforeAnyUnitOfItIsAdjusted(): void
    {
        $round = $this->call('POST', '/api/bench/rounds', ['units' => self::UNITS, 'procedure' => 'acoustic-check'], 201);
        $id = $round->string('id');
        self::assertSame([null, null, false], [$round->at('reference'), $round->at('shift'), $round->at('units.0.isRead')]);
        $set = $this->call('POST', "/api/bench/rounds/$id/reference", ['reference' => 'A', 'setting' => '114']);
        self::assertSame('A', $set->string('reference'));

        foreach (['114.3', '114.3', '114.4'] as $place => $found) {
            self::assertNull($this->call('GET', '/api/bench/rounds/'.$id)->at('shift'), 'two units are no row');
            $this->answer($set->string("units.$place.draft"), ['asFound' => [['value' => $found, 'provenance' => 'typed']]]);
        }
        $read = $this->call('GET', '/api/bench/rounds/'.$id);
        // What they share is known before anybody adjusts: the reference is the likelier cause.
        self::assertSame([0.3, 'A', true, false], [
            $read->at('shift.shared'), $read->at('shift.reference'), $read->at('units.2.isRead'), $read->at('units.2.isSettled'),
        ]);
        self::assertEqualsWithDelta(0.4, $read->at('units.2.drift'), 1e-9);

        foreach ([0, 1, 2] as $place) {
            $this->answer($read->string("units.$place.draft"), ['adjusted' => false], skip: $place === 2 ? ['windscreen-on'] : []);
        }
        $settled = $this->call('GET', '/api/bench/rounds/'.$id);
        self::assertSame([true, false, ['Windscreen on']], [
            $settled->at('units.2.isSettled'), $settled->at('units.2.adjusted'), $settled->at('units.2.skipped'),
        ]);
        foreach ([0, 1] as $place) {
            $draft = $settled->string("units.$place.draft");
            $this->call('POST', "/api/bench/drafts/$draft/accept", ['version' => $settled->int("units.$place.version")], 201);
        }
        $this->call('POST', '/api/bench/drafts/'.$settled->string('units.2.draft').'/break-off', [
            'version' => $settled->int('units.2.version'), 'reason' => 'battery',
        ], 201);

        $over = $this->call('GET', '/api/bench/rounds/'.$id);
        self::assertSame([null, null, null], array_column($over->list('units'), 'draft'));
        $page = $this->call('GET', '/api/checks/'.$over->string('units.0.check'));
        self::assertSame(self::UNITS, $page->at('round'));
        $steps = array_column($page->list('steps'), null, 'id');
        self::assertIsArray($steps['as-found']);
        self::assertSame(['stopped', 'windscreen-off', 'adapter', 'steady'], $steps['as-found']['together']);
        self::assertIsString($steps['as-found']['at']);
        self::assertIsArray($steps['reference']);
        self::assertSame([], $steps['reference']['together'], 'it was chosen for the whole row by a press of its own');
    }

    public function testWhatIsNoRowIsRefused(): void
    {
        $refused = fn (array $units, string $procedure = 'acoustic-check'): string => $this
            ->call('POST', '/api/bench/rounds', ['units' => $units, 'procedure' => $procedure], 422)->string('fields.0.field');
        self::assertSame('/units', $refused(['D']));
        self::assertSame('/units', $refused(['D', 'D']));
        self::assertSame('/units/1', $refused(['D', 'nobody']));
        self::assertSame('/units/0', $refused(['D', 'E'], 'gas-calibration'));
        $round = $this->call('POST', '/api/bench/rounds', ['units' => ['D', 'E'], 'procedure' => 'acoustic-check'], 201)->string('id');
        $this->call('POST', "/api/bench/rounds/$round/reference", ['reference' => 'nothing'], 422);
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/bench/rounds', ['units' => ['D', 'E'], 'procedure' => 'acoustic-check'], 403);
        $this->call('GET', '/api/bench/rounds/nothing', status: 404);
    }

    /** What is half done of a unit goes on in the row with its answers; a reference that something was read against stays. */
    public function testAHalfDoneCheckGoesOnInTheRow(): void
    {
        $begun = $this->call('POST', '/api/bench/D/check');
        $found = [['value' => '114.1', 'provenance' => 'typed']];
        $this->answer($begun->string('id'), ['reference' => 'B', 'setting' => '114', 'asFound' => $found]);
        $round = $this->call('POST', '/api/bench/rounds', ['units' => ['D', 'E'], 'procedure' => 'acoustic-check'], 201);
        self::assertSame($begun->string('id'), $round->string('units.0.draft'));
        $id = $round->string('id');
        $this->call('POST', "/api/bench/rounds/$id/reference", ['reference' => 'A', 'setting' => '114']);
        $answers = fn (int $place): array => $this->call('GET', '/api/bench/drafts/'.$round->string("units.$place.draft"))->list('answers');
        self::assertSame(['B', 'A'], [$answers(0)['reference'], $answers(1)['reference']]);
        self::assertSame($id, $this->call('GET', '/api/bench')->string('units.0.draft.round'));
    }

    /** When a step was done is what the server heard, whatever a telephone says; of a sheet of paper nobody knows it. */
    public function testTheServerNotesWhenAStepWasDone(): void
    {
        $begun = $this->call('POST', '/api/bench/D/check');
        $path = '/api/bench/drafts/'.$begun->string('id');
        $lie = ['stopped' => '2001-01-01T00:00:00+00:00'];
        $put = fn (int $version, array $answers): Answer => $this->call('PUT', $path, ['version' => $version, 'answers' => $answers]);
        $first = $put(
            $begun->int('version'),
            ['steps' => ['stopped' => 'done'], 'stepTimes' => $lie, 'waits' => ['steady' => '2001-01-01T00:00:00Z']],
        );
        $noted = $first->string('answers.stepTimes.stopped');
        self::assertStringStartsNotWith('2001', $noted);
        self::assertStringStartsNotWith('2001', $first->string('answers.stepWaits.steady'));
        $again = $put($first->int('version'), ['steps' => ['stopped' => 'done', 'adapter' => 'done']]);
        self::assertSame($noted, $again->string('answers.stepTimes.stopped'), 'the first time stays');
        $paper = $put($again->int('version'), ['steps' => ['stopped' => 'done'], 'fromPaper' => true]);
        self::assertArrayNotHasKey('stepTimes', $paper->list('answers'));
    }

    /** A step that the chosen cylinder leaves nothing to do at is not waited for: its gas can raise no alarm. */
    public function testAStepThatTheReferenceLeavesOutIsNotWaitedFor(): void
    {
        $scene = new GasScene();
        foreach (['H', 'I'] as $unit) {
            $scene->add('instruments', ['id' => $unit, 'family' => 'gas-monitor', 'model' => 'M', 'channels' => [
                ['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500', 'alarm' => '60'],
            ]]);
        }
        $scene->add('instruments', ['id' => 'V', 'family' => 'gas-monitor', 'model' => 'M', 'channels' => [
            ['name' => 'PID', 'kind' => 'photoionisation', 'lamp' => '10.6', 'range' => '2000'],
        ]]);
        $record = $scene->record;
        $record['campaign'] = ['code' => 'gases', 'title' => 'g'];
        $this->importRecord(self::certifiedLately($record));
        // A unit of the same family with other channels has other steps; each is asked its own.
        $round = $this->call('POST', '/api/bench/rounds', ['units' => ['H', 'I', 'V'], 'procedure' => 'bump-test'], 201);
        self::assertContains('mix-found', $round->list('units.0.untilAdjusted'));
        self::assertContains('isobutylene-found', $round->list('units.2.untilAdjusted'));
        self::assertNotContains('mix-found', $round->list('units.2.untilAdjusted'));
        $id = $round->string('id');
        $this->call('POST', "/api/bench/rounds/$id/reference", ['reference' => 'MIX']);
        $seen = $this->call('GET', '/api/bench/drafts/'.$round->string('units.0.draft'));
        self::assertSame(['mix-bottle', 'mix-found', 'gas-off', 'purged'], array_column($seen->list('procedure.steps'), 'id'));
        $this->call('PUT', '/api/bench/drafts/'.$seen->string('id'), ['version' => $seen->int('version'), 'answers' => [
            ...$seen->list('answers'),
            'steps' => ['mix-bottle' => 'done', 'mix-found' => 'done', 'gas-off' => 'done'],
            'mixFound' => [['channel' => 'CO', 'value' => '49', 'provenance' => 'typed']],
        ]]);
        $read = $this->call('GET', '/api/bench/rounds/'.$id);
        self::assertSame([true, true, false], [$read->at('units.0.isRead'), $read->at('units.0.isSettled'), $read->at('units.1.isRead')]);
    }

    /**
     * Confirms what is left of its turn by one press, as the bench does.
     *
     * @param array<string, mixed> $answers
     * @param list<string>         $skip
     */
    private function answer(string $draft, array $answers, array $skip = []): void
    {
        $seen = $this->call('GET', '/api/bench/drafts/'.$draft);
        $so = [...$seen->list('answers'), ...$answers];
        $turn = isset($answers['adjusted'])
            ? ['adjust', 'calibrator-off', 'windscreen-on']
            : ['stopped', 'windscreen-off', 'adapter', 'steady', 'as-found'];
        $steps = \is_array($so['steps'] ?? null) ? $so['steps'] : [];
        foreach ($turn as $step) {
            $steps[$step] = \in_array($step, $skip, true) ? 'skipped' : 'done';
        }
        $together = \is_array($so['together'] ?? null) ? $so['together'] : [];
        $this->call('PUT', '/api/bench/drafts/'.$draft, ['version' => $seen->int('version'), 'answers' => [
            ...$so, 'steps' => $steps, 'together' => [...$together, ['steps' => array_values(array_diff($turn, $skip))]],
        ]]);
    }
}
