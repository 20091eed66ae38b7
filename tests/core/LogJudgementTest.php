<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\LevelColumn;
use Footnote\Core\Noise\NoiseResults;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What stands out in a log: tones, flat stretches, overloads, knocks, gaps, and what its columns are fit for. */
final class LogJudgementTest extends TestCase
{
    private function scene(): Scene
    {
        return (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.0'])->run(
            'r',
            '08:00',
            '10:00',
            '90.0',
            ['plannedMinutes' => 120],
        );
    }

    /** @return list<int> two hours of uneven work at 1 s, thousandths of a dB */
    private static function work(): array
    {
        mt_srand(7);
        $levels = [];
        for ($i = 0; $i < 7200; ++$i) {
            $levels[] = 85000 + 100 * mt_rand(-60, 60);
        }

        return $levels;
    }

    /**
     * @param array<int, int>      $levels
     * @param array<int, int>|null $peaks
     */
    private static function log(array $levels, ?array $peaks = null): PackedLog
    {
        $columns = [new LogColumn(LevelColumn::Equivalent)];
        if ($peaks !== null) {
            $columns[] = new LogColumn(LevelColumn::Peak);
        }

        return PackedLog::ofValues(
            $columns,
            new \DateTimeImmutable('2026-03-02T08:00:00+00:00'),
            1.0,
            $peaks === null ? [array_values($levels)] : [array_values($levels), array_values($peaks)],
        );
    }

    public function testToneIsFoundAndLeftOut(): void
    {
        $levels = self::work();
        $plain = Scene::result($this->scene()->assessLog('r', self::log($levels)), 'laeq')->answers->indicated?->toFloat();
        for ($i = 3600; $i < 3630; ++$i) {
            $levels[$i] = 114000 + 100 * ($i % 2);
        }
        $assessment = $this->scene()->assessLog('r', self::log($levels));
        $family = $assessment->family;
        self::assertInstanceOf(NoiseResults::class, $family);
        self::assertCount(1, $family->log->survey->tones);
        self::assertSame('09:00:00', $family->log->survey->tones[0]->span->from->format('H:i:s'));
        self::assertEqualsWithDelta(30.0, $family->log->survey->tones[0]->span->seconds(), 1.0);
        self::assertEqualsWithDelta(114.05, $family->log->survey->tones[0]->mean, 0.01);
        self::assertEqualsWithDelta($plain, Scene::result($assessment, 'laeq')->answers->indicated?->toFloat(), 0.05);
        // No check is on record, and the two numbers lie far apart: a person says what it was.
        self::assertSame(
            Verdict::Open,
            array_values(
                array_filter($assessment->findings, static fn ($finding): bool => $finding->rule->id === 'noise.tone-removed'),
            )[0]->verdict(),
        );
    }

    /** s at 0.2 dB exactly is still a tone ("not more than"); nine seconds are none; neither is 1.1 dB beside the level. */
    #[TestWith([114000, 0, 10, 1])]
    #[TestWith([114000, 0, 9, 0])]
    #[TestWith([115000, 0, 10, 1])]
    #[TestWith([115100, 0, 10, 0])]
    #[TestWith([114000, 189, 10, 1])]
    #[TestWith([114000, 190, 10, 0])]
    public function testToneAtItsLimits(int $level, int $swing, int $seconds, int $found): void
    {
        $levels = self::work();
        for ($i = 0; $i < $seconds; ++$i) {
            $levels[3600 + $i] = $level + ($i % 2 === 0 ? $swing : -$swing);
        }
        $family = $this->scene()->assessLog('r', self::log($levels))->family;
        self::assertInstanceOf(NoiseResults::class, $family);
        self::assertCount($found, $family->log->survey->tones);
    }

    public function testFlatStretchKnockOverloadAndGap(): void
    {
        $levels = self::work();
        $peaks = array_map(static fn (int $level): int => $level + 15000, $levels);
        for ($i = 1000; $i < 1700; ++$i) {
            $levels[$i] = 71000 + 100 * ($i % 3);
        }
        $peaks[3000] = 141000;
        $levels[4000] = 140000;
        for ($i = 5000; $i < 5400; ++$i) {
            $levels[$i] = SeriesLog::GAP;
        }
        $assessment = $this->scene()->assessLog('r', self::log($levels, $peaks));
        $rules = Scene::rules($assessment);
        foreach (['noise.flat-stretch', 'noise.knock', 'noise.overload', 'noise.gap-large'] as $rule) {
            self::assertContains($rule, $rules);
        }
        self::assertNotContains('noise.gap', $rules);
        self::assertSame('≥141.0', Scene::result($assessment, 'lcpeak')->answers->indicated?->shown());
        self::assertEqualsWithDelta(2 - 400 / 3600, $this->hours($assessment), 1e-9);
    }

    private function hours(\Footnote\Core\Judgement\Assessment $assessment): float
    {
        $family = $assessment->family;
        self::assertInstanceOf(NoiseResults::class, $family);

        return $family->log->seconds / 3600;
    }

    public function testWhatAPersonLeavesOutIsOut(): void
    {
        $levels = [...array_fill(0, 3600, 80000), ...array_fill(0, 3600, 100000)];
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.0'])->run('r', '08:00', '10:00', '90.0', [
            'exclusions' => [[
                'from' => Scene::moment('09:00'),
                'to' => Scene::moment('09:30'),
                'reason' => 'worn by another',
                'by' => 'H-1',
            ]],
            'pauses' => [['from' => Scene::moment('09:30'), 'to' => Scene::moment('10:00')]],
        ]);
        self::assertEqualsWithDelta(
            80.0,
            Scene::result($scene->assessLog('r', self::log($levels)), 'laeq')->answers->indicated?->toFloat(),
            1e-9,
        );
    }

    /** The unit's clock was 120 s ahead: the log's stamps move back, and the run takes other samples. */
    public function testClockOffsetMovesTheLog(): void
    {
        $levels = [...array_fill(0, 120, 100000), ...array_fill(0, 7200, 80000)];
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.0'])->run(
            'r',
            '08:00',
            '10:00',
            '90.0',
            ['clockOffsetSeconds' => 120],
        );
        $assessment = $scene->assessLog('r', self::log($levels));
        self::assertEqualsWithDelta(80.0, Scene::result($assessment, 'laeq')->answers->indicated?->toFloat(), 1e-9);
        self::assertContains('clock.offset', Scene::rules($assessment));
    }

    /** @param list<string> $doses criteria that a dose is made for */
    #[TestWith([LevelColumn::Equivalent, 1.0, ['pel', 'hc', 'rel'], false])]
    #[TestWith([LevelColumn::Equivalent, 60.0, ['pel', 'hc', 'rel'], true])]
    #[TestWith([LevelColumn::Slow, 1.0, ['pel', 'hc', 'rel'], true])]
    #[TestWith([LevelColumn::Maximum, 1.0, [], false])]
    public function testColumnsAndWhatTheyAreFitFor(ColumnKind $kind, float $step, array $doses, bool $doubt): void
    {
        $log = PackedLog::ofValues(
            [new LogColumn($kind)],
            new \DateTimeImmutable('2026-03-02T08:00:00+00:00'),
            $step,
            [array_fill(0, (int) (7200 / $step), 91000)],
        );
        $assessment = $this->scene()->assessLog('r', $log);
        $made = array_values(
            array_filter(
                array_map(static fn ($result): string => $result->key, $assessment->results),
                static fn (string $key): bool => str_starts_with($key, 'dose:'),
            ),
        );
        self::assertSame(array_map(static fn (string $id): string => 'dose:'.$id, $doses), $made);
        self::assertSame($doubt, \in_array('noise.column', Scene::rules($assessment), true));
    }
}
