<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;

/** How often things are wanted of a unit and of a reference: shown, set by a steward, and what follows at once. */
final class IntervalsApiTest extends ApiTestCase
{
    private const YEARLY = [
        'routine' => 'laboratory calibration', 'every' => '1', 'unit' => 'years',
        'since' => '2026-01-01', 'source' => 'the manual, page 12',
    ];

    /** A dosimeter that a laboratory saw a year and a half ago: by the policy that counts for two years. */
    private static function scene(): Scene
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        $issued = (new \DateTimeImmutable('-18 months'))->format('Y-m-d');
        $scene->record['instruments'] = [[
            'id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in',
            'certificates' => [['number' => 'L-1', 'laboratory' => 'L', 'issued' => $issued, 'due' => '2099-01-01']],
        ]];

        return $scene;
    }

    /** @return array<string, mixed> the one unit as the kit lists it */
    private function unit(): array
    {
        $unit = $this->call('GET', '/api/kit')->list('instruments')[0];
        self::assertIsArray($unit);

        /** @var array<string, mixed> */
        return $unit;
    }

    public function testAStewardSetsAnIntervalAndTheUnitIsHeldAtOnce(): void
    {
        $this->import(self::scene());
        $this->signIn(Role::Steward);
        $before = $this->call('GET', '/api/kit/instruments/D');
        self::assertSame(['laboratory calibration'], array_column($before->list('routines'), 'routine'));
        self::assertSame(['2 years', false], [$before->string('routines.0.every'), $before->at('routines.0.own')]);
        self::assertFalse($before->at('routines.0.done.0.over'));
        self::assertStringContainsString('ISO 9612', $before->string('routines.0.source'));
        self::assertSame('2 years', $this->unit()['dueInterval'] ?? '', 'the certificate itself is due much later');

        $this->call('POST', '/api/kit/instruments/D/intervals', self::YEARLY, 201);
        $after = $this->call('GET', '/api/kit/instruments/D');
        self::assertSame(['1 year', true], [$after->string('routines.0.every'), $after->at('routines.0.own')]);
        self::assertTrue($after->at('routines.0.done.0.over'));
        self::assertStringContainsString('set by S-1: the manual, page 12.', $after->string('routines.0.source'));
        self::assertSame('held', $after->string('fit.state'));
        self::assertSame(['past', '1 year'], [$this->unit()['dueState'], $this->unit()['dueInterval']]);
        self::assertSame('held', $this->fit());
        $run = $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'start' => (new \DateTimeImmutable())->format(\DATE_ATOM),
            'person' => 'W-01', 'task' => 'sawing',
        ], 422);
        self::assertStringContainsString('laboratory calibration (certificate L-1) counted until', $run->string('detail'));

        // The latest word holds: what was set before is not changed.
        $this->call('POST', '/api/kit/instruments/D/intervals', ['every' => '5'] + self::YEARLY, 201);
        self::assertSame('5 years', $this->call('GET', '/api/kit/instruments/D')->string('routines.0.every'));
        self::assertCount(2, $this->call('GET', '/api/kit/instruments/D')->list('intervals'));
        $kinds = array_column($this->call('GET', '/api/journal')->list('entries'), 'kind');
        self::assertCount(2, array_keys($kinds, 'interval set', true));
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    /** As day and bench show it: the bench lists what the kit does. */
    private function fit(): string
    {
        $unit = $this->call('GET', '/api/bench')->list('units')[0];
        self::assertIsArray($unit);
        self::assertIsArray($unit['fit']);

        return \is_string($unit['fit']['state']) ? $unit['fit']['state'] : '';
    }

    public function testAnIntervalOfAReferenceWeighsOnWhatItWasTheReferenceFor(): void
    {
        $this->import(self::scene());
        $this->signIn(Role::Steward);
        self::assertSame('valid', $this->call('GET', '/api/results/r')->string('assessment.verdict'));
        $monthly = ['every' => '1', 'unit' => 'months'] + self::YEARLY;
        $answer = $this->call('POST', '/api/kit/references/A/intervals', $monthly, 201);
        self::assertSame(['1 month', 'past'], [$answer->string('dueInterval'), $answer->string('dueState')]);
        self::assertSame('qualified', $this->call('GET', '/api/results/r')->string('assessment.verdict'));
        $draft = $this->call('POST', '/api/bench/D/check', ['procedure' => 'acoustic-check']);
        self::assertContains(
            'A laboratory was to see it again by 1 Oct 2025, 1 month after its certificate.',
            array_merge(...array_map(
                static fn (mixed $one): array => \is_array($one) && \is_array($one['problems']) ? array_values($one['problems']) : [],
                $draft->list('references'),
            )),
        );
    }

    public function testOfAMonitorEachChannelIsTold(): void
    {
        $this->importRecord((new GasScene())->check('k', '07:45')->record);
        $this->signIn(Role::Reader);
        $unit = $this->call('GET', '/api/kit/instruments/G');
        self::assertSame(['bump test', 'calibration'], array_column($unit->list('routines'), 'routine'));
        self::assertSame(['laboratory calibration', 'bump test', 'calibration'], $unit->list('settable'));
        $done = $unit->list('routines.0.done');
        self::assertSame(['O2', 'LEL', 'CO', 'H2S', 'PID'], array_column($done, 'channel'));
        self::assertSame(['k', 'k', 'k', 'k', 'k'], array_column($done, 'evidence'));
    }

    public function testWhatCannotBeAnIntervalIsRefusedByItsFieldAndByRole(): void
    {
        $this->import(self::scene());
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/kit/instruments/D/intervals', self::YEARLY, 403);
        $this->call('POST', '/api/kit/references/A/intervals', self::YEARLY, 403);
        $this->signIn(Role::Steward);
        foreach ([
            '/routine' => ['routine' => 'bump test'],
            '/every' => ['every' => '1.5'],
            '/unit' => ['unit' => 'moons'],
            '/since' => ['since' => '2026-02-30'],
            '/source' => ['source' => ' '],
        ] as $field => $wrong) {
            foreach (['/api/kit/instruments/D/intervals', '/api/kit/references/A/intervals'] as $path) {
                $problem = $this->call('POST', $path, $wrong + self::YEARLY, 422);
                self::assertSame([$field], array_column($problem->list('fields'), 'field'), $field);
            }
        }
        $this->call('POST', '/api/kit/instruments/nobody/intervals', self::YEARLY, 404);
        $this->call('POST', '/api/kit/instruments/D/intervals', ['by' => 'somebody else'] + self::YEARLY, 422);
        $this->call('POST', '/api/kit/instruments/D/intervals', self::YEARLY, 201);
        self::assertSame(['S-1'], array_column($this->call('GET', '/api/kit/instruments/D')->list('intervals'), 'by'));
        $new = ['id' => 'D2', 'family' => 'noise-dosimeter', 'model' => 'M', 'intervals' => [self::YEARLY + ['by' => 'X']]];
        $refused = $this->call('POST', '/api/kit/instruments', $new, 422);
        self::assertSame(['/intervals'], array_column($refused->list('fields'), 'field'));
    }

    /** What was set travels with the record, and is the same in the logbook that takes it in. */
    public function testAnIntervalTravelsWithTheRecord(): void
    {
        $scene = self::scene();
        $units = $scene->record['instruments'];
        $references = $scene->record['references'];
        \assert(\is_array($units) && \is_array($units[0]) && \is_array($references) && \is_array($references[0]));
        $own = self::YEARLY + ['by' => 'S-9'];
        $scene->record['instruments'] = [[...$units[0], 'intervals' => [$own]]];
        $scene->record['references'] = [[...$references[0], 'intervals' => [$own]], $references[1]];
        $this->import($scene);
        $written = '';
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $text) use (&$written): void {
            $written = $name === 'record.json' ? $text : $written;
        });
        $record = new Answer($written);
        self::assertEquals([$own], $record->list('instruments.0.intervals'));
        self::assertEquals([$own], $record->list('references.0.intervals'));
    }
}
