<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;

/** The day, unit by unit: what comes next, what is held, what is drawn. */
final class DayTest extends ApiTestCase
{
    private function next(string $date): string
    {
        return $this->call('GET', '/api/day?date='.$date)->string('units.0.next');
    }

    public function testWhatComesNextForAUnit(): void
    {
        $this->import(new Scene());
        $this->signIn(Role::Technician);
        self::assertSame('check before use', $this->next('2026-03-02'));
        // Whoever opens it sees today, whether something happened on it or not.
        self::assertSame((new \DateTimeImmutable())->format('Y-m-d'), $this->call('GET', '/api/day')->string('date'));

        $draft = $this->call('POST', '/api/bench/D/check');
        self::assertSame('finish the check', $this->next('2026-03-02'));
        $this->call('POST', '/api/bench/drafts/'.$draft->string('id').'/break-off', ['version' => $draft->int('version'), 'reason' => '']);
        self::assertSame('check before use', $this->next('2026-03-02'));
    }

    public function testARunThroughItsDay(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0']));
        $this->signIn(Role::Technician);
        self::assertSame('start a run', $this->next('2026-03-02'));
        $run = $this->call(
            'POST',
            '/api/runs',
            ['campaign' => 'c', 'instrument' => 'D', 'start' => Scene::moment('08:00'), 'person' => 'W-01', 'task' => 'sawing'],
            201,
        )->string('id');
        self::assertSame('stop the run', $this->next('2026-03-02'));
        $this->call(
            'POST',
            "/api/runs/$run/facts",
            ['stop' => Scene::moment('16:00'), 'totals' => ['equivalentLevel' => ['value' => '88.1', 'provenance' => 'typed']]],
            201,
        );
        $day = $this->call('GET', '/api/day?date=2026-03-02');
        self::assertSame(['check as found', 'open'], [$day->string('units.0.next'), $day->string('units.0.runs.0.worked.verdict')]);
        self::assertSame([$run], $day->list('units.0.hold'));
        $draft = $this->call('POST', '/api/bench/D/check');
        $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft->string('id'),
            [
                'version' => 1,
                'answers' => [
                    'steps' => Scene::STEPS,
                    'reference' => 'A',
                    'nominal' => '114',
                    'at' => Scene::moment('16:30'),
                    'asFound' => [['value' => '114.1', 'provenance' => 'typed']],
                    'adjusted' => false,
                ],
            ],
        );
        $this->acceptDraft($draft->string('id'));
        $day = $this->call('GET', '/api/day?date=2026-03-02');
        self::assertSame('done for the day', $day->string('units.0.next'));
        self::assertSame([], $day->list('units.0.hold'));
        self::assertSame([null, null], [$day->at('before'), $day->at('after')]);
        self::assertCount(2, $day->list('units.0.checks'));
    }

    /** The day names the campaigns that were measured on it, not the newest one. */
    public function testTheDayNamesItsCampaigns(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Hygienist);
        $own = $this->call('GET', '/api/day?date=2026-03-02')->string('campaign.title');
        $later = ['id' => 'z', 'title' => 'Later', 'site' => 'Sallow Mill', 'zone' => 'Europe/London', 'sets' => []];
        $this->call('POST', '/api/campaigns', $later, 201);
        self::assertSame($own, $this->call('GET', '/api/day?date=2026-03-02')->string('campaign.title'));
        self::assertSame('Later', $this->call('GET', '/api/day?date=2026-03-09')->string('campaign.title'));
        $this->call(
            'POST',
            '/api/runs',
            ['campaign' => 'z', 'instrument' => 'D', 'start' => Scene::moment('17:00'), 'person' => 'W-01', 'task' => 'sawing'],
            201,
        );
        self::assertSame($own.'; Later', $this->call('GET', '/api/day?date=2026-03-02')->string('campaign.title'));
    }

    public function testAnEmptyLogbookHasADayToo(): void
    {
        $this->signIn(Role::Reader);
        $day = $this->call('GET', '/api/day');
        self::assertSame([], $day->list('units'));
        self::assertNull($day->at('campaign'));
        self::assertSame([], $this->call('GET', '/api/kit')->list('instruments'));
        self::assertSame([], $this->call('GET', '/api/bench')->list('units'));
        self::assertSame(0, $this->call('GET', '/api/results')->int('total'));
        self::assertSame([], $this->call('GET', '/api/campaigns')->list('campaigns'));
    }

    public function testTheLedgerIsFilteredAndPaged(): void
    {
        $scene = new Scene();
        for ($i = 0; $i < 52; ++$i) {
            $day = (new \DateTimeImmutable('2026-01-01'))->modify("+$i days")->format('Y-m-d');
            $scene->check("a$i", $day.'T07:30:00', ['114.0'])->run("r$i", $day.'T08:00:00', $day.'T16:00:00', '80.0')->check(
                "b$i",
                $day.'T16:30:00',
                [$i % 10 === 0 ? '113.0' : '114.0'],
            );
        }
        $this->import($scene);
        $this->signIn(Role::Hygienist);
        $first = $this->call('GET', '/api/results');
        self::assertSame([52, 50], [$first->int('total'), \count($first->list('rows'))]);
        self::assertSame(['r50', 'r51'], array_column($this->call('GET', '/api/results?page=2')->list('rows'), 'run'));
        self::assertSame(6, $this->call('GET', '/api/results?verdict=void')->int('total'));
        self::assertSame(0, $this->call('GET', '/api/results?campaign=other')->int('total'));
        $this->call(
            'POST',
            '/api/results/r0/decision',
            ['kind' => 'sign', 'digest' => $this->call('GET', '/api/results/r0')->string('digest')],
            201,
        );
        self::assertSame(
            [1, 51],
            [$this->call('GET', '/api/results?decided=yes')->int('total'), $this->call('GET', '/api/results?decided=no')->int('total')],
        );
        $page = $this->call('GET', '/api/results/r7');
        self::assertSame(['r6', 'r8'], [$page->string('neighbours.previous'), $page->string('neighbours.next')]);
        self::assertNull($this->call('GET', '/api/results/r51')->at('neighbours.next'));
    }

    /** A certificate added later changes what was worked out, and only of what leaned on it. */
    public function testNewEvidenceIsWorkedOutAnew(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']));
        $this->signIn(Role::Steward);
        $before = $this->call('GET', '/api/results/r1')->string('digest');
        self::assertSame($before, $this->call('GET', '/api/results/r1')->string('digest'), 'asked twice it is the same');
        $certificate = static fn (string $number, string $issued): array => [
            'number' => $number,
            'laboratory' => 'L',
            'issued' => $issued,
            'due' => '2030-01-01',
            'values' => [['nominal' => '114', 'certified' => '114.2']],
        ];
        $this->call('POST', '/api/kit/references/B/certificates', $certificate('n1', '2026-03-01'), 201);
        self::assertSame($before, $this->call('GET', '/api/results/r1')->string('digest'), 'the other calibrator does not matter');
        $this->call('POST', '/api/kit/references/A/certificates', $certificate('n2', '2026-03-03'), 201);
        self::assertSame($before, $this->call('GET', '/api/results/r1')->string('digest'), 'one issued after the check does not matter');
        $this->call('POST', '/api/kit/references/A/certificates', $certificate('n3', '2026-03-01'), 201);
        $after = $this->call('GET', '/api/results/r1');
        self::assertNotSame($before, $after->string('digest'));
        self::assertStringContainsString('n3', $after->text);
    }
}
