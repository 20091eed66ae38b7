<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Logbook\RecordScope;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\Scene;

/** A laboratory's stand-in answers for practice media, and no real sample ever holds what it made up. */
final class LaboratoryStandInApiTest extends ApiTestCase
{
    private const TABLE = '/api/campaigns/c/custody/stand-in?substance=wood';

    private function kit(): void
    {
        $scene = (new AirScene())->check('pre', '07:30', ['2.000'])->run('r', '08:00', '16:00')->check('post', '16:30', ['2.000']);
        $scene->record['instruments'] = [AirScene::pump('P', ['practice' => true]), AirScene::pump('Q')];
        $scene->run('q', '08:00', '16:00', ['instrument' => 'Q']);
        $this->takeIn($scene);
    }

    private function takeIn(AirScene $scene): void
    {
        $this->importRecord($scene->record);
        $this->signIn(Role::Technician);
    }

    private function table(string $fault = ''): string
    {
        return $this->call('GET', self::TABLE.($fault === '' ? '' : '&fault='.$fault))->text;
    }

    /** @return array{int, string} the status, and what is answered */
    private function read(string $table, string $laboratory = 'Stand-in'): array
    {
        $preview = $this->call('POST', '/api/laboratory/preview', raw: $table, headers: ['X-Laboratory' => rawurlencode($laboratory)]);
        $told = [
            'number' => 'S-1', 'laboratory' => $laboratory, 'received' => '2026-03-20', 'blankCorrected' => 'yes',
            'desorptionCorrected' => 'yes', 'mapping' => $preview->at('mapping'), 'file' => 'stand-in.csv', 'reason' => 'again',
        ];
        $this->browser->request('POST', '/api/laboratory/import', server: [
            'HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => 'text/plain',
            'HTTP_X_REPORT' => rawurlencode(json_encode($told, \JSON_THROW_ON_ERROR)),
        ], content: $table);

        return [$this->browser->getResponse()->getStatusCode(), $this->browser->getInternalResponse()->getContent()];
    }

    public function testItsReportIsReadInAndIsPractice(): void
    {
        $this->kit();
        self::assertSame([false, true, false], array_column($this->call('GET', '/api/campaigns/c/custody')->list('media'), 'practice'));
        $table = $this->table('other-unit');
        self::assertSame($table, $this->table('other-unit'));
        self::assertStringContainsString('M-r', $table);
        self::assertStringNotContainsString('M-q', $table, 'what is real is no business of a stand-in');
        self::assertSame(200, $this->read($table)[0]);
        self::assertTrue($this->call('GET', '/api/laboratory')->at('reports.0.simulated'));
        self::assertSame(['M-q'], array_column($this->call('GET', '/api/laboratory')->list('awaited'), 'medium'));

        // Now in the other unit: what was remembered of the laboratory is not how this one is written.
        $again = $this->table();
        $preview = $this->call('POST', '/api/laboratory/preview', raw: $again, headers: ['X-Laboratory' => 'Stand-in']);
        self::assertFalse($preview->at('remembered'));
        self::assertSame(200, $this->read($again)[0]);

        // What it made up is in no package; a copy of the logbook has it.
        $record = function (bool $practice): string {
            $told = '';
            $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$told): void {
                $told = $content;
            }, new RecordScope($practice));

            return $told;
        };
        self::assertStringNotContainsString('simulated', $record(false));
        self::assertStringNotContainsString('M-r', $record(false));
        self::assertStringContainsString('simulated', $record(true));
    }

    public function testNoRealSampleHoldsIt(): void
    {
        $this->kit();
        [$status, $text] = $this->read(str_replace('M-r', 'M-q', $this->table('other-unit')));
        self::assertSame(422, $status);
        self::assertStringContainsString('M-q was on no practice unit', $text);
        self::assertSame(422, $this->read(str_replace('M-r', 'M-z', $this->table('other-unit')))[0], 'nor one that nobody knows yet');
        self::assertSame([], $this->call('GET', '/api/laboratory')->list('reports'));

        $this->read($this->table('other-unit'));
        $refused = $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'Q', 'person' => 'W-1', 'task' => 't', 'medium' => 'M-r',
            'start' => Scene::moment('17:00'), 'stop' => Scene::moment('18:00'),
        ], 422);
        self::assertSame('/medium', $refused->string('fields.0.field'));
        $learned = \count($this->call('GET', '/api/runs/q')->list('learned'));
        $moved = $this->call('POST', '/api/runs/q/facts', ['medium' => 'M-r', 'reason' => 'misread', 'seen' => $learned], 422);
        self::assertSame('/medium', $moved->string('fields.0.field'));
    }

    public function testWhatItCannotAnswerIsSaid(): void
    {
        $this->kit();
        $this->call('GET', '/api/campaigns/c/custody/stand-in?substance=stardust', status: 422);
        $this->call('GET', self::TABLE.'&fault=fire', status: 422);
        $this->call('GET', '/api/campaigns/nobody/custody/stand-in?substance=wood', status: 404);
        $this->signIn(Role::Reader);
        $this->call('GET', self::TABLE, status: 403);
    }

    public function testWithoutPracticeThereIsNothingToAnswer(): void
    {
        $this->takeIn((new AirScene())->check('pre', '07:30', ['2.000'])->run('r', '08:00', '16:00'));
        self::assertStringContainsString('No practice unit', $this->call('GET', self::TABLE, status: 422)->string('detail'));
    }
}
