<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\Tests\Core\Scene;

/** A site writes down how it checks a model: its checks are walked with it, and keep what they were asked. */
final class ModelSheetsTest extends ApiTestCase
{
    private const SHEET = [
        'code' => 'M-1', 'name' => 'Model M', 'family' => 'noise-dosimeter', 'models' => [['model' => 'M']],
        'source' => 'manual, page 12',
        'minutes' => '8',
        'steps' => [
            ['code' => 'battery', 'before' => 'reference', 'kind' => 'entries', 'title' => 'Battery', 'instruction' => 'Write'],
            ['code' => 'saved', 'after' => 'as-left', 'kind' => 'confirm', 'title' => 'Saved', 'instruction' => '.',
                'onlyAdjusted' => true],
            ['code' => 'soak', 'after' => 'adapter', 'kind' => 'wait', 'seconds' => '60', 'title' => 'Soak', 'instruction' => 'Wait'],
        ],
        'writes' => [['step' => 'battery', 'label' => 'Battery', 'unit' => 'V', 'least' => '2.4', 'otherwise' => 'Exchange it']],
        'waits' => [['step' => 'steady', 'seconds' => '45']],
        'expected' => [['list' => 'asFound', 'unit' => 'dB', 'least' => '112', 'most' => '116', 'otherwise' => 'mistyped']],
        'keys' => [['step' => 'adjust', 'press' => 'Menu, Cal, Enter']],
        'messages' => [['shows' => 'E 4', 'means' => 'too loud']],
        'reasons' => [['step' => 'windscreen-off', 'reason' => 'none on it']],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $scene = (new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00');
        $this->importRecord(self::certifiedLately($scene->record));
        $this->signIn(Role::Technician);
    }

    /** @param array<string, mixed> $more */
    private function shelve(array $more = [], int $status = 201): Answer
    {
        return $this->call('POST', '/api/kit/library/model-sheets', [...self::SHEET, ...$more], $status);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return string the field that was refused
     */
    private function refused(array $more): string
    {
        return $this->shelve($more, 422)->string('fields.0.field');
    }

    /** @return array<array-key, array<array-key, mixed>> rows by one of their fields */
    private static function by(mixed $rows, string $key = 'id'): array
    {
        self::assertIsArray($rows);
        $by = [];
        foreach ($rows as $row) {
            self::assertIsArray($row);
            self::assertIsString($row[$key]);
            $by[$row[$key]] = $row;
        }

        return $by;
    }

    /** @param array<string, mixed> $answers */
    private function answer(string $id, array $answers): Answer
    {
        $draft = $this->call('GET', '/api/bench/drafts/'.$id);

        return $this->call('PUT', '/api/bench/drafts/'.$id, [
            'version' => $draft->int('version'),
            'answers' => [...$draft->list('answers'), ...$answers],
        ]);
    }

    public function testACheckIsWalkedWithTheSheetOfItsModelAndKeepsWhatItWasAsked(): void
    {
        $this->shelve();
        $draft = $this->call('POST', '/api/bench/D/check');
        $id = $draft->string('id');
        $steps = self::by($draft->list('procedure.steps'));
        $order = array_keys($steps);
        self::assertSame('reference', $order[(int) array_search('M-1.battery', $order, true) + 1]);
        self::assertSame([45, true], [$steps['steady']['seconds'] ?? null, $steps['M-1.soak']['isOwn'] ?? null]);
        self::assertSame(['Menu, Cal, Enter'], $steps['adjust']['press'] ?? null);
        self::assertSame(['none on it'], $steps['windscreen-off']['reasons'] ?? null);
        self::assertSame('adjusted', $steps['M-1.saved']['when'] ?? null);
        self::assertSame(['E 4', '8'], [$draft->at('sheets.0.messages.0.shows'), $draft->at('sheets.0.minutes')]);

        // What is far off is asked about while it is typed, and a number that is none is named at its field.
        $typed = $this->answer($id, [
            'reference' => 'A', 'setting' => '114', 'M-1.battery.0' => 'low',
            'asFound' => [['value' => '141.0', 'provenance' => 'typed']], 'adjusted' => false, 'sheets' => [],
        ]);
        self::assertSame('/M-1.battery.0', $typed->string('problems.0.field'));
        $asks = 'The model sheet asks: reading 141.0 dB; usual is from 112 to 116 dB: mistyped?';
        self::assertSame($asks, $typed->string('live.questions.1'));
        self::assertSame(['M-1'], $typed->at('answers.sheets'), 'nobody takes a sheet away from a check');
        $this->acceptDraft($id, 422);

        $half = $this->answer($id, [
            'M-1.battery.0' => '2.3', 'asFound' => [['value' => '114.1', 'provenance' => 'typed']],
            'steps' => [...Scene::STEPS, 'M-1.battery' => 'done', 'M-1.soak' => 'skipped'],
        ]);
        self::assertSame('Battery 2.3 V; usual is at least 2.4 V: exchange it.', $half->string('live.questions.0'));

        // Another sheet takes its place: the half-done check goes on with the one that it began with.
        $other = ['code' => 'M-2', 'replaces' => 'M-1', 'steps' => [], 'writes' => []];
        $this->shelve($other, 403);
        $this->signIn(Role::Steward);
        $this->shelve($other);
        $this->signIn(Role::Technician);
        self::assertSame('M-1', $this->call('GET', '/api/bench/drafts/'.$id)->string('sheets.0.code'));
        $number = $this->acceptDraft($id)->string('check');
        $page = $this->call('GET', '/api/checks/'.$number);
        $told = self::by($page->list('steps'));
        self::assertSame(['done', 'M-1'], [$told['M-1.battery']['state'] ?? null, $told['M-1.battery']['sheet'] ?? null]);
        self::assertSame(
            [['words' => 'Battery 2.3 V; usual is at least 2.4 V: exchange it', 'isUnusual' => true]],
            $told['M-1.battery']['values'] ?? null,
        );
        self::assertSame('skipped', $told['M-1.soak']['state'] ?? null);
        self::assertArrayNotHasKey('M-1.saved', $told, 'it was not adjusted');
        self::assertSame('M-2', $this->call('POST', '/api/bench/D/check')->string('sheets.0.code'));

        // It weighs on what rests on it, and a mistyped digit is corrected like any other.
        $rules = fn (): array => array_column($this->call('GET', '/api/results/r')->list('assessment.findings'), 'rule');
        self::assertContains('procedure.own-value-unusual', $rules());
        self::assertContains('procedure.step-not-confirmed', $rules(), 'a soak that was skipped');
        $paths = array_column($page->list('values'), 'label', 'path');
        self::assertSame('/own/0/value', array_search('Battery', $paths, true));
        $this->call(
            'POST',
            "/api/checks/$number/correction",
            ['changes' => ['/own/0/value' => '2.8'], 'reason' => 'read again on the sheet', 'how' => 'transcribed'],
            201,
        );
        self::assertNotContains('procedure.own-value-unusual', $rules());

        // The record says what was asked, and goes into another logbook.
        $files = [];
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$files): void {
            $files[$name] = $content;
        });
        $record = json_decode($files['record.json'] ?? '', true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($record);
        self::assertIsArray($record['checks']);
        $own = self::by($record['checks'])[$number]['own'] ?? null;
        self::assertIsArray($own);
        self::assertSame(['M-1.battery', 'M-1.soak'], array_column($own, 'step'));
    }

    public function testTheSheetIsShownAsAChecksWalkAndTriedBeforeItIsAdded(): void
    {
        $form = $this->call('GET', '/api/kit/sheets/form?model=M');
        $steps = self::by($form->list('entries'), 'name')['steps']['rows'] ?? null;
        $after = self::by($steps, 'name')['after']['choices'] ?? null;
        self::assertSame('Calibrator', self::by($after, 'value')['reference']['words'] ?? null);

        $walk = $this->call('POST', '/api/kit/sheets/preview?model=M', [...self::SHEET, 'keys' => [['step' => 'nowhere', 'press' => 'X']]]);
        self::assertSame('D', $walk->string('unit'));
        self::assertStringContainsString('"nowhere"', $walk->string('misplaced.0'));
        self::assertNotContains('M-1', array_column($this->call('GET', '/api/kit/sheets')->list('sheets'), 'code'), 'nothing was added');

        $this->shelve();
        $all = $this->call('GET', '/api/kit/sheets');
        self::assertSame(['M-1'], $all->at('models.0.sheets'));
        $page = $this->call('GET', '/api/kit/sheets/of/M-1');
        self::assertSame('M', $page->string('walks.0.model'));
        self::assertSame(
            self::SHEET['steps'],
            $this->call('GET', '/api/kit/library/model-sheets/M-1')->list('steps'),
            'it goes out as it came in',
        );
    }

    public function testWhatIsNoSheetIsRefusedByName(): void
    {
        self::assertSame('/steps/0/seconds', $this->refused(['steps' => [[...self::SHEET['steps'][2], 'seconds' => '']]]));
        self::assertSame('/writes/0/step', $this->refused(['steps' => []]));
        $this->shelve(['source' => str_repeat('x', 5000)], 422);
        $this->shelve(['steps' => 'all'], 422);
        self::assertSame('/family', $this->refused(['family' => 'no-such-family']));
        $this->shelve(['family' => 'gas-monitor']);
        self::assertSame([], $this->call('POST', '/api/bench/D/check')->list('sheets'), 'a model of another family');
        $this->call('GET', '/api/kit/sheets/form?model=nothing', status: 404);
        $this->call('GET', '/api/kit/sheets/of/nothing', status: 404);
        $this->signIn(Role::Reader);
        $this->shelve(['code' => 'R'], 403);
        $this->call('POST', '/api/kit/sheets/preview?model=M', self::SHEET, 403);
    }
}
