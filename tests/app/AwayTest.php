<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Storage\Cells;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\MeterScene;
use Footnote\Tests\Core\ParticleScene;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** Checks that are made where no server answers: prepared as they would be asked, brought as they were made, beside what others did. */
final class AwayTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private const BEGUN = '2026-03-02T08:05:00+00:00';

    private MockClock $clock;

    protected function setUp(): void
    {
        parent::setUp();
        $clock = self::mockTime('2026-03-02T08:00:00+00:00');
        \assert($clock instanceof MockClock);
        $this->clock = $clock;
        $this->signIn(Role::Technician);
    }

    private function kit(): void
    {
        $this->import((new Scene())->check('k', '07:00', ['114.0'], more: ['reference' => 'A']));
    }

    /**
     * @param int         $ahead  s of the device's clock when it is brought
     * @param int|null    $before s of it when the network was lost; null: nobody noted it
     * @param string|null $id     of the request
     *
     * @return array<string, string>
     */
    private function clock(int $ahead = 0, ?int $before = 0, string $why = '', ?string $id = null): array
    {
        $now = $this->clock->now();
        $told = [
            'sent' => $now->modify(\sprintf('%+d seconds', $ahead))->format(\DATE_ATOM),
            ...($before === null ? [] : ['heard' => [
                'server' => $now->modify('-1 hour')->format(\DATE_ATOM),
                'device' => $now->modify(\sprintf('-1 hour %+d seconds', $before))->format(\DATE_ATOM),
            ]]),
            'why' => $why,
        ];

        return [
            'X-Device-Clock' => rawurlencode(json_encode($told, \JSON_THROW_ON_ERROR)),
            ...($id === null ? [] : ['X-Request-Id' => $id]),
        ];
    }

    /**
     * A whole check as a device brings it.
     *
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function check(array $more = []): array
    {
        $steps = Scene::STEPS;

        return [
            'instrument' => 'D',
            'procedure' => 'acoustic-check',
            'sheets' => [],
            'begun' => self::BEGUN,
            'seen' => [],
            'answers' => [
                'steps' => $steps,
                'stepTimes' => array_fill_keys(array_keys($steps), '2026-03-02T08:07:00.250Z'),
                'waits' => ['steady' => '2026-03-02T08:06:00.000Z'],
                'stepWaits' => ['steady' => '2026-03-02T08:06:00.000Z'],
                'reference' => 'A',
                'setting' => '114',
                'asFound' => [['value' => '114.1', 'provenance' => 'typed']],
                'adjusted' => false,
                'at' => '2026-03-02T08:06:30.000Z',
            ],
            ...$more,
        ];
    }

    /**
     * @return iterable<string, array{array<string, mixed>, string, int}> a record, its unit, and how many ways there are through each of
     *                                                                    its checks
     */
    public static function kits(): iterable
    {
        yield 'a dosimeter' => [(new Scene())->check('k', '07:00', ['114.0'], more: ['reference' => 'A'])->record, 'D', 3];
        yield 'a monitor' => [(new GasScene())->record, 'G', 2];
        yield 'a pump' => [(new AirScene())->record, 'P', 2];
        yield 'a counter' => [(new ParticleScene())->record, 'N', 2];
        yield 'a meter' => [(new MeterScene())->record, 'S', 4];
    }

    /** @param array<string, mixed> $record */
    #[DataProvider('kits')]
    public function testWhatIsPreparedIsWhatTheBenchAsks(array $record, string $id, int $ways): void
    {
        $this->importRecord($record);
        $unit = $this->call('GET', "/api/bench/prepared?units=$id,nobody")->at('units');
        \assert(\is_array($unit) && \count($unit) === 1);
        $prepared = json_decode(json_encode($unit[0], \JSON_THROW_ON_ERROR), true);
        \assert(\is_array($prepared) && \is_array($prepared['checks']) && $prepared['draft'] === null);
        self::assertNotSame([], $prepared['limits']);
        self::assertNotSame([], $prepared['checks']);
        foreach ($prepared['checks'] as $check) {
            \assert(\is_array($check) && \is_array($check['walks']) && \is_array($check['steps']) && \is_array($check['procedure']));
            self::assertCount($ways, $check['walks'], 'nothing chosen, and each reference');
            foreach ($check['walks'] as $walk) {
                \assert(\is_array($walk) && \is_array($walk['steps']));
                $begun = $this->call('POST', "/api/bench/$id/check?procedure=".Cells::text($check['procedure'], 'id'));
                $draft = $this->call('PUT', '/api/bench/drafts/'.$begun->string('id'), [
                    'version' => $begun->int('version'),
                    'answers' => array_filter(
                        ['procedure' => $check['procedure']['id'], 'reference' => $walk['reference'], 'setting' => $walk['setting']],
                        static fn (mixed $said): bool => $said !== '',
                    ),
                ]);
                $asked = json_decode($draft->text, true);
                \assert(\is_array($asked) && \is_array($asked['procedure']));
                self::assertSame($asked['procedure']['steps'], array_map(
                    static fn (mixed $place): mixed => \is_int($place) ? $check['steps'][$place] : null,
                    $walk['steps'],
                ));
                self::assertSame([$asked['live'], $asked['sheets']], [$walk['live'], $check['sheets']]);
                $this->call('POST', '/api/bench/drafts/'.$draft->string('id').'/break-off', [
                    'version' => $draft->int('version'), 'reason' => '',
                ]);
            }
        }
        $this->call('GET', '/api/bench/prepared?units='.implode(',', range(1, 31)), status: 422);
    }

    /** What ends tomorrow speaks against a calibrator from the day after on, without anybody being asked. */
    public function testAnIntervalEndsWhileTheNetworkIsAway(): void
    {
        $this->kit();
        $this->clock->modify('2026-08-31T08:00:00+00:00');
        $this->signIn(Role::Technician);
        $against = $this->call('GET', '/api/bench/prepared?units=D')->list('units.0.checks.0.references.0.against');
        self::assertSame(
            [
                ['2026-08-31T08:00:00+00:00', []],
                ['2026-09-02T00:00:00+00:00', ['A laboratory was to see it again by 1 Sep 2026, 1 year after its certificate.']],
            ],
            array_map(static fn (mixed $one): array => \is_array($one) ? array_values($one) : [], $against),
        );
    }

    public function testACheckIsBroughtAsItWasMade(): void
    {
        $this->kit();
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $headers = $this->clock(3, 2, id: 'bring-0001');
        $draft = $this->call('POST', '/api/bench/away', self::check(), 201, headers: $headers);
        $again = $this->call('POST', '/api/bench/away', self::check(), 201, headers: $headers);
        self::assertSame($draft->string('id'), $again->string('id'), 'sent again after a lost answer it is one');
        self::assertSame(self::BEGUN, $draft->string('startedAt'));
        $accept = '/api/bench/drafts/'.$draft->string('id').'/accept';
        $seen = ['version' => $draft->int('version')];
        $number = $this->call('POST', $accept, $seen, 201, headers: ['X-Request-Id' => 'accept-0001'])->string('check');
        $kept = $this->call('POST', $accept, $seen, 409, headers: ['X-Request-Id' => 'accept-0001']);
        self::assertSame(['urn:footnote:kept-already', $number], [$kept->string('type'), $kept->string('made')]);

        $page = $this->call('GET', '/api/checks/'.$number);
        self::assertSame('2026-03-02T08:06:30+00:00', $page->string('at'));
        self::assertSame('2026-03-02T08:07:00+00:00', $page->string('steps.0.at'), 'when it was done, not when it came');
        self::assertSame(
            'Made without a network and brought on 2 Mar 2026, 11:40. Its moments are by the clock of the device, '
                .'which was 3 s ahead then.',
            $page->string('away'),
        );
        self::assertStringContainsString('without a network', $this->call('GET', '/api/journal')->text);
    }

    /** @return iterable<string, array{int, int|null, string}> */
    public static function offClocks(): iterable
    {
        yield 'an hour behind' => [-3600, -3600, 'is 1 h behind now'];
        yield 'ahead by more than two minutes' => [121, 0, 'is 2 min 1 s ahead now'];
        yield 'set right since' => [0, 7200, 'was 2 h ahead when the network was lost'];
        yield 'never compared' => [0, null, 'was never held against the clock of the server'];
    }

    /** A device an hour behind puts the check after a run before its end: a person looks before anything is taken. */
    #[DataProvider('offClocks')]
    public function testAClockThatIsOffIsLookedAtFirst(int $ahead, ?int $before, string $said): void
    {
        $this->kit();
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $refused = $this->call('POST', '/api/bench/away', self::check(), 409, headers: $this->clock($ahead, $before));
        self::assertSame(
            ['/clock', \sprintf('of this device %s.', $said)],
            [$refused->string('fields.0.field'), $refused->string('fields.0.problem')],
        );
        self::assertNull($this->call('GET', '/api/bench')->at('units.0.draft'));

        $draft = $this->call(
            'POST',
            '/api/bench/away',
            self::check(),
            201,
            headers: $this->clock($ahead, $before, 'held against the wall clock'),
        );
        $number = $this->acceptDraft($draft->string('id'))->string('check');
        self::assertStringContainsString(
            'they stand because: held against the wall clock.',
            $this->call('GET', '/api/checks/'.$number)->string('away'),
        );
    }

    /** Two minutes are within what is read off a watch. */
    public function testAClockThatIsNearlyRightNeedsNoWord(): void
    {
        $this->kit();
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $this->call('POST', '/api/bench/away', self::check(), 201, headers: $this->clock(120, -120));
    }

    public function testWhatAnotherDidMeanwhileIsSeenFirst(): void
    {
        $this->kit();
        $this->signIn(Role::Hygienist);
        $this->clock->modify('2026-03-02T08:30:00+00:00');
        $first = $this->call('POST', '/api/bench/D/check');
        $this->call('PUT', '/api/bench/drafts/'.$first->string('id'), ['version' => 1, 'answers' => self::check()['answers']]);
        $check = $this->acceptDraft($first->string('id'))->string('check');
        $theirs = $this->call('POST', '/api/bench/D/check');
        $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'person' => 'W-01', 'task' => 'Tuning', 'start' => '2026-03-02T08:10:00+00:00',
        ], 201);

        $this->signIn(Role::Technician);
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $refused = $this->call('POST', '/api/bench/away', self::check(), 409, headers: $this->clock());
        self::assertSame(
            ['/seen/'.$theirs->string('id'), '/seen/'.$check, '/seen/R-00001'],
            [$refused->string('fields.0.field'), $refused->string('fields.1.field'), $refused->string('fields.2.field')],
        );
        self::assertSame('check of H-1, 2 Mar 2026, 08:30', $refused->string('fields.1.problem'));

        // Looked at, it stands beside: the half-done check of the other is as it was.
        $seen = ['seen' => [$theirs->string('id'), $check, 'R-00001']];
        $draft = $this->call('POST', '/api/bench/away', self::check($seen), 201, headers: $this->clock());
        self::assertNotSame($theirs->string('id'), $draft->string('id'));
        $this->acceptDraft($draft->string('id'));
        $now = $this->call('GET', '/api/bench/drafts/'.$theirs->string('id'));
        self::assertEquals([$theirs->at('answers'), $theirs->at('version')], [$now->at('answers'), $now->at('version')]);
    }

    public function testAHalfDoneCheckIsGoneOnWith(): void
    {
        $this->kit();
        $begun = $this->call('POST', '/api/bench/D/check');
        $own = ['draft' => $begun->string('id'), 'version' => $begun->int('version')];
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $brought = $this->call('POST', '/api/bench/away', self::check($own), 201, headers: $this->clock());
        self::assertSame($begun->string('id'), $brought->string('id'));

        // Answered elsewhere since: neither is written over.
        $refused = $this->call('POST', '/api/bench/away', self::check($own), 409, headers: $this->clock());
        self::assertSame('/draft', $refused->string('fields.0.field'));
        $check = $this->acceptDraft($begun->string('id'))->string('check');
        $this->call('POST', '/api/bench/away', self::check([...$own, 'seen' => [$check]]), 409, headers: $this->clock());
        $beside = $this->call('POST', '/api/bench/away', self::check(['seen' => [$check]]), 201, headers: $this->clock());
        self::assertNotSame($check, $this->acceptDraft($beside->string('id'))->string('check'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        $answers = self::check()['answers'];
        \assert(\is_array($answers));
        yield 'no such sheet' => [['sheets' => ['S-1']], '/sheets'];
        yield 'no such procedure' => [['procedure' => 'dance'], '/procedure'];
        yield 'read at no time' => [['answers' => array_diff_key($answers, ['at' => 1])], '/answers/at'];
        yield 'begun tomorrow' => [['begun' => '2026-03-03T08:00:00+00:00'], '/begun'];
        yield 'a step before it was begun' => [
            ['answers' => [...$answers, 'stepTimes' => ['stopped' => '2026-03-02T07:00:00Z']]], '/answers/stepTimes/stopped',
        ];
        foreach (['tomorrow' => '2026-03-03T07:00:00Z', 'at no time' => 'noon or so'] as $when => $at) {
            yield 'a step '.$when => [['answers' => [...$answers, 'stepTimes' => ['stopped' => $at]]], '/answers/stepTimes/stopped'];
        }
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('refused')]
    public function testWhatCannotBeIsRefusedByName(array $more, string $field): void
    {
        $this->kit();
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $refused = $this->call('POST', '/api/bench/away', self::check($more), 422, headers: $this->clock());
        self::assertSame($field, $refused->string('fields.0.field'));
        self::assertNull($this->call('GET', '/api/bench')->at('units.0.draft'));
    }

    public function testTheServersOwnAnswersAreNotBrought(): void
    {
        $this->kit();
        $answers = self::check()['answers'];
        \assert(\is_array($answers));
        $this->clock->modify('2026-03-02T11:40:00+00:00');
        $forged = self::check(['answers' => [...$answers, 'standIn' => ['kind' => 'x'], 'away' => ['ahead' => 0], 'sheets' => ['S-1']]]);
        $draft = $this->call('POST', '/api/bench/away', $forged, 201, headers: $this->clock(60));
        self::assertSame([60, 0], [$draft->int('answers.away.ahead'), $this->clock->now()->getTimestamp() - 1772451600]);
        self::assertStringNotContainsString('S-1', $draft->text);
        self::assertStringNotContainsString('"kind":"x"', $draft->text);
        $this->call('POST', '/api/bench/away', self::check(), 422, headers: ['X-Request-Id' => 'without-clock']);
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/bench/away', self::check(), 403, headers: $this->clock());
        $this->call('GET', '/api/bench/prepared?units=D', status: 403);
    }
}
