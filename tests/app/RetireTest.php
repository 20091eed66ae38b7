<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\Tests\Core\Scene;

/** Out of use: nothing new begins, what was measured stands; and back again. Either is said with a reason and stays on record. */
final class RetireTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0'])->record;
        $this->importRecord(self::certifiedLately($record));
        $this->signIn(Role::Steward);
    }

    public function testNothingNewBeginsOnAUnitOutOfUseAndWhatItMeasuredStands(): void
    {
        $verdict = fn (): string => $this->call('GET', '/api/results')->string('rows.0.verdict');
        $before = $verdict();
        $this->retire('instruments/D', 'the microphone is broken');
        self::assertSame([], $this->call('GET', '/api/bench')->list('units'));
        self::assertSame('the microphone is broken', $this->call('GET', '/api/kit')->string('instruments.0.retired.reason'));
        self::assertSame('S-1', $this->call('GET', '/api/kit/instruments/D')->string('retired.by'));
        self::assertStringContainsString('out of use', $this->call('POST', '/api/bench/D/check', status: 422)->string('detail'));
        $this->call('POST', '/api/bench/rounds', ['units' => ['D', 'E'], 'procedure' => 'acoustic-check'], 422);
        $start = ['campaign' => 'c', 'instrument' => 'D', 'person' => 'W', 'task' => 't', 'start' => '2026-03-02T17:00:00+00:00'];
        self::assertSame('/instrument', $this->call('POST', '/api/runs', $start, 422)->string('fields.0.field'));
        self::assertSame($before, $verdict());

        $this->retire('instruments/D', 'again', status: 409);
        $this->retire('instruments/D', 'repaired', back: true);
        self::assertNull($this->call('GET', '/api/kit/instruments/D')->at('retired'));
        $this->call('POST', '/api/bench/D/check');
        $this->retire('instruments/D', 'it is in use', back: true, status: 409);
        self::assertSame(
            ['S-1 took D back into use: repaired.', 'S-1 took D out of use: the microphone is broken.'],
            \array_slice(array_column($this->call('GET', '/api/journal?about=D')->list('entries'), 'sentence'), 1, 2),
        );
    }

    /** A cylinder that is empty is no longer offered; one that a half-done check names already stays named. */
    public function testAReferenceOutOfUseIsNotOffered(): void
    {
        $draft = $this->call('POST', '/api/bench/D/check');
        $offered = fn (): array => array_column($this->call('GET', '/api/bench/drafts/'.$draft->string('id'))->list('references'), 'id');
        self::assertSame(['A', 'B'], $offered());
        $this->retire('references/B', 'sent back');
        self::assertSame(['A'], $offered());
        $this->call('PUT', '/api/bench/drafts/'.$draft->string('id'), ['version' => 1, 'answers' => ['reference' => 'A']]);
        $this->retire('references/A', 'sent back');
        self::assertSame(['A'], $offered());
        self::assertSame('sent back', $this->call('GET', '/api/kit')->string('references.1.retired.reason'));
    }

    public function testAUnitWithSomethingOpenStaysOnTheBench(): void
    {
        $this->call('POST', '/api/bench/D/check');
        $this->retire('instruments/D', 'fell down');
        self::assertSame(['D'], array_column($this->call('GET', '/api/bench')->list('units'), 'id'));
    }

    public function testWhoMayAndWhatIsAsked(): void
    {
        $this->retire('instruments/nothing', 'r', status: 404);
        $this->retire('references/nothing', 'r', status: 404);
        $this->retire('instruments/D', '', status: 422);
        foreach ([Role::Technician, Role::Hygienist, Role::Reader] as $role) {
            $this->signIn($role);
            $this->retire('instruments/D', 'r', status: 403);
        }
    }

    public function testItGoesOutWithTheRecord(): void
    {
        $this->retire('instruments/D', 'broken');
        $this->retire('instruments/D', 'repaired', back: true);
        $this->retire('references/A', 'sent back');
        $record = [];
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$record): void {
            $record = json_decode($content, true, 64, \JSON_THROW_ON_ERROR);
        });
        self::assertIsArray($record);
        $written = new Answer(json_encode($record, \JSON_THROW_ON_ERROR));
        self::assertSame(['broken', 'repaired'], array_column($written->list('instruments.0.retirements'), 'reason'));
        self::assertTrue($written->at('instruments.0.retirements.1.back'));
        self::assertSame('sent back', $written->string('references.0.retirements.0.reason'));
    }

    private function retire(string $what, string $reason, bool $back = false, int $status = 204): void
    {
        $this->call('POST', "/api/kit/$what/retirement", ['reason' => $reason, 'back' => $back], $status);
    }
}
