<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Parts;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\MeasurementUncertainty;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\NominalDay;
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
        $shares = $this->shares($tasks, $result->reportedFigure());
        $result = $result->brokenDown(new TaskBudget($shares))->withUncertainty(...$this->uncertainty($shares));

        return [
            (new LimitJudge())->judge(
                $result,
                $this->yardsticks->limits,
                static fn (ExposureLimit $limit): TippingPoint => self::tipping($result, $limit),
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
        $members = [];
        foreach ($tasks as $task) {
            $level = self::level($task, $of);
            if ($level === null) {
                return null;
            }
            $minutes = self::minutes($task);
            $dose += $minutes->toFloat() / 60 * 10 ** ($level->toFloat() / 10);
            $members[] = [$level, $minutes];
        }

        return $dose > 0.0
            ? Figure::derived(
                'L_EX,8h',
                'daily noise exposure level by tasks, '.$how,
                10 * log10($dose / NominalDay::HOURS),
                LevelUnit::DecibelA,
                NoiseEquation::ExposureByParts,
                [...Row::together(['L_i', 'T_i'], $members), 'T_0' => NominalDay::figure()],
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
                Row::of('L_i', $inputs),
            );
    }

    /**
     * How long a task takes: the mean of what its samples state.
     *
     * @param non-empty-list<Sample> $task
     */
    private static function minutes(array $task): Figure
    {
        return Figure::derived(
            'T_m',
            'time of the task '.$task[0]['run']->deployment->task.' in a day',
            Exact::mean(array_map(static fn (array $sample): Exact => $sample['minutes']->value, $task)),
            CommonUnit::Minute,
            SharedEquation::Replicates,
            Row::of('x_i', self::stated($task)),
            1,
        );
    }

    /**
     * The times that the samples of a task state.
     *
     * @param non-empty-list<Sample> $task
     *
     * @return non-empty-list<Figure>
     */
    private static function stated(array $task): array
    {
        return array_map(
            static fn (array $sample): Figure => Figure::read(
                'T',
                'time of the task '.$sample['run']->deployment->task.' in a day',
                $sample['minutes']->value,
                CommonUnit::Minute,
                new Origin('run', $sample['run']->id, 'stated with its sample'),
                $sample['minutes']->decimals(),
            ),
            $task,
        );
    }

    /**
     * @param non-empty-list<non-empty-list<Sample>> $tasks
     *
     * @return non-empty-list<TaskShare>
     */
    private function shares(array $tasks, Figure $daily): array
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
            $c1a = $hours / NominalDay::HOURS * 10 ** (($level->toFloat() - $daily->toFloat()) / 10);
            $c1b = $hours > 0.0 ? self::PER_NEPER * $c1a / $hours : 0.0;
            $u1a = \count($task) < 2 ? null : self::ofMean($levels);
            $duration = self::ofDuration($task, $name);
            $u1b = $duration?->toFloat();
            $u2 = max(array_column($task, 'instrument'));
            $part = $c1a ** 2 * (($u1a ?? 0.0) ** 2 + $u2 ** 2 + MeasurementUncertainty::POSITION ** 2) + ($c1b * ($u1b ?? 0.0)) ** 2;
            $sampling = $u1a === null
                ? null
                : Figure::derived(
                    'u₁ₐ',
                    'standard uncertainty by sampling the task '.$name,
                    $u1a,
                    LevelUnit::Decibel,
                    NoiseEquation::SpreadOfSamples,
                    Row::of('L_i', $figures),
                    2,
                );
            $sensitivity = Figure::derived(
                'c₁ₐ',
                'sensitivity to the level of '.$name,
                $c1a,
                CommonUnit::None,
                NoiseEquation::SensitivityToLevel,
                ['L_m' => $level, 'T_m' => $minutes, 'L_EX,8h' => $daily, 'T_0' => NominalDay::figure()],
                3,
            );
            $durationSensitivity = Figure::derived(
                'c₁ᵦ',
                'sensitivity to the time of '.$name.', dB/h',
                $c1b,
                CommonUnit::None,
                NoiseEquation::SensitivityToTime,
                ['c₁ₐ' => $sensitivity, 'T_m' => $minutes],
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
                    NoiseEquation::ShareOfTask,
                    ['c₁ₐ' => $sensitivity],
                    1,
                ),
                Figure::derived(
                    'R',
                    'highest less lowest sample of '.$name,
                    max($levels) - min($levels),
                    LevelUnit::Decibel,
                    NoiseEquation::RangeOfSamples,
                    Row::of('L_i', $figures),
                ),
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
                        $this->partEquation($sampling, $duration),
                        array_filter([
                            'c₁ₐ' => $sensitivity,
                            'u₁ₐ' => $sampling,
                            'u₂' => MeasurementUncertainty::instrument($u2),
                            'u₃' => MeasurementUncertainty::position(),
                            'c₁ᵦ' => $duration === null ? null : $durationSensitivity,
                            'u₁ᵦ' => $duration,
                        ]),
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
                Row::of('p_i', array_map(static fn (TaskShare $share): Figure => $share->uncertainty->part, $shares)),
                2,
            ),
            $note,
        ];
    }

    /** What a task adds to u²: a task of one sample has no spread, and one whose time nobody doubted no uncertainty of that. */
    private function partEquation(?Figure $sampling, ?Figure $duration): NoiseEquation
    {
        return match (true) {
            $sampling === null && $duration === null => NoiseEquation::PartOfInstrument,
            $sampling === null => NoiseEquation::PartWithoutSpread,
            $duration === null => NoiseEquation::PartWithoutTime,
            default => NoiseEquation::PartOfTask,
        };
    }

    /**
     * u₁ᵦ in hours: of several stated times the standard uncertainty of their mean, of a stated range half of it; null where
     * neither is known.
     *
     * @param non-empty-list<Sample> $task
     */
    private static function ofDuration(array $task, string $name): ?Figure
    {
        $times = array_map(static fn (array $sample): float => $sample['minutes']->value->toFloat() / 60, $task);
        if (max($times) > min($times)) {
            return self::ofTime($name, self::ofMean($times), NoiseEquation::SpreadOfTimes, Row::of('T_i', self::stated($task)));
        }
        $end = static function (string $field, string $symbol, string $which) use ($task, $name): ?Figure {
            foreach ($task as $sample) {
                $minutes = $sample['meter']->written->decimal($field);
                if ($minutes !== null) {
                    return Figure::read(
                        $symbol,
                        $which.' time of the task '.$name.' in a day',
                        $minutes->value,
                        CommonUnit::Minute,
                        new Origin('run', $sample['run']->id, 'stated with its sample'),
                        $minutes->decimals(),
                    );
                }
            }

            return null;
        };
        $least = $end('taskMinutesLeast', 'T_least', 'shortest');
        $most = $end('taskMinutesMost', 'T_most', 'longest');

        return $least === null || $most === null ? null : self::ofTime(
            $name,
            ($most->toFloat() - $least->toFloat()) / 120,
            NoiseEquation::RangeOfTime,
            ['T_most' => $most, 'T_least' => $least],
        );
    }

    /** @param array<string, Figure> $inputs */
    private static function ofTime(string $name, float $hours, NoiseEquation $equation, array $inputs): Figure
    {
        return Figure::derived(
            'u₁ᵦ',
            'standard uncertainty of the time of '.$name,
            $hours,
            CommonUnit::Hour,
            $equation,
            $inputs,
            3,
        );
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
     * The sample that states the longest working day.
     *
     * @param non-empty-list<Sample> $samples
     */
    private static function longest(array $samples): Run
    {
        return array_reduce(
            $samples,
            static fn (Run $longest, array $one): Run => ($one['run']->day->minutes ?? 0.0) > ($longest->day->minutes ?? 0.0)
                ? $one['run']
                : $longest,
            $samples[0]['run'],
        );
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
            self::longest($samples)->day->minutes ?? 0.0,
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
                NoiseEquation::StretchedExposure,
                [
                    'L_EX,8h' => $daily,
                    'T_day' => Figure::read(
                        'T_day',
                        'working day',
                        $day,
                        CommonUnit::Minute,
                        new Origin('run', self::longest($samples)->id, 'stated with a sample, the longest of the day'),
                        0,
                    ),
                    ...Row::of('T_i', array_map(self::minutes(...), $tasks)),
                ],
            );
    }

    /** All samples move alike: the offset at which the day sits on the limit. */
    private static function tipping(Result $result, ExposureLimit $limit): TippingPoint
    {
        $value = $result->reportedFigure();
        $offset = $value->toFloat() - $limit->threshold->value->value->toFloat();

        $figure = Figure::derived(
            'o*',
            'offset of all samples at which it sits on the limit',
            $offset,
            LevelUnit::Decibel,
            NoiseEquation::TippingOffset,
            ['L' => $value, 'L_lim' => $limit->figure('L', $value->unit)],
            2,
        );
        $words = $offset === 0.0
            ? 'It sits on the limit.'
            : \sprintf(
                'It turns if the meter read %s dB too %s at every sample.',
                number_format(abs($offset), 2, '.', ''),
                $offset > 0 ? 'high' : 'low',
            );

        return new TippingPoint($figure, Sentence::of($words, $figure));
    }
}
