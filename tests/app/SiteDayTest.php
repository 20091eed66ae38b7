<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\TestWith;

/** FC-F1: a day ends at the site: a certificate is in date through the end of the day it falls due, by the site's clock. */
final class SiteDayTest extends ApiTestCase
{
    #[TestWith(['Pacific/Auckland', '2026-03-02T10:59:00+00:00', false])]
    #[TestWith(['Pacific/Auckland', '2026-03-02T11:01:00+00:00', true])]
    #[TestWith(['America/New_York', '2026-03-03T04:59:00+00:00', false])]
    #[TestWith(['America/New_York', '2026-03-03T05:01:00+00:00', true])]
    #[TestWith(['UTC', '2026-03-02T23:59:00+00:00', false])]
    #[TestWith(['UTC', '2026-03-03T00:01:00+00:00', true])]
    public function testACertificateEndsWithItsDayAtTheSite(string $zone, string $check, bool $isPast): void
    {
        $at = new \DateTimeImmutable($check);
        $hours = static fn (int $hours): string => $at->modify("$hours hours")->format(\DATE_ATOM);
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        $calibrator = Scene::calibrator('A', '114.0', '0.2');
        $scene->record['references'] = [[...$calibrator, 'certificates' => [[
            'number' => 'c', 'laboratory' => 'L', 'issued' => '2025-03-02', 'due' => '2026-03-02',
            'values' => [['nominal' => '114', 'certified' => '114.0']],
        ]]]];
        $scene->record['site'] = ['name' => 'Mill', 'timeZone' => $zone];
        foreach ([
            ['checks', 0, ['at' => $check]],
            ['checks', 1, ['at' => $hours(5)]],
            ['runs', 0, ['start' => $hours(1), 'stop' => $hours(4)]],
        ] as [$list, $place, $times]) {
            $items = $scene->record[$list];
            self::assertIsArray($items);
            $items[$place] = [...Scene::fields($items[$place])->data(), ...$times];
            $scene->record[$list] = $items;
        }
        $this->import($scene);
        $this->signIn(Role::Reader);
        $expired = array_filter(
            $this->call('GET', '/api/results/r')->list('assessment.findings'),
            static fn (mixed $one): bool => \is_array($one)
                && $one['rule'] === 'reference.expired'
                && \is_array($one['evidence'])
                && \in_array('k1', $one['evidence'], true),
        );
        self::assertSame($isPast, $expired !== []);
    }

    public function testWhatIsDueTodayIsNotPast(): void
    {
        foreach ([['Pacific/Kiritimati', 14], ['Pacific/Pago_Pago', -11]] as $place => [$zone, $offset]) {
            $today = (new \DateTimeImmutable('now', new \DateTimeZone('UTC')))->modify("$offset hours");
            $scene = new Scene();
            $scene->record['campaign'] = ['code' => 'c'.$place, 'title' => 'c'];
            $scene->record['site'] = ['name' => 'Mill', 'timeZone' => $zone];
            $certificate = static fn (\DateTimeImmutable $day): array => [
                'number' => 'c', 'laboratory' => 'L',
                'issued' => $day->modify('-30 days')->format('Y-m-d'), 'due' => $day->format('Y-m-d'),
                'values' => [['nominal' => '114', 'certified' => '114.0']],
            ];
            $due = static fn (string $id, \DateTimeImmutable $day): array => [
                ...Scene::calibrator($id, '114.0', '0.2'),
                'certificates' => [$certificate($day)],
            ];
            $scene->record['references'] = [$due('T'.$place, $today), $due('Y'.$place, $today->modify('-1 day'))];
            $this->import($scene);
            $this->signIn(Role::Reader);
            $states = array_column($this->call('GET', '/api/kit')->list('references'), 'dueState', 'id');
            self::assertSame(['soon', 'past'], [$states['T'.$place] ?? '', $states['Y'.$place] ?? ''], $zone);
        }
    }
}
