<?php

declare(strict_types=1);

namespace Footnote\Core\Dosimeter;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Parts;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ReportedAnswers;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Shift;
use Footnote\Core\Judgement\StandsBeside;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\DoseCriterion;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\NominalDay;
use Footnote\Core\Noise\Sound;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Unit;

/**
 * One person's working day of several runs of dosimeters: levels by energy over their times (N-8), doses added. A run that is
 * void is time that was not sampled. Two dosimeters side by side each stand alone, and the higher one states the limit.
 */
final readonly class DayExposure
{
    /** @param non-empty-list<Assessment> $shift in order of time */
    public function __construct(private Assessment $own, private array $shift, private Policy $policy, private Yardsticks $yardsticks)
    {
    }

    /** @return list<Result> in the place of those of the run alone */
    public function results(): array
    {
        [$pieces, $beside] = $this->pieces();
        $results = [];
        foreach ($this->own->results as $result) {
            $kind = explode(':', $result->key)[0];
            if (\in_array($kind, ['lex8h', 'dose', 'twa'], true)) {
                $made = \count($pieces) > 1 ? $this->together($result, $kind, $pieces) : $result;
                $higher = $this->higher($made ?? $result, $beside);
                if ($made !== null && ($higher !== null || $made !== $result)) {
                    $results[] = $this->judged($higher === null ? $made : $made->or(...$higher));
                }
            }
        }

        return $results;
    }

    /**
     * The runs that make one day with this one, none beside another; and those that went on beside it.
     *
     * @return array{non-empty-list<Assessment>, list<Assessment>}
     */
    private function pieces(): array
    {
        $pieces = [$this->own];
        $beside = [];
        foreach ($this->shift as $other) {
            if ($other->run->id === $this->own->run->id || Sound::levels($other->family) === null) {
                continue;
            }
            if (Shift::areParallel($this->own->run, $other->run, $this->policy)) {
                $beside[] = $other;
            } elseif ($other->verdict !== Verdict::Void
                && array_filter($pieces, fn (Assessment $one): bool => Shift::areParallel($one->run, $other->run, $this->policy)) === []) {
                $pieces[] = $other;
            }
        }
        usort($pieces, static fn (Assessment $a, Assessment $b): int => $a->run->timing->start <=> $b->run->timing->start);

        return [$pieces, $beside];
    }

    /** @param non-empty-list<Assessment> $pieces */
    private function together(Result $own, string $kind, array $pieces): ?Result
    {
        // A level is put together of the equivalent levels of its runs, a TWA follows from the sum of their doses.
        $key = match ($kind) {
            'lex8h' => 'laeq',
            'twa' => 'dose:'.substr($own->key, 4),
            default => $own->key,
        };
        $parts = [];
        foreach ($pieces as $piece) {
            $levels = Sound::levels($piece->family);
            foreach ($piece->results as $result) {
                if ($result->key === $key && $levels !== null) {
                    $parts[] = new DayPart(
                        $piece->run->id,
                        $result,
                        $levels->log->seconds,
                        $levels->log->duration,
                        $piece->verdictOn($result),
                    );
                }
            }
        }
        if (\count($parts) !== \count($pieces) || $this->own->verdictOn($own) === Verdict::Void) {
            return null;
        }
        $seconds = array_sum(array_map(static fn (DayPart $part): float => $part->seconds, $parts));
        $stated = max(array_map(static fn (Assessment $one): float => $one->run->day->minutes ?? 0.0, $pieces));
        $stated = $stated > 0.0 ? $stated : null;
        $rest = array_values(array_filter(array_map(static fn (Assessment $one) => $one->run->day->rest, $pieces)))[0] ?? null;
        $sum = fn (\Closure $of, ?float $over): ?Figure => $this->sum($own, $kind, $parts, $of, $seconds, $over);
        $whole = $kind === 'lex8h' ? ($rest?->asSampled === false ? null : $stated) : ($rest?->asSampled === true ? $stated : null);
        $answers = Parts::together(static fn (\Closure $of): ?Figure => $sum($of, $whole), Answer::Indicated);
        $of = array_map(
            static fn (DayPart $part): string => \sprintf(
                '%s (%s min, %s)',
                $part->run,
                number_format($part->seconds / 60, 0, '.', ''),
                $part->verdict->value,
            ),
            $parts,
        );
        $made = new Result(
            $own->key,
            $own->title,
            $own->channel,
            ReportedAnswers::of($answers, $own->answers->reported),
            beside: new StandsBeside([Sentence::of(
                \sprintf('Made of %s.', implode(', ', $of)),
                ...array_map(static fn (DayPart $part): Figure => $part->duration, $parts),
            )], $own->beside->uncertainty),
        );
        $inherited = Verdict::worst(...array_map(static fn (DayPart $part): Verdict => $part->verdict, $parts));
        $other = $rest === null && $stated !== null && abs($stated * 60 - $seconds) > 1.0
            ? $sum(static fn (Result $result): Figure => $result->reportedFigure(), $whole === null ? $stated : null)
            : null;

        $made = Parts::carried(
            $made,
            array_map(static fn (DayPart $part): Result => $part->result, $parts),
            static fn (\Closure $one): ?Figure => $sum($one, $whole),
            // The day of a piece is not the day of all of them.
            [Coverage::AS_SAMPLED, Coverage::AS_NOTHING],
        );

        return $made->inheriting($inherited)
            ->covering(
                $stated === null ? null : Coverage::of(
                    $this->statedBy($stated),
                    array_map(static fn (DayPart $part): Figure => $part->duration, $parts),
                    $rest,
                ),
            )
            ->doubting(...array_merge(...array_map(static fn (DayPart $part): array => $part->result->footing->causes, $parts)))
            ->or($whole === null ? Coverage::AS_SAMPLED : Coverage::AS_NOTHING, $other);
    }

    /**
     * @param non-empty-list<DayPart>    $parts
     * @param \Closure(Result): ?Figure $of
     * @param float|null                 $over the day that the runs stand for, min; null: their own time
     */
    private function sum(Result $own, string $kind, array $parts, \Closure $of, float $seconds, ?float $over): ?Figure
    {
        $total = 0.0;
        $members = [];
        $bound = null;
        foreach ($parts as $part) {
            $figure = $of($part->result);
            if (!$figure instanceof Figure) {
                return null;
            }
            $bound ??= $figure->known->bound;
            $total += $kind === 'lex8h' ? $part->seconds * 10 ** ($figure->toFloat() / 10) : $figure->toFloat();
            $members[] = [$figure, $part->duration];
        }
        $stretch = $over !== null && $seconds > 0.0 ? $over * 60 / $seconds : 1.0;
        $day = $over === null ? null : Figure::read(
            'T_day',
            'working day',
            $over / 60,
            CommonUnit::Hour,
            new Origin('run', $this->statedBy($over)->id, 'stated with a run of the day, the longest'),
            2,
        );
        $shown = $own->reportedFigure();
        $bound = $bound === Bound::AtLeast ? $bound : null;
        if ($kind === 'lex8h') {
            return self::told(
                $shown->symbol,
                lcfirst($own->title),
                $total > 0.0 ? 10 * log10($total * $stretch / 3600 / NominalDay::HOURS) : -\INF,
                $shown->unit,
                $day === null ? NoiseEquation::ExposureByParts : NoiseEquation::ExposureByPartsStretched,
                [...Row::together(['L_i', 'T_i'], $members), 'T_0' => NominalDay::figure(), ...($day === null ? [] : ['T_day' => $day])],
                $shown->decimals,
            )->bounded($bound);
        }
        $dose = self::told(
            'D',
            'dose, '.$this->criterion(substr($own->key, (int) strpos($own->key, ':') + 1))->name,
            $total * $stretch,
            CommonUnit::Percent,
            $day === null ? NoiseEquation::DoseOfDay : NoiseEquation::DoseOfDayStretched,
            $day === null
                ? Row::of('D_i', array_column($members, 0))
                : [...Row::together(['D_i', 'T_i'], $members), 'T_day' => $day],
            $shown->decimals,
        )->bounded($bound);
        if ($kind === 'dose') {
            return $dose;
        }
        $criterion = $this->criterion(substr($own->key, 4));

        return self::told(
            $shown->symbol,
            $own->title,
            $criterion->timeWeightedAverage($dose->toFloat()),
            $shown->unit,
            NoiseEquation::TimeWeightedAverage,
            ['D' => $dose, 'L_c' => $criterion->criterionLevel(), 'k' => $criterion->k()],
            $shown->decimals,
        )->bounded($bound);
    }

    /** The run that states a day of so many minutes; else this one. */
    private function statedBy(float $minutes): Run
    {
        foreach ($this->shift as $one) {
            if ($one->run->day->minutes === $minutes) {
                return $one->run;
            }
        }

        return $this->own->run;
    }

    /** @param array<string, Figure> $inputs */
    private static function told(
        string $symbol,
        string $of,
        float $value,
        Unit $unit,
        Equation $equation,
        array $inputs,
        int $decimals,
    ): Figure {
        return Figure::derived($symbol, $of.' over the runs of the day', $value, $unit, $equation, $inputs, $decimals);
    }

    private function criterion(string $id): DoseCriterion
    {
        foreach ($this->yardsticks->criteria as $criterion) {
            if ($criterion instanceof DoseCriterion && $criterion->id === $id) {
                return $criterion;
            }
        }
        throw new \LogicException('Results are made of the campaign\'s own criteria.');
    }

    /**
     * What another dosimeter beside it showed, where that is higher.
     *
     * @param list<Assessment> $beside
     *
     * @return array{string, Figure}|null
     */
    private function higher(Result $own, array $beside): ?array
    {
        $highest = null;
        foreach ($beside as $other) {
            foreach ($other->results as $result) {
                $figure = $result->reportedFigure();
                if ($result->key === $own->key
                    && $other->verdictOn($result) !== Verdict::Void
                    && $figure->toFloat() > ($highest === null ? $own->reportedFigure() : $highest[1])->toFloat()) {
                    $highest = [\sprintf('by %s beside it', $other->run->id), $figure];
                }
            }
        }

        return $highest;
    }

    private function judged(Result $result): Result
    {
        return (new LimitJudge())->judge(
            $result,
            $this->yardsticks->limits,
            static fn (ExposureLimit $limit): TippingPoint => TippingPoint::none('Each run has a tipping point of its own.'),
        );
    }
}
