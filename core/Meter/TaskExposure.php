<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Parts;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\MeasurementUncertainty;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\Sound;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/**
 * L_EX,8h of one person's working day from samples of its tasks (N-8), with its uncertainty (N-9b). Samples of a task are
 * averaged by energy; a void sample is not in it; lower ends are combined with lower ends, upper with upper.
 *
 * @phpstan-type Sample array{run: Run, result: Result, verdict: Verdict, meter: MeterRecord, minutes: Decimal, instrument: float}
 */
final readonly class TaskExposure
{
    private const HOURS = 8.0;
    /** 10/ln 10. */
    private const PER_NEPER = 4.3429448190325183;

    /** @param list<Assessment> $day every sample of the day worked out alone, in order of time */
    public function __construct(private Assessment $own, private array $day, private Yardsticks $yardsticks)
    {
    }

    /** The record of a task's sample; null for every other measurement. */
    public static function record(Run $run): ?MeterRecord
    {
        $meter = MeterRun::record($run);

        return $meter?->measures === Measures::Task ? $meter : null;
    }

    /** @return list<Result> none where the run is no sample of a task, or no sample counts */
    public function results(): array
    {
        $samples = self::record($this->own->run) === null ? [] : $this->samples();
        if ($samples === []) {
            return [];
        }
        $tasks = [];
        foreach ($samples as $sample) {
            $tasks[mb_strtolower(trim($sample['run']->deployment->task))][] = $sample;
        }
        $tasks = array_values($tasks);
        $answers = Parts::together(fn (\Closure $of, string $how): ?Figure => $this->daily($tasks, $of, $how));
        $result = Result::of(
            'lex8h',
            'Daily noise exposure level by tasks',
            $samples[0]['result']->answers->reported,
            $answers,
            $this->notes($samples, $tasks),
        );
        $result = $result->doubting(
            ...array_merge(...array_map(static fn (array $sample): array => $sample['result']->footing->causes, $samples)),
        )->or(
            'with the rest of the day like its tasks',
            $this->stretched($result->reportedFigure(), $samples, $tasks),
        );
        $result = $result->inheriting(Verdict::worst(...array_map(static fn (array $sample): Verdict => $sample['verdict'], $samples)));
        $shares = $this->shares($tasks, $result->reportedFigure()->toFloat());
        $result = $result->brokenDown(new TaskBudget($shares))->withUncertainty(...$this->uncertainty($shares));

        return [
            (new LimitJudge())->judge(
                $result,
                $this->yardsticks->limits,
                static fn (ExposureLimit $limit): array => self::tipping($result, $limit),
            ),
        ];
    }

    /** @return list<Sample> */
    private function samples(): array
    {
        $samples = [];
        foreach ($this->day as $assessment) {
            $meter = self::record($assessment->run);
            $minutes = $meter?->written->decimal('taskMinutes');
            $levels = Sound::levels($assessment->family);
            if ($meter === null
                || $minutes === null
                || $levels === null
                || $assessment->verdict === Verdict::Void) {
                continue;
            }
            foreach ($assessment->results as $result) {
                if ($result->key === 'laeq' && is_finite($result->reportedFigure()->toFloat())) {
                    $samples[] = [
                        'run' => $assessment->run,
                        'result' => $result,
                        'verdict' => $assessment->verdict,
                        'meter' => $meter,
                        'minutes' => $minutes,
                        'instrument' => $levels->timeline->instrument->traits->text('class') === '1'
                            ? MeasurementUncertainty::CLASS_1
                            : MeasurementUncertainty::CLASS_2,
                    ];
                }
            }
        }

        return $samples;
    }

    /**
     * N-8 with one answer of every sample; null where a sample does not have it.
     *
     * @param list<non-empty-list<Sample>>  $tasks
     * @param callable(Result): ?Figure $of
     */
    private function daily(array $tasks, callable $of, string $how): ?Figure
    {
        $dose = 0.0;
        $inputs = [];
        foreach ($tasks as $task) {
            $level = self::level($task, $of);
            if ($level === null) {
                return null;
            }
            $minutes = self::minutes($task);
            $dose += $minutes->toFloat() / 60 * 10 ** ($level->toFloat() / 10);
            array_push($inputs, $level, $minutes);
        }

        return $dose > 0.0
            ? Figure::derived(
                'L_EX,8h',
                'daily noise exposure level by tasks, '.$how,
                10 * log10($dose / self::HOURS),
                LevelUnit::DecibelA,
                NoiseEquation::DailyExposure,
                $inputs,
            )
            : null;
    }

    /**
     * @param non-empty-list<Sample>    $task
     * @param callable(Result): ?Figure $of
     */
    private static function level(array $task, callable $of): ?Figure
    {
        $energy = 0.0;
        $inputs = [];
        foreach ($task as $sample) {
            $figure = $of($sample['result']);
            if ($figure === null) {
                return null;
            }
            $energy += 10 ** ($figure->toFloat() / 10);
            $inputs[] = $figure;
        }

        return \count($inputs) === 1
            ? $inputs[0]
            : Figure::derived(
                'L_m',
                'level of the task '.$task[0]['run']->deployment->task,
                10 * log10($energy / \count($inputs)),
                LevelUnit::DecibelA,
                NoiseEquation::EquivalentLevel,
                $inputs,
            );
    }

    /**
     * How long a task takes: the mean of what its samples state.
     *
     * @param non-empty-list<Sample> $task
     */
    private static function minutes(array $task): Figure
    {
        $mean = Exact::mean(array_map(static fn (array $sample): Exact => $sample['minutes']->value, $task));

        return Figure::read(
            'T_m',
            'time of the task '.$task[0]['run']->deployment->task.' in a day',
            $mean,
            CommonUnit::Minute,
            new Origin('run', $task[0]['run']->id, 'stated with '.(\count($task) === 1 ? 'its sample' : 'its samples')),
            1,
        );
    }

    /**
     * @param non-empty-list<non-empty-list<Sample>> $tasks
     *
     * @return non-empty-list<TaskShare>
     */
    private function shares(array $tasks, float $daily): array
    {
        $shares = [];
        foreach ($tasks as $task) {
            $name = $task[0]['run']->deployment->task;
            $level = self::level($task, static fn (Result $result): Figure => $result->reportedFigure());
            \assert($level !== null);
            $minutes = self::minutes($task);
            $hours = $minutes->toFloat() / 60;
            $levels = array_map(static fn (array $sample): float => $sample['result']->reportedFigure()->toFloat(), $task);
            $figures = array_map(static fn (array $sample): Figure => $sample['result']->reportedFigure(), $task);
            $c1a = $hours / self::HOURS * 10 ** (($level->toFloat() - $daily) / 10);
            $c1b = $hours > 0.0 ? self::PER_NEPER * $c1a / $hours : 0.0;
            $u1a = \count($task) < 2 ? null : self::ofMean($levels);
            $u1b = $this->ofDuration($task);
            $u2 = max(array_column($task, 'instrument'));
            $part = $c1a ** 2 * (($u1a ?? 0.0) ** 2 + $u2 ** 2 + MeasurementUncertainty::POSITION ** 2) + ($c1b * ($u1b ?? 0.0)) ** 2;
            $sampling = $u1a === null
                ? null
                : Figure::derived(
                    'u₁ₐ',
                    'standard uncertainty by sampling the task '.$name,
                    $u1a,
                    LevelUnit::Decibel,
                    NoiseEquation::TaskUncertainty,
                    $figures,
                    2,
                );
            $sensitivity = Figure::derived(
                'c₁ₐ',
                'sensitivity to the level of '.$name,
                $c1a,
                CommonUnit::None,
                NoiseEquation::TaskUncertainty,
                [$level, $minutes],
                3,
            );
            $duration = $u1b === null
                ? null
                : Figure::read(
                    'u₁ᵦ',
                    'standard uncertainty of the time of '.$name,
                    $u1b,
                    CommonUnit::Hour,
                    new Origin('run', $task[0]['run']->id, 'from the times that its samples state'),
                    3,
                );
            $durationSensitivity = Figure::derived(
                'c₁ᵦ',
                'sensitivity to the time of '.$name.', dB/h',
                $c1b,
                CommonUnit::None,
                NoiseEquation::TaskUncertainty,
                [$sensitivity, $minutes],
                2,
            );
            $shares[] = new TaskShare(
                $name,
                array_map(static fn (array $sample): string => $sample['run']->id, $task),
                $level,
                $minutes,
                Figure::derived(
                    '',
                    'share of '.$name.' in the exposure',
                    100 * $c1a,
                    CommonUnit::Percent,
                    NoiseEquation::DailyExposure,
                    [$level, $minutes],
                    1,
                ),
                max($levels) - min($levels),
                new TaskUncertainty(
                    $sampling,
                    $sensitivity,
                    $duration,
                    $durationSensitivity,
                    Figure::derived(
                        'u²',
                        'part of '.$name.' in the uncertainty, dB²',
                        $part,
                        CommonUnit::None,
                        NoiseEquation::TaskUncertainty,
                        array_values(
                            array_filter([
                                $sensitivity,
                                $sampling,
                                MeasurementUncertainty::instrument($u2),
                                MeasurementUncertainty::position(),
                                $durationSensitivity,
                                $duration,
                            ]),
                        ),
                        3,
                    ),
                ),
            );
        }

        return $shares;
    }

    /**
     * @param non-empty-list<TaskShare> $shares
     *
     * @return array{Figure, string}
     */
    private function uncertainty(array $shares): array
    {
        $variance = array_sum(array_map(static fn (TaskShare $share): float => $share->uncertainty->part->toFloat(), $shares));
        $single = array_values(array_filter($shares, static fn (TaskShare $share): bool => $share->uncertainty->sampling === null));
        $note = 'The uncertainty is that of sampling, instrument and position, one-sided 95 %.'.($single === [] ? '' : \sprintf(
            ' Sampling is not in it for %s: one sample shows no spread.',
            implode(
                ', ',
                array_map(
                    static fn (TaskShare $share): string => \sprintf('%s (%s %% of the exposure)', $share->name, $share->share->shown()),
                    $single,
                ),
            ),
        ));

        return [
            Figure::derived(
                'U',
                'expanded uncertainty with sampling, one-sided 95 %',
                MeasurementUncertainty::COVERAGE * sqrt($variance),
                LevelUnit::Decibel,
                NoiseEquation::TaskUncertainty,
                array_map(static fn (TaskShare $share): Figure => $share->uncertainty->part, $shares),
                2,
            ),
            $note,
        ];
    }

    /**
     * u₁ᵦ in hours: of several stated times the standard uncertainty of their mean, of a stated range half of it; null where
     * neither is known.
     *
     * @param non-empty-list<Sample> $task
     */
    private function ofDuration(array $task): ?float
    {
        $times = array_map(static fn (array $sample): float => $sample['minutes']->value->toFloat() / 60, $task);
        if (max($times) > min($times)) {
            return self::ofMean($times);
        }
        $least = $most = null;
        foreach ($task as $sample) {
            $least ??= $sample['meter']->written->decimal('taskMinutesLeast')?->value;
            $most ??= $sample['meter']->written->decimal('taskMinutesMost')?->value;
        }

        return $least === null || $most === null ? null : $most->minus($least)->toFloat() / 120;
    }

    /** @param non-empty-list<float> $values */
    private static function ofMean(array $values): float
    {
        $n = \count($values);
        $mean = array_sum($values) / $n;

        return sqrt(array_sum(array_map(static fn (float $value): float => ($value - $mean) ** 2, $values)) / ($n * ($n - 1)));
    }

    /**
     * @param non-empty-list<Sample>       $samples
     * @param list<non-empty-list<Sample>> $tasks
     *
     * @return list<string>
     */
    private function notes(array $samples, array $tasks): array
    {
        $counted = array_map(static fn (array $sample): string => $sample['run']->id, $samples);
        $notes = [];
        foreach ($this->day as $assessment) {
            if (self::record($assessment->run) !== null && !\in_array($assessment->run->id, $counted, true)) {
                $notes[] = \sprintf(
                    '%s is not in it: %s.',
                    $assessment->run->id,
                    $assessment->verdict === Verdict::Void ? 'void' : 'it has no equivalent level',
                );
            }
        }
        [$together, $day] = self::times($samples, $tasks);
        if ($day > 0.0 && abs($together->toFloat() - $day) > 0.5) {
            $notes[] = $together->toFloat() < $day
                ? \sprintf(
                    'The tasks take %s of %d min; the rest of the day is taken as without exposure.',
                    $together->rounded(0),
                    (int) round($day),
                )
                : \sprintf('The tasks take %s min, more than the working day of %d min.', $together->rounded(0), (int) round($day));
        }

        return $notes;
    }

    /**
     * What the tasks take together, and the working day, min; nought where nobody stated one.
     *
     * @param non-empty-list<Sample>       $samples
     * @param list<non-empty-list<Sample>> $tasks
     *
     * @return array{Exact, float}
     */
    private static function times(array $samples, array $tasks): array
    {
        return [
            array_reduce(
                $tasks,
                static fn (Exact $sum, array $task): Exact => ($minutes = self::minutes($task)->value) instanceof Exact
                    ? $sum->plus($minutes)
                    : $sum,
                Exact::zero(),
            ),
            max(array_map(static fn (array $sample): float => $sample['run']->day->minutes ?? 0.0, $samples)),
        ];
    }

    /**
     * The day where what its tasks leave of it was like them; null where they leave nothing, or nobody stated a day.
     *
     * @param non-empty-list<Sample>       $samples
     * @param list<non-empty-list<Sample>> $tasks
     */
    private function stretched(Figure $daily, array $samples, array $tasks): ?Figure
    {
        [$together, $day] = self::times($samples, $tasks);
        $minutes = $together->toFloat();

        return $day <= $minutes + 0.5 || $minutes <= 0.0
            ? null
            : Figure::derived(
                'L_EX,8h',
                'daily noise exposure level by tasks, the rest of the day like them',
                $daily->toFloat() + 10 * log10($day / $minutes),
                LevelUnit::DecibelA,
                NoiseEquation::DailyExposure,
                [$daily],
            );
    }

    /**
     * All samples move alike: the offset at which the day sits on the limit.
     *
     * @return array{?Figure, string}
     */
    private static function tipping(Result $result, ExposureLimit $limit): array
    {
        $value = $result->reportedFigure();
        $offset = $value->toFloat() - $limit->threshold->value->value->toFloat();

        return [
            Figure::derived(
                'o*',
                'offset of all samples at which it sits on the limit',
                $offset,
                LevelUnit::Decibel,
                NoiseEquation::OffsetTakenOut,
                [$value],
                2,
            ),
            $offset === 0.0
                ? 'It sits on the limit.'
                : \sprintf(
                    'It turns if the meter read %s dB too %s at every sample.',
                    number_format(abs($offset), 2, '.', ''),
                    $offset > 0 ? 'high' : 'low',
                ),
        ];
    }
}
