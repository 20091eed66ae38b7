<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Interval;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Families;
use Footnote\Core\Judgement\FallsDue;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\GoingOut;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\RecordedCampaign;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What falls due: at its last moment nothing of it is against a run that begins, and a second later that is which the list said. */
final class FallsDueTest extends TestCase
{
    private const NOW = '2026-03-02T10:00:00';

    /**
     * @param list<array<string, string>> $intervals of its own
     *
     * @return array<string, mixed>
     */
    private static function certified(string $issued, string $due, array $intervals = []): array
    {
        return [
            'certificates' => [['number' => 'L-1', 'laboratory' => 'L', 'issued' => $issued, 'due' => $due]],
            'intervals' => $intervals,
        ];
    }

    /** @return array<string, string> */
    private static function yearly(): array
    {
        return [
            'routine' => 'laboratory calibration', 'every' => '1', 'unit' => 'years', 'since' => '2026-01-01',
            'source' => 'the manual, page 12', 'by' => 'S-1',
        ];
    }

    /** @param array<string, mixed> $more of the unit */
    private static function dosimeter(array $more, string $start): RecordedCampaign
    {
        $scene = (new Scene())->check('k', '07:30', ['114.0'])->run('new', $start, null, more: ['totals' => null]);
        $scene->record['instruments'] = [[
            'id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', ...$more,
        ]];

        return $scene->read();
    }

    private static function monitor(string $start): RecordedCampaign
    {
        return (new GasScene())->check('k', '07:30')->check('b', '08:30', gas: ['procedure' => 'bump-test'])
            ->run('new', $start, null)->read();
    }

    private static function fitness(RecordedCampaign $campaign): Fitness
    {
        foreach ($campaign->timelines as $timeline) {
            $start = $timeline->run('new');
            if ($start !== null) {
                return (new GoingOut(Families::assessor()))->of($start, $timeline, Scene::policy('standard'));
            }
        }
        self::fail('There is no run that begins.');
    }

    /** @return list<FallsDue> */
    private static function due(RecordedCampaign $campaign): array
    {
        $unit = array_values($campaign->timelines)[0]->instrument;
        $now = new \DateTimeImmutable(self::NOW, new \DateTimeZone('UTC'));

        return FallsDue::ofUnit($unit, self::fitness($campaign)->routines, Scene::policy('standard'), $now);
    }

    /** @return iterable<string, array{\Closure(string): RecordedCampaign, list<array{string, string, string, Severity|null}>}> */
    public static function units(): iterable
    {
        yield 'the certificate ends before the two years of the policy' => [
            static fn (string $at): RecordedCampaign => self::dosimeter(self::certified('2025-03-01', '2026-09-01'), $at),
            [['laboratory calibration', '2026-09-01T23:59:59', '', Severity::Qualified]],
        ];
        yield 'the two years end before the certificate' => [
            static fn (string $at): RecordedCampaign => self::dosimeter(self::certified('2025-03-01', '2030-01-01'), $at),
            [['laboratory calibration', '2027-03-01T23:59:59', '2 years', Severity::Qualified]],
        ];
        yield 'its own interval ends before both' => [
            static fn (string $at): RecordedCampaign => self::dosimeter(
                self::certified('2025-06-01', '2030-01-01', [self::yearly()]),
                $at,
            ),
            [['laboratory calibration', '2026-06-01T23:59:59', '1 year', Severity::Qualified]],
        ];
        yield 'it is over already' => [
            static fn (string $at): RecordedCampaign => self::dosimeter(self::certified('2024-02-01', '2030-01-01'), $at),
            [['laboratory calibration', '2026-02-01T23:59:59', '2 years', Severity::Qualified]],
        ];
        yield 'no laboratory ever saw it' => [
            static fn (string $at): RecordedCampaign => self::dosimeter([], $at),
            [['laboratory calibration', '', '2 years', null]],
        ];
        yield 'a monitor is bumped by the day and calibrated by the month, all its channels at once' => [
            self::monitor(...),
            [
                ['bump test', '2026-03-03T08:30:00', '24 hours', Severity::Qualified],
                ['calibration', '2026-04-02T23:59:59', '1 month', Severity::Qualified],
            ],
        ];
    }

    /**
     * @param \Closure(string): RecordedCampaign                      $begins   with a run that begins at a moment
     * @param list<array{string, string, string, Severity|null}> $expected
     */
    #[DataProvider('units')]
    public function testTheListSaysWhatTheVerdictSays(\Closure $begins, array $expected): void
    {
        $due = self::due($begins(self::NOW));
        self::assertSame($expected, array_map(static fn (FallsDue $one): array => [
            $one->what, $one->until?->format('Y-m-d\TH:i:s') ?? '', $one->every->words ?? '', $one->weighs,
        ], $due));
        foreach ($due as $one) {
            if ($one->until === null) {
                self::assertSame('', $one->evidence);
                continue;
            }
            $told = ' '.$one->until->format('j M Y H:i').'.';
            $says = static fn (\DateTimeImmutable $at): int => \count(array_filter(
                self::fitness($begins($at->format('Y-m-d\TH:i:s')))->against,
                static fn (string $words): bool => str_contains($words, $told),
            ));
            if ($one->until->format('Y-m-d\TH:i:s') > self::NOW) {
                self::assertSame(0, $says($one->until), $one->what);
            }
            self::assertGreaterThan(0, $says(Span::shift($one->until, 1)), $one->what);
        }
    }

    public function testWhatIsOverByTheNextDayIsOfOneDay(): void
    {
        foreach (['24 hours' => true, '25 hours' => false, '1 days' => true, '2 days' => false, '1 months' => false] as $words => $is) {
            [$number, $unit] = explode(' ', $words);
            self::assertSame($is, Interval::of(Decimal::parse($number), IntervalUnit::from($unit))->isOfOneDay(), $words);
        }
    }

    /** A check on a reference at the last moment has nothing against it; on the day after it has. */
    public function testAReferenceCountsThroughItsDay(): void
    {
        $policy = Scene::policy('standard');
        $unit = self::dosimeter([], self::NOW)->timelines['D']->instrument;
        foreach ([['2025-06-01', '2030-01-01', '2026-06-01', '1 year'], ['2025-06-01', '2026-05-05', '2026-05-05', '']] as $case) {
            [$issued, $date, $until, $every] = $case;
            $scene = (new Scene())->check('k', '07:30', ['114.0']);
            $reference = Scene::calibrator('A', '114.0', '0.2');
            \assert(\is_array($reference['certificates']) && \is_array($reference['certificates'][0]));
            $reference['certificates'][0] = [...$reference['certificates'][0], 'issued' => $issued, 'due' => $date];
            $scene->record['references'] = [$reference];
            $timeline = $scene->read()->timelines['D'];
            $check = $timeline->check('k');
            self::assertNotNull($check);
            $known = $timeline->referencesOf($check)[0];
            $due = FallsDue::ofReference($known, $policy, new \DateTimeImmutable(self::NOW, new \DateTimeZone('UTC')));
            self::assertNotNull($due?->until);
            self::assertSame([$until.' 23:59:59', $every, true], [
                $due->until->format('Y-m-d H:i:s'), $due->every->words ?? '', $due->isForLaboratory(),
            ]);
            self::assertSame(Severity::Qualified, $due->weighs);
            $against = static fn (\DateTimeImmutable $on): array => (new AcousticBench())
                ->choices($unit, [$known], $on)[0]->heldTo($policy, $on)->problems;
            self::assertSame([], $against($due->until));
            self::assertCount(1, $against(Span::shift($due->until, 1)));
        }
    }
}
