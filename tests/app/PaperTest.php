<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Logbook\ProjectionCheck;
use Footnote\Tests\Core\Scene;

/** A whole run comes from a sheet of paper, with both checks on one form: all of it is written down, or nothing. */
final class PaperTest extends ApiTestCase
{
    private string $day;

    protected function setUp(): void
    {
        parent::setUp();
        $this->day = (new \DateTimeImmutable('-2 days'))->format('Y-m-d');
        $this->importRecord(self::certifiedLately((new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00')->record));
        $this->signIn(Role::Technician);
    }

    private function at(string $hour): string
    {
        return $this->day.'T'.$hour.':00+00:00';
    }

    /** @return array<string, mixed> */
    private function check(string $hour, string $reading): array
    {
        return [
            'at' => $this->at($hour), 'reference' => 'A', 'setting' => '114', 'adjusted' => false, 'steps' => Scene::STEPS,
            'asFound' => [['value' => $reading, 'provenance' => 'transcribed']],
        ];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function sheet(array $more = []): array
    {
        return [
            'before' => $this->check('07:10', '114.1'),
            'run' => [
                'campaign' => 'c', 'person' => 'W-01', 'task' => 'Planing', 'start' => $this->at('07:30'), 'stop' => $this->at('15:30'),
            ],
            'after' => $this->check('15:50', '114.3'),
            ...$more,
        ];
    }

    public function testARunComesWithBothItsChecks(): void
    {
        $shown = $this->call('POST', '/api/paper/D/shown', ['before' => $this->check('07:10', '114.1'), 'after' => []]);
        self::assertSame([0, 0, 'paper-before'], [$shown->at('before.version'), $shown->at('after.version'), $shown->at('before.id')]);
        self::assertNotSame([], $shown->list('before.live.lines'));

        $run = $this->call('POST', '/api/paper/D', $this->sheet(), 201)->string('run');
        $page = $this->call('GET', '/api/results/'.$run);
        [$before, $after] = [$page->string('checks.0.id'), $page->string('checks.1.id')];
        self::assertNotSame($before, $after);
        $check = $this->call('GET', '/api/checks/'.$before);
        self::assertStringContainsString('07:10', $check->string('at'));
        self::assertSame([null, null], [$check->at('steps.0.at'), $check->at('took')], 'nobody knows when its steps were done');
        $how = 'copied from a sheet of paper that was written at the time';
        self::assertContains($how, array_column($check->list('values'), 'how'));
        self::assertNotSame('void', $page->string('assessment.verdict'));
        self::assertSame('sheet copied', $this->call('GET', '/api/journal')->string('entries.0.kind'));
        self::assertSame([], [...$this->service(EvidenceCheck::class)->faults()]);
        self::assertSame([], $this->service(ProjectionCheck::class)->faults());
    }

    public function testASheetMayEndWithTheRun(): void
    {
        $run = $this->call('POST', '/api/paper/D', $this->sheet(['after' => null]), 201)->string('run');
        $rules = array_column($this->call('GET', '/api/results/'.$run)->list('assessment.findings'), 'rule');
        self::assertContains('bracket.no-post-check', $rules);
    }

    /** Whatever is wrong with one part: nothing of the sheet is written down. */
    public function testAllOfItOrNothing(): void
    {
        $sheet = $this->sheet();
        $run = $sheet['run'];
        self::assertIsArray($run);
        $broken = [
            '/before/at' => ['before' => array_diff_key($this->check('07:10', '114.1'), ['at' => 1])],
            '/after/at' => ['after' => $this->check('15:20', '114.3')],
            '/run/stop' => ['run' => array_diff_key($run, ['stop' => 1])],
            '/run/person' => ['run' => [...$run, 'person' => '']],
            '/run/campaign' => ['run' => [...$run, 'campaign' => 'nothing']],
            '/after/acoustic/asFound/0/value' => ['after' => $this->check('15:50', 'loud')],
            '/before/acoustic' => ['before' => [...$this->check('07:10', '114.1'), 'asFound' => []]],
        ];
        $before = $this->counts();
        foreach ($broken as $field => $more) {
            $refused = $this->call('POST', '/api/paper/D', $this->sheet($more), 422);
            self::assertContains($field, array_column($refused->list('fields'), 'field'), $refused->text);
            self::assertSame($before, $this->counts(), $field);
        }
        $late = $this->call('POST', '/api/paper/D', $this->sheet(['before' => $this->check('07:40', '114.1')]), 422);
        self::assertSame('/before/at', $late->string('fields.0.field'));
        $this->call('POST', '/api/paper/nothing', $this->sheet(), 404);
        $this->call('POST', '/api/paper/D', $this->sheet(), 201);
        // Another run lies at that time now: the checks of the second sheet are not written down either.
        $before = $this->counts();
        $this->call('POST', '/api/paper/D', $this->sheet(), 422);
        self::assertSame($before, $this->counts());
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/paper/D', $this->sheet(), 403);
        $this->call('POST', '/api/paper/D/shown', ['before' => [], 'after' => []], 403);
    }

    /** @return array{int, int} checks of the unit, and its runs */
    private function counts(): array
    {
        $unit = $this->call('GET', '/api/kit/instruments/D');

        return [\count($unit->list('checks')), $this->call('GET', '/api/results?instrument=D')->int('total')];
    }
}
