<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\Rule\SharedRules;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\LevelColumn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every rule on both sides of its line: a scene in which it finds something and its nearest neighbour in which it does
 * not. Limits are those of the Standard policy, "not more than" unless said.
 */
final class EveryRuleTest extends TestCase
{
    use RulesOneByOne;

    private static function day(): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0']);
    }

    /** @param array<string, mixed> $more */
    private static function runWith(array $more, string $level = '90.0'): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', $level, $more)
            ->check('k2', '16:30', ['114.0']);
    }

    /** @param array<string, mixed> $steps steps that differ */
    private static function stepped(array $steps): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'], [], ['steps' => [...Scene::STEPS, ...$steps]]);
    }

    /**
     * A day whose post-check was walked with a model sheet.
     *
     * @param list<array<string, mixed>> $own   what it asked
     * @param array<string, string>      $steps what became of it
     */
    private static function owning(array $own, array $steps): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'], [], ['own' => $own, 'steps' => [...Scene::STEPS, ...$steps]]);
    }

    /** A day whose post-check was first written otherwise. */
    private static function corrected(string $was, string $how): Scene
    {
        $at = '2026-03-02T18:00:00+00:00';
        $why = ['check' => 'k2', 'instrument' => 'D', 'at' => $at, 'by' => 'T-1', 'reason' => 'mistyped', 'how' => $how];

        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', [$was])
            ->check('k3', '16:30', ['114.0'], more: ['inPlaceOf' => $why]);
    }

    /** @param array<string, mixed> $reference */
    private static function on(array $reference): Scene
    {
        $scene = self::day();
        $scene->record['references'] = [$reference];

        return $scene;
    }

    /** @param list<string> $adapters */
    private static function adapted(array $adapters, ?string $used = null): Scene
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['114.0'], [], [], $used === null ? [] : ['adapter' => $used]);
        $scene->record['references'] = [[...Scene::calibrator('A', '114.0', '0.2'), 'adapters' => $adapters]];

        return $scene;
    }

    /** A calibrator whose certificate was due on that day. */
    private static function due(string $day): Scene
    {
        $reference = Scene::calibrator('A', '114.0', '0.2');
        $certificate = [
            'number' => 'c',
            'laboratory' => 'L',
            'issued' => '2025-03-02',
            'due' => $day,
            'values' => [['nominal' => '114', 'certified' => '114.0']],
        ];

        return self::on([...$reference, 'certificates' => [$certificate]]);
    }

    /** @return iterable<string, array{string, Scene, Scene, Severity}> rule, where it finds, where it does not, weight */
    public static function rules(): iterable
    {
        yield 'no check before' => [
            'bracket.no-pre-check',
            (new Scene())->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            self::day(),
            Severity::Void,
        ];
        yield 'adjusted since the check before' => [
            'bracket.no-pre-check',
            self::day()->intervention('i', '07:45', 'adjusted'),
            self::day()->intervention('i', '07:15', 'adjusted'),
            Severity::Void,
        ];
        yield 'check before is 24 h and a minute old' => [
            'bracket.pre-check-old',
            (new Scene())->check('k1', '2026-03-01T07:59:00', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            (new Scene())->check('k1', '2026-03-01T08:00:00', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            Severity::Qualified,
        ];
        yield 'no check after' => [
            'bracket.no-post-check',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00'),
            self::day(),
            Severity::Void,
        ];
        yield 'still running' => [
            'bracket.no-post-check',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', null),
            self::day(),
            Severity::Void,
        ];
        yield 'check after came twelve hours and a minute late' => [
            'bracket.late-post-check',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '2026-03-03T04:01:00', ['114.0']),
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '2026-03-03T04:00:00', ['114.0']),
            Severity::Note,
        ];
        yield 'repaired before it was read' => [
            'bracket.broken',
            self::day()->intervention('i', '16:15', 'repaired'),
            self::day()->intervention('i', '16:45', 'repaired'),
            Severity::Void,
        ];
        yield 'adjusted during the run' => [
            'bracket.broken',
            self::day()->intervention('i', '12:00', 'adjusted'),
            self::day()->intervention('i', '12:00', 're-zeroed'),
            Severity::Void,
        ];
        yield 'adjusted and not read again' => [
            'bracket.as-left-not-read',
            (new Scene())->check(
                'k1',
                '07:30',
                ['113.5'],
                [],
                [],
                ['adjusted' => true],
            )->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            (new Scene())->check('k1', '07:30', ['113.5'], ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            Severity::Qualified,
        ];
        yield 'broken off' => [
            'bracket.check-passed-over',
            self::day()->check('k3', '16:10', ['114.0'], [], ['brokenOff' => true]),
            self::day(),
            Severity::Note,
        ];
        yield 'another run in the bracket' => [
            'bracket.another-run',
            (new Scene())
                ->check('k1', '07:30', ['114.0'])
                ->run('q', '07:40', '07:50')
                ->run('r', '08:00', '16:00')
                ->check('k2', '16:30', ['114.0']),
            (new Scene())
                ->check('k0', '07:20', ['114.0'])
                ->run('q', '07:25', '07:28')
                ->check('k1', '07:30', ['114.0'])
                ->run('r', '08:00', '16:00')
                ->check('k2', '16:30', ['114.0']),
            Severity::Note,
        ];
        yield 'running while checked' => [
            'bracket.check-while-running',
            self::stepped(['stopped' => 'skipped']),
            self::stepped([]),
            Severity::Qualified,
        ];
        yield 'jumped over weighs the same' => [
            'bracket.check-while-running',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check(
                'k2',
                '16:30',
                ['114.0'],
                [],
                ['steps' => array_diff_key(Scene::STEPS, ['stopped' => true])],
            ),
            self::stepped([]),
            Severity::Qualified,
        ];
        yield 'a step left out' => [
            'procedure.step-not-confirmed',
            self::stepped(['windscreen-on' => 'skipped']),
            self::stepped(['windscreen-on' => 'not applicable']),
            Severity::Qualified,
        ];
        $own = ['step' => 'S.vacuum', 'sheet' => 'S', 'title' => 'Vacuum', 'required' => true];
        yield 'a step of a model sheet left out' => [
            'procedure.step-not-confirmed',
            self::owning([$own], ['S.vacuum' => 'skipped']),
            self::owning([[...$own, 'required' => false]], ['S.vacuum' => 'skipped']),
            Severity::Qualified,
        ];
        yield 'one jumped over' => [
            'procedure.step-not-confirmed',
            self::owning([$own], []),
            self::owning([$own], ['S.vacuum' => 'done']),
            Severity::Qualified,
        ];
        $value = [...$own, 'label' => 'Vacuum', 'unit' => 'kPa', 'least' => '8', 'otherwise' => 'A leak'];
        yield 'outside of what a model sheet calls usual' => [
            'procedure.own-value-unusual',
            self::owning([[...$value, 'value' => '7.99']], ['S.vacuum' => 'done']),
            self::owning([[...$value, 'value' => '8.0']], ['S.vacuum' => 'done']),
            Severity::Qualified,
        ];
        yield 'no warm-up' => [
            'procedure.warm-up',
            self::stepped(['warm-up' => 'skipped']),
            self::stepped(['warm-up' => 'done']),
            Severity::Qualified,
        ];
        yield 'steps out of order' => [
            'procedure.order',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')
                ->check('k2', '16:30', ['114.0'], [], ['steps' => ['as-found' => 'done', 'reference' => 'done', ...Scene::STEPS]]),
            self::stepped([]),
            Severity::Note,
        ];
        $typed = Scene::calibrator('A', '114.0', '0.2');
        $certificate = \is_array($typed['certificates']) ? $typed['certificates'][0] : [];
        \assert(\is_array($certificate));
        $word = ['number' => 'cert-A', 'issued' => '2025-09-01', 'at' => '2026-03-03T08:00:00+00:00', 'by' => 'S-1', 'reason' => 'misread'];
        yield 'a certificate typed in wrongly at first' => [
            'unit.corrected',
            self::on([...$typed, 'certificates' => [$certificate, [...$certificate, 'due' => '2029-09-01', 'inPlaceOf' => $word]]]),
            self::on([...$typed, 'certificates' => [$certificate]]),
            Severity::Note,
        ];
        yield 'one withdrawn is as if there were none' => [
            'reference.certificate-missing',
            self::on([...$typed, 'certificates' => [$certificate, ['withdraws' => $word]]]),
            self::day(),
            Severity::Qualified,
        ];
        yield 'no certificate' => [
            'reference.certificate-missing',
            self::on([...Scene::calibrator('A', '114.0', '0.2'), 'certificates' => []]),
            self::day(),
            Severity::Qualified,
        ];
        yield 'no reference' => [
            'reference.certificate-missing',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check(
                'k2',
                '16:30',
                ['114.0'],
                [],
                ['reference' => null],
            ),
            self::day(),
            Severity::Qualified,
        ];
        yield 'due the day before' => ['reference.expired', self::due('2026-03-01'), self::due('2026-03-02'), Severity::Qualified];
        yield 'recalled from before' => [
            'reference.recalled',
            self::on([...Scene::calibrator('A', '114.0', '0.2'), 'recalls' => [['since' => Scene::moment('16:00'), 'reason' => 'low']]]),
            self::on([...Scene::calibrator('A', '114.0', '0.2'), 'recalls' => [['since' => Scene::moment('16:31'), 'reason' => 'low']]]),
            Severity::Qualified,
        ];
        $recalled = static fn (string $since, string $until): Scene => (static function (Scene $scene) use ($since, $until): Scene {
            $unit = $scene->record['instruments'];
            self::assertIsArray($unit);
            self::assertIsArray($unit[0]);
            $unit[0]['recalls'] = [['since' => Scene::moment($since), 'until' => Scene::moment($until), 'reason' => 'microphone torn']];
            $scene->record['instruments'] = $unit;

            return $scene;
        })(self::day());
        yield 'the unit was wrong before the run was over' => [
            'unit.recalled',
            $recalled('15:59', '18:00'),
            $recalled('16:31', '18:00'),
            Severity::Void,
        ];
        yield 'the unit was wrong when it was checked after the run' => [
            'unit.checked-while-wrong',
            $recalled('16:29', '18:00'),
            $recalled('05:00', '07:29'),
            Severity::Void,
        ];
        yield 'meter expects another level' => [
            'reference.entered-value',
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check(
                'k2',
                '16:30',
                ['114.0'],
                [],
                [],
                ['entered' => '94'],
            ),
            (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check(
                'k2',
                '16:30',
                ['114.0'],
                [],
                [],
                ['entered' => '114.0'],
            ),
            Severity::Qualified,
        ];
        yield 'wrong adapter used' => [
            'reference.adapter',
            self::adapted(['1/2 in', '1/4 in'], '1/4 in'),
            self::adapted(['1/2 in', '1/4 in'], '1/2 in'),
            Severity::Qualified,
        ];
        yield 'no adapter that fits' => ['reference.adapter', self::adapted(['1/4 in']), self::adapted(['1/2 in']), Severity::Qualified];
        yield 'reading in whole decibels' => [
            'reference.resolution',
            (new Scene())->check('k1', '07:30', ['114'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']),
            self::day(),
            Severity::Qualified,
        ];
        yield 'run of 74.9 % of the plan' => [
            'run.short',
            self::runWith(['plannedMinutes' => 641]),
            self::runWith(['plannedMinutes' => 640]),
            Severity::Qualified,
        ];
        $due = static function (string $due): Scene {
            $scene = self::day();
            $scene->record['instruments'] = [
                ['id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'certificates' => [
                    ['number' => 'L-1', 'laboratory' => 'L', 'issued' => '2024-03-01', 'due' => $due],
                ]],
            ];

            return $scene;
        };
        yield 'the unit itself out of date' => [
            'unit.certificate-expired',
            $due('2026-03-01'),
            $due('2026-03-02'),
            Severity::Qualified,
        ];
        yield 'sent out although not fit to' => [
            'run.went-out-unfit',
            self::runWith(['despite' => ['reason' => 'no other', 'by' => 'T-1', 'against' => ['It was left off.']]]),
            self::day(),
            Severity::Note,
        ];
        yield 'a run corrected' => [
            'run.corrected',
            self::runWith(['corrections' => [[
                'what' => 'task', 'was' => 'planing', 'is' => 'sawing', 'by' => 'T-1',
                'at' => '2026-03-02T18:00:00+00:00', 'reason' => 'so it was',
            ]]]),
            self::day(),
            Severity::Note,
        ];
        yield 'a check corrected' => [
            'bracket.corrected',
            self::corrected('114.1', 'transcribed'),
            self::day(),
            Severity::Note,
        ];
        yield 'a correction that decides' => [
            'bracket.correction-decides',
            self::corrected('116.0', 'typed'),
            self::corrected('116.0', 'read back'),
            Severity::Qualified,
        ];
        yield 'something odd' => [
            'run.remark',
            self::runWith(['remarks' => [['kind' => 'rained on', 'note' => 'a shower']]]),
            self::day(),
            Severity::Note,
        ];
        yield 'worn by another' => [
            'run.worn-wrongly',
            self::runWith(['remarks' => [['kind' => 'worn by another']]]),
            self::runWith(['remarks' => [['kind' => 'knocked']]]),
            Severity::Qualified,
        ];
        yield 'clock off by more than a minute' => [
            'clock.offset',
            self::runWith(['clockOffsetSeconds' => -61]),
            self::runWith(['clockOffsetSeconds' => -60]),
            Severity::Note,
        ];
        yield 'clock off by more than five' => [
            'clock.doubtful',
            self::runWith(['clockOffsetSeconds' => 301]),
            self::runWith(['clockOffsetSeconds' => 300]),
            Severity::Qualified,
        ];
        yield 'clock not noted' => ['clock.not-noted', self::runWith(['clockOffsetSeconds' => null]), self::day(), Severity::Note];
        yield 'drift beyond 0.5 dB' => ['noise.drift', self::closing('114.6'), self::closing('114.5'), Severity::Void];
        yield 'drift downwards' => ['noise.drift', self::closing('113.4'), self::closing('113.5'), Severity::Void];
        yield 'found more than 1 dB off' => [
            'noise.as-found-large',
            self::opening('115.1', '114.0'),
            self::opening('115.0', '114.0'),
            Severity::Note,
        ];
        yield 'adjustments of more than 1.5 dB' => [
            'noise.cumulative-adjustment',
            self::walking(['114.6', '114.6', '114.4']),
            self::walking(['114.6', '114.6', '114.3']),
            Severity::Note,
        ];
        yield 'no number' => ['noise.nothing-measured', self::runWith(['totals' => null]), self::day(), Severity::Void];
        // Limits of these are our own: a tenth of the stated day, half a decibel and a decibel and a half.
        yield 'a tenth of the day and a minute not sampled' => [
            'run.unsampled',
            self::runWith(['shiftMinutes' => 534]),
            self::runWith(['shiftMinutes' => 533]),
            Severity::Qualified,
        ];
        yield 'left 0.6 dB off' => ['noise.left-off', self::standing('113.4'), self::standing('113.5'), Severity::Qualified];
        yield 'left 1.6 dB off' => ['noise.left-off-large', self::standing('115.6'), self::standing('115.5'), Severity::Void];
        yield 'a reading of the other level' => ['noise.level-doubtful', self::twoLevels('95.0'), self::twoLevels('95.1'), Severity::Void];
        yield 'a dose of another threshold' => ['noise.dose-criterion', self::doseAt('90'), self::doseAt('80'), Severity::Qualified];
        yield 'undecided' => ['judgement.undecided', self::closing('114.4', '85.1'), self::closing('114.4', '85.5'), Severity::Note];
    }

    private static function closing(string $found, string $level = '90.0'): Scene
    {
        return (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00', $level)->check('k2', '16:30', [$found]);
    }

    /** The level that was found and left, morning and evening. */
    private static function standing(string $level): Scene
    {
        return (new Scene())->check('k1', '07:30', [$level])->run('r', '08:00', '16:00')->check('k2', '16:30', [$level]);
    }

    /** In the evening it read so, and 114 dB was written down; the calibrator gives 94 dB as well. */
    private static function twoLevels(string $found): Scene
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', [$found]);
        $calibrator = Scene::calibrator('A', '114.0', '0.2');
        $values = array_map(
            static fn (string $level): array => ['nominal' => $level, 'certified' => $level.'.0', 'frequency' => '1000'],
            ['94', '114'],
        );
        $scene->record['references'] = [[
            ...$calibrator,
            'certificates' => [[
                'number' => 'c',
                'laboratory' => 'L',
                'issued' => '2025-09-01',
                'due' => '2030-09-01',
                'values' => $values,
            ]],
        ]];

        return $scene;
    }

    /**
     * A dose for the criterion of hearing conservation as published in 29 CFR 1910.95 App. A is of a threshold of 80 dB; that
     * unit was set to so many.
     */
    private static function doseAt(string $threshold): Scene
    {
        return self::runWith([
            'setUp' => 'room-survey',
            'setThreshold' => $threshold,
            'totals' => ['doses' => ['hc' => ['value' => '96', 'provenance' => 'typed']]],
        ]);
    }

    private static function opening(string $found, string $left): Scene
    {
        return (new Scene())->check('k1', '07:30', [$found], [$left])->run('r', '08:00', '16:00')->check('k2', '16:30', [$left]);
    }

    /** @param list<string> $found values found at checks that each adjusted back to 114.0 */
    private static function walking(array $found): Scene
    {
        $scene = new Scene();
        foreach ($found as $i => $value) {
            $scene->check('a'.$i, '07:0'.$i, [$value], ['114.0']);
        }

        return $scene->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
    }

    /** @return iterable<string, array{string, PackedLog, PackedLog}> rule, log in which it finds, log in which it does not */
    public static function logs(): iterable
    {
        $work = array_map(static fn (int $i): int => 80000 + 1000 * ($i % 7), range(0, 7199));
        /** @return list<int> */
        $with = static fn (int $from, int $count, int $value): array => self::changed($work, $from, $count, $value);
        $log = self::log(...);
        yield 'tone of ten seconds' => ['noise.tone-removed', $log($with(3000, 10, 114000)), $log($with(3000, 9, 114000))];
        yield 'at the end of the range' => ['noise.overload', $log($with(3000, 1, 140000)), $log($with(3000, 1, 139900))];
        yield 'marked as overloaded' => [
            'noise.overload',
            $log($work, null, [...array_fill(0, 4000, 0), 1000, ...array_fill(0, 3199, 0)]),
            $log($work, null, array_fill(0, 7200, 0)),
        ];
        yield 'ten minutes of stillness' => ['noise.flat-stretch', $log($with(3000, 600, 62000)), $log($with(3000, 597, 62000))];
        yield 'peak of 130 dB with 45 dB over the level' => [
            'noise.knock',
            $log($work, [...array_fill(0, 4001, 100000), 130000, ...array_fill(0, 3198, 100000)]),
            $log($work, [...array_fill(0, 4001, 100000), 129900, ...array_fill(0, 3198, 100000)]),
        ];
        yield 'more than 1 % missing' => ['noise.gap', $log($with(3000, 73, SeriesLog::GAP)), $log($with(3000, 72, SeriesLog::GAP))];
        yield 'more than 5 % missing' => [
            'noise.gap-large',
            $log($with(3000, 361, SeriesLog::GAP)),
            $log($with(3000, 360, SeriesLog::GAP)),
        ];
        yield 'slow levels' => ['noise.column', self::log($work, kind: LevelColumn::Slow), $log($work)];
    }

    /**
     * @param array<array-key, int> $levels
     *
     * @return list<int>
     */
    private static function changed(array $levels, int $from, int $count, int $value): array
    {
        for ($i = $from; $i < $from + $count; ++$i) {
            $levels[$i] = $value;
        }

        return array_values($levels);
    }

    /**
     * @param array<array-key, int>      $levels
     * @param array<array-key, int>|null $peaks
     * @param array<array-key, int>|null $marks
     */
    private static function log(
        array $levels,
        ?array $peaks = null,
        ?array $marks = null,
        ColumnKind $kind = LevelColumn::Equivalent,
    ): PackedLog {
        $columns = [new LogColumn($kind)];
        $values = [array_values($levels)];
        foreach ([[LevelColumn::Peak, $peaks], [LevelColumn::Overload, $marks]] as [$of, $column]) {
            if ($column !== null) {
                $columns[] = new LogColumn($of);
                $values[] = array_values($column);
            }
        }

        return PackedLog::ofValues($columns, new \DateTimeImmutable('2026-03-02T08:00:00+00:00'), 1.0, $values);
    }

    #[DataProvider('logs')]
    public function testFindsInALogOnOneSideOfItsLineOnly(string $rule, PackedLog $finds, PackedLog $not): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '10:00')->check('k2', '16:30', ['114.0']);
        self::assertNotNull(self::of($scene->assessLog('r', $finds), $rule), 'it finds something');
        self::assertNull(self::of($scene->assessLog('r', $not), $rule), 'its nearest neighbour is clean');
    }

    /** No rule without a limit to its name, and no setting without a rule. */
    public function testRulesAndPoliciesNameEachOther(): void
    {
        $coded = array_map(static fn (Rule $rule): string => $rule->id(), SharedRules::all());
        self::assertSame($coded, array_unique($coded));
        foreach (Families::all() as [$family]) {
            $own = array_map(static fn (Rule $rule): string => $rule->id(), $family->rules());
            self::assertSame($own, array_unique($own), $family->id());
            self::assertSame([], array_intersect($own, array_map(static fn (Rule $rule): string => $rule->id(), SharedRules::all())));
            // What several families stand on is one rule.
            $coded = array_values(array_unique([...$coded, ...$own]));
        }
        foreach (['standard', 'cautious', 'survey'] as $policy) {
            $set = array_keys(Scene::policy($policy)->rules);
            self::assertSame([], array_diff($set, $coded), $policy);
            self::assertSame(
                $policy === 'survey' ? [] : ['flow.change-large'],
                array_values(array_diff($coded, $set)),
                'switched off in '.$policy,
            );
            foreach (Scene::policy($policy)->rules as $setting) {
                self::assertNotSame('', $setting->rule->source, $setting->rule->id.' names its source');
            }
        }
    }
}
