<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Log\ColumnReadings;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogEquation;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\MovingReadings;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\Moments;

/** Works out a channel's log: means over the shift and fifteen minutes, extremes, and how long it lay above limits (G-7). */
final readonly class LoggedChannel
{
    /** @param list<ExposureLimit> $limits of the campaign */
    public function __construct(
        private Run $run,
        private SeriesLog $log,
        private int $column,
        private string $logName,
        private ChannelAnswers $answers,
        private array $limits,
    ) {
    }

    /**
     * @param list<array{int, int}> $ranges the intervals that count, in order
     *
     * @return array{list<Result>, Figure|null} and the hollow windows, where there are any
     */
    public function results(LogClock $clock, array $ranges): array
    {
        $log = $this->log;
        $column = $this->column;
        $line = $this->answers->evidence->line;
        $whole = $clock->within($this->answers->evidence->window);
        $counts = ValueCounts::of($log, $column, $ranges);
        if ($counts->samples + $counts->overs === 0) {
            return [[], null];
        }
        $range = $this->answers->of->channel->display->range === null
            ? null
            : (int) round(1000 * $this->answers->of->channel->display->range->value->toFloat() * $this->answers->undone->toFloat());
        $raw = MovingReadings::of($log, $column, $whole, $ranges, null, null, range: $range);
        $moves = $line !== null && !$line->isConstant();
        $limits = $this->limitsAbove();
        $scale = ($this->answers->factor->applied->value ?? Exact::of(1));
        $thresholds = array_map(
            static fn (ExposureLimit $limit): float => $limit->threshold->value->value->toFloat() / Real::toFloat($scale),
            $limits,
        );
        $moving = $moves
            ? MovingReadings::of($log, $column, $whole, $ranges, $line, $clock, $this->answers->undone->toFloat(), $thresholds, $range)
            : null;
        $source = new LoggedColumn($log, $column, $this->logName, $ranges, $counts->samples, $this->run);
        $window = (new Moments($this->run))->window($this->answers->evidence->window);
        $inputs = ['r_i' => $source->lines, 'F' => $this->answers->undone];
        $isToxic = $this->answers->of->isToxic();
        $read = new ColumnReadings(
            $source,
            $this->answers->of->shown(),
            static fn (Exact|float $value): int => $isToxic ? ChannelAnswers::digits($value) : 1,
        );
        $moment = $this->moment($log, $column);
        $results = [];
        if ($raw->mean !== null) {
            array_push(
                $results,
                ...$this->answers->mean(
                    $read->told('r̄', 'mean reading', $raw->mean, LogEquation::Mean, $raw->over),
                    $this->along('mean reading', $moving?->mean, GasEquation::MeanAlongBracket, $inputs),
                    $source->duration,
                ),
            );
        }
        $hollow = $raw->hollow === 0 ? null : Figure::derived(
            'k',
            'windows of 15 min with too few readings',
            Exact::of($raw->hollow),
            CommonUnit::None,
            LogEquation::HollowWindows,
            ['r_i' => $source->lines, ...$window],
            0,
        );
        if ($raw->shortTerm !== null && $isToxic) {
            array_push(
                $results,
                ...$this->answers->inUnits(
                    'stel',
                    'Short-term, 15 min, ',
                    $this->answers->answers(
                        $read->told(
                            'r₁₅',
                            'highest mean of 15 min',
                            $raw->shortTerm,
                            LogEquation::HighestWindow,
                            $raw->shortOver,
                            $window,
                        ),
                        $this->along(
                            'highest mean of 15 min',
                            $moving?->shortTerm,
                            GasEquation::WindowAlongBracket,
                            [...$inputs, ...$window],
                        ),
                    ),
                    $hollow === null ? [] : [Sentence::of(
                        \sprintf('%s windows of 15 min hold less than 75 %% of their readings and count for no limit.', $hollow->shown()),
                        $hollow,
                    )],
                ),
            );
        }
        if ($raw->extremes->highest !== null) {
            array_push(
                $results,
                ...array_map(
                    static fn (Result $one): Result => $one->ofMoments($moment('maximum')),
                    $this->answers->inUnits(
                        'peak',
                        $this->answers->of->channel->kind === GasKind::Oxygen ? 'Highest, ' : 'Peak, ',
                        $this->answers->answers(
                            $read->told('r_max', 'highest reading', $raw->extremes->highest, LogEquation::Highest, $raw->over),
                            $this->along('highest reading', $moving?->extremes->highest, GasEquation::HighestAlongBracket, $inputs),
                        ),
                    ),
                ),
            );
        }
        if ($raw->extremes->lowest !== null && $this->answers->of->channel->kind === GasKind::Oxygen) {
            array_push(
                $results,
                ...array_map(
                    static fn (Result $one): Result => $one->ofMoments($moment('minimum')),
                    $this->answers->inUnits(
                        'lowest',
                        'Lowest, ',
                        $this->answers->answers(
                            $read->told('r_min', 'lowest reading', $raw->extremes->lowest, LogEquation::Lowest, false),
                            $this->along('lowest reading', $moving?->extremes->lowest, GasEquation::LowestAlongBracket, $inputs),
                        ),
                        worstIsLow: true,
                    ),
                ),
            );
        }
        foreach ($limits as $place => $limit) {
            $results[] = $this->timeAbove($limit, $counts, $moving?->above[$place] ?? null, $source);
        }

        return [$results, $hollow];
    }

    /**
     * Why what the log holds cannot tell what was there at any moment; null where it can: it holds extremes, or its interval
     * is no longer than the sensor takes.
     *
     * @return \Closure(string): ?string
     */
    private function moment(SeriesLog $log, int $column): \Closure
    {
        $statistic = $log->columns()[$column]->statistic;
        $follows = $this->answers->of->channel->follows($log->step());
        $step = Digits::trimmed($log->step(), 1);

        return static fn (string $wanted): ?string => $statistic === $wanted || $follows
            ? null
            : \sprintf('the log holds means of %s s: at any moment it may have been %s', $step, $wanted === 'minimum' ? 'less' : 'more');
    }

    /** How long the reading lay above a limit, with a constant response by counting, along the bracket interval by interval. */
    private function timeAbove(ExposureLimit $limit, ValueCounts $counts, ?int $between, LoggedColumn $source): Result
    {
        $factor = $this->answers->factor->applied;
        $wanted = Real::by($limit->threshold->value->value, $factor->value ?? Exact::of(1));
        $inputs = [
            'r_i' => $source->lines,
            'h' => $source->interval,
            'F' => $this->answers->undone,
            'L' => $limit->figure('L', GasUnit::named($limit->threshold->unit) ?? CommonUnit::None),
            'CF' => $factor ?? Figure::read(
                'CF',
                'no factor applies',
                Exact::of(1),
                CommonUnit::None,
                new Origin('run', $this->run->id, 'as the instrument shows it'),
                0,
            ),
        ];
        // What was beyond the range was above any limit within it.
        $beyond = $this->answers->of->channel->display->range === null ? 0 : $counts->overs;
        $indicated = static fn (?LinearKnot $knot): float => $knot === null
            ? Real::toFloat($wanted)
            : $knot->zero->toFloat() + $knot->gain->toFloat() * Real::toFloat($wanted);
        $above = fn (?LinearKnot $knot): int => $beyond + $counts->above(1000 * $this->answers->undone->toFloat() * $indicated($knot));
        $answers = FourAnswers::along(
            self::minutesAbove($limit, 'as logged', $source->minutes($above(null)), GasEquation::TimeAbove, $inputs),
            $this->answers->evidence->line->knots ?? [],
            $this->answers->evidence->bracket,
            static fn (LinearKnot $knot): Figure => self::minutesAbove(
                $limit,
                \sprintf('response at %s', $knot->check),
                $source->minutes($above($knot)),
                GasEquation::TimeAboveByResponse,
                [...$inputs, 'z' => $knot->zero, 'g' => $knot->gain],
            ),
            fn (Figure $pre, ?Figure $post): ?Figure => $post === null
                ? null
                : ($between === null ? $pre : self::minutesAbove(
                    $limit,
                    'response interpolated',
                    $source->minutes($between),
                    GasEquation::TimeAboveAlongBracket,
                    [...$inputs, ...$this->answers->response('j')],
                )),
        );

        $note = str_starts_with($limit->quantity, 'peak') ? [] : ['Moments above a limit that is for a mean are no breach of it.'];

        return $this->answers->result(
            'above-'.$limit->id.':'.$this->answers->of->code(),
            \sprintf('Time above %s %s, %s', $limit->threshold->value->written, $limit->threshold->unit, $this->answers->of->name()),
            $answers->bounded($counts->overs > 0 && $this->answers->of->channel->display->range === null ? Bound::AtLeast : null),
            $note,
            false,
        );
    }

    /**
     * Along the bracket each reading is set right by the response of its own moment.
     *
     * @param array<string, Figure> $inputs
     *
     * @return (\Closure(Figure): Figure)|null
     */
    private function along(string $meaning, Exact|float|null $value, GasEquation $equation, array $inputs): ?\Closure
    {
        return $value === null
            ? null
            : fn (): Figure => $this->answers->along($meaning.', as logged', $value, $equation, $inputs, 'j');
    }

    /** @param array<string, Figure> $inputs */
    private static function minutesAbove(
        ExposureLimit $limit,
        string $how,
        Exact $minutes,
        GasEquation $equation,
        array $inputs,
    ): Figure {
        return Figure::derived(
            't',
            \sprintf('time above %s %s, %s', $limit->threshold->value->written, $limit->threshold->unit, $how),
            $minutes,
            CommonUnit::Minute,
            $equation,
            $inputs,
            1,
        );
    }

    /** @return list<ExposureLimit> the limits in the unit of the channel that its readings can lie above, each value once */
    private function limitsAbove(): array
    {
        $limits = [];
        $quantities = array_map(
            fn (string $kind): string => $kind.':'.$this->answers->of->code(),
            ['twa-ppm', 'stel-ppm', 'peak-ppm', 'peak'],
        );
        foreach ($this->limits as $limit) {
            if (\in_array($limit->quantity, $quantities, true)
                && $limit->threshold->unit === $this->answers->of->channel->unit->value
                && !$this->answers->factor->missing) {
                $limits[$limit->threshold->value->written] ??= $limit;
            }
        }

        return array_values($limits);
    }
}
