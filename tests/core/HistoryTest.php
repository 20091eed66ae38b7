<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Families;
use Footnote\Core\Judgement\Foresight;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Noise\AcousticFold;
use Footnote\Core\Noise\AcousticHistory;
use PHPUnit\Framework\TestCase;

/** What a unit's past says, what a check will mean, and whose fault a morning is. */
final class HistoryTest extends TestCase
{
    public function testDriftIsAgainstTheStateTheUnitWasLeftIn(): void
    {
        $timeline = (new Scene())
            ->check('a', '07:00', ['114.4'], ['114.0'])
            ->check('b', '08:00', ['114.1'])
            ->check('c', '09:00', ['113.8'], ['114.0'])
            ->check('d', '10:00', ['116.0'], [], ['brokenOff' => true])
            ->check('e', '11:00', ['114.0'])
            ->read()->timelines['D'];
        $until = new \DateTimeImmutable('2026-03-03');
        $history = AcousticHistory::of($timeline, $until);
        $points = AcousticFold::reading()->points($timeline, $until);
        self::assertSame(['a', 'b', 'c', 'e'], array_column($points, 'check'), 'a check that shows nothing is no point');
        $rounded = static fn (?float $value): ?float => $value === null ? null : round($value, 9);
        self::assertSame([null, 0.1, -0.3, 0.0], array_map($rounded, array_column($points, 'drift')));
        self::assertSame([-0.4, null, 0.2, null], array_map($rounded, array_column($points, 'adjustment')));
        self::assertSame('−0.30', $history->largestDrift()?->signed());
        self::assertSame('−0.20', $history->adjustmentSince(null)?->signed());
        self::assertNull($history->adjustmentSince(new \DateTimeImmutable('2026-03-02T10:00:00+00:00')));
        self::assertCount(
            2,
            AcousticFold::reading()->points($timeline, new \DateTimeImmutable('2026-03-02T08:30:00+00:00')),
            'nothing later than asked for',
        );
    }

    public function testARepairCutsTheHistoryOfDrift(): void
    {
        $timeline = (new Scene())
            ->check('a', '07:00', ['114.0'])
            ->intervention('i', '07:30', 'repaired')
            ->check('b', '08:00', ['115.0'])
            ->read()->timelines['D'];
        self::assertNull(AcousticHistory::of($timeline, new \DateTimeImmutable('2026-03-03'))->largestDrift());
    }

    /** Seven of eight dosimeters 0.3 dB low means the calibrator. */
    public function testSevenOfEightMeansTheCalibrator(): void
    {
        $drifts = array_fill_keys(['a', 'b', 'c', 'd', 'e', 'f', 'g'], -0.3) + ['h' => 0.0];
        $shift = CommonShift::of($drifts, 0.15, 0.2);
        self::assertNotNull($shift);
        self::assertSame(-0.3, $shift->shared);
        self::assertSame(['a', 'b', 'c', 'd', 'e', 'f', 'g'], $shift->moved);
        self::assertSame(0.3, $shift->own['h']);
    }

    public function testWhatIsNoCommonShift(): void
    {
        self::assertNull(CommonShift::of(['a' => -0.4, 'b' => -0.4], 0.15, 0.2), 'two are no crowd');
        self::assertNull(CommonShift::of(['a' => 0.1, 'b' => 0.1, 'c' => 0.1], 0.15, 0.2), 'a tenth is nothing');
        self::assertNull(CommonShift::of(['a' => -0.4, 'b' => 0.5, 'c' => -0.4, 'd' => 0.9], 0.15, 0.2), 'half of them went elsewhere');
        self::assertNotNull(CommonShift::of(['a' => 0.2, 'b' => 0.2, 'c' => 0.2], 0.15, 0.2), 'two tenths together are something');
        self::assertNotNull(
            CommonShift::of(['a' => 0.25, 'b' => 0.4, 'c' => 0.1], 0.15, 0.2),
            'within 0.15 dB of the median, the edge included',
        );
    }

    /** The order in which units are named does not matter. */
    public function testOrderOfUnitsDoesNotMatter(): void
    {
        $drifts = ['a' => -0.3, 'b' => -0.25, 'c' => -0.35, 'd' => 0.1];
        self::assertEquals(CommonShift::of($drifts, 0.15, 0.2)?->shared, CommonShift::of(array_reverse($drifts, true), 0.15, 0.2)?->shared);
    }

    public function testForesightSaysWhatACheckWillClose(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '11:00')->run('r2', '12:00', '16:00');
        $campaign = $scene->read();
        $timeline = $campaign->timelines['D'];
        $foresight = new Foresight(Families::assessor());
        self::assertSame(['r1', 'r2'], array_map(static fn ($run): string => $run->id, $foresight->openRuns($timeline)));

        $check = static fn (string $found, string ...$left) => (new Scene())->check(
            'new',
            '16:30',
            [$found],
            array_values($left),
        )->read()->timelines['D']->checks()[0];
        foreach ([['114.2', Verdict::Valid], ['113.2', Verdict::Void]] as [$found, $verdict]) {
            $closed = $foresight->after(
                $check($found),
                $foresight->openRuns($timeline),
                $timeline,
                Scene::policy('standard'),
                new \Footnote\Core\Judgement\Yardsticks([], []),
            );
            self::assertSame(
                [['r1', $verdict], ['r2', $verdict]],
                array_map(static fn (array $one): array => [$one['run']->id, $one['verdict']], $closed),
                $found,
            );
        }
        $lines = static fn (\Footnote\Core\Evidence\Check $check, string $policy = 'standard'): array => array_map(
            static fn (LiveLine $line): array => [$line->label, $line->figure?->signed(), $line->kept],
            (new AcousticBench())->live($check, $timeline, Scene::policy($policy))->lines,
        );
        self::assertSame(
            [['should show', '+114.00', null], ['as found, off by', '−0.80', null], ['drift since k1', '−0.80', false]],
            $lines($check('113.2')),
        );
        self::assertSame(['drift since k1', '−0.80', true], $lines($check('113.2'), 'survey')[2]);
        self::assertSame(['as left, off by', '0.00', true], $lines($check('113.2', '114.0'))[3]);
    }

    /** Only what a check can still save holds a unit: not a run without a beginning, not a broken one, not one that runs. */
    public function testOnlyWhatCanBeSavedHoldsTheUnit(): void
    {
        $foresight = new Foresight(Families::assessor());
        $held = static fn (Scene $scene): array => array_map(
            static fn ($run): string => $run->id,
            $foresight->openRuns($scene->read()->timelines['D']),
        );
        self::assertSame([], $held((new Scene())->run('r', '08:00', '16:00')));
        self::assertSame([], $held((new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', null)));
        self::assertSame(
            [],
            $held((new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00')->intervention('i', '16:10', 'repaired')),
        );
        self::assertSame(
            [],
            $held((new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('l', '16:10', ['114.0'])),
        );
        self::assertSame(
            ['r'],
            $held(
                (new Scene())->check('k', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check(
                    'l',
                    '16:10',
                    ['114.0'],
                    [],
                    ['brokenOff' => true],
                ),
            ),
        );
    }

    public function testACalibratorSaysWhyItDoesNotFit(): void
    {
        $reference = [
            ...Scene::calibrator('X', '114.0', '0.2'),
            'adapters' => ['1 in'],
            'recalls' => [['since' => '2026-01-01T00:00:00+00:00', 'reason' => 'dropped']],
        ];
        $scene = new Scene();
        $scene->record['references'] = [
            $reference,
            Scene::calibrator('A', '114.0', '0.2'),
            [...Scene::calibrator('N', '114.0', '0.2'), 'certificates' => []],
        ];
        $timeline = $scene->read()->timelines['D'];
        $problems = static fn (string $id, string $on): array => (new AcousticBench())->choices(
            $timeline->instrument,
            [$timeline->references->all()[$id]],
            new \DateTimeImmutable($on),
        )[0]->problems;
        self::assertSame([], $problems('A', '2026-03-02'));
        self::assertSame(['Its certificate was due on 1 Sep 2030.'], $problems('A', '2030-09-02'));
        self::assertSame([], $problems('A', '2030-09-01T23:00:00+00:00'), 'the day it falls due still counts');
        self::assertSame(['It is recalled: dropped', 'It has no adapter for 1/2 in.'], $problems('X', '2026-03-02'));
        self::assertSame(['It has no certificate.'], $problems('N', '2026-03-02'));
    }
}
