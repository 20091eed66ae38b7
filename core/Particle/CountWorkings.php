<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\Total;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\Moments;

/** Works out what a counter counted (P-1), by size: from each size up and between sizes. */
final readonly class CountWorkings
{
    /**
     * @param Bracket           $bracket that stands
     * @param CountingLine|null $line    of its checks
     */
    public function __construct(
        private Run $run,
        private ParticleRecord $record,
        private Bracket $bracket,
        private ?CountingLine $line,
        private Instrument $unit,
        private Answer $reported,
    ) {
    }

    /**
     * Concentrations by size, from each size up and between sizes.
     *
     * @param list<array{int, int}> $ranges
     *
     * @return array{results: list<Result>, loss: Figure|null, beyond: bool, limits: array<string, CountingLimits|null>}
     */
    public function results(SeriesLog $log, array $ranges, LogClock $clock): array
    {
        $sizes = array_map(strval(...), array_keys($this->record->sizes()));
        $columns = array_values($this->record->sizes());
        $counted = [];
        $own = [];
        foreach ($sizes as $place => $size) {
            $counted[$place] = $this->counted($log, $columns[$place], $size, $ranges);
            $own[$place] = $this->column($log, $columns[$place], $counted[$place], $ranges, $clock);
        }
        $cumulative = $this->unit->traits->flag('cumulative');
        $largest = \count($sizes) - 1;
        $up = $own;
        if (!$cumulative) {
            for ($i = $largest - 1; $i >= 0; --$i) {
                $up[$i] = self::combined(
                    $own[$i],
                    $up[$i + 1],
                    'c_≥'.$sizes[$i].' µm',
                    'particles from '.$sizes[$i].' µm up',
                    ParticleEquation::FromSizeUp,
                );
            }
        }
        $results = [];
        $limits = [];
        foreach ($sizes as $place => $size) {
            if ($up[$place]->isEmpty()) {
                continue;
            }
            // A number from a size up is of all columns that make it up, and so are its limits.
            $all = \array_slice($counted, $place, $cumulative ? 1 : null);
            $best = $up[$place]->best();
            $limits['=count:'.$size] = $best === null
                ? null
                : CountingLimits::of(
                    array_map(static fn (CountedColumn $one): string => $one->size, $all),
                    Total::of(
                        'N',
                        'counts from '.$size.' µm up',
                        CommonUnit::None,
                        array_map(static fn (CountedColumn $one): Figure => $one->number, $all),
                    ),
                    $counted[$place]->time,
                    $this->bracket,
                    $best,
                    $this->line?->knots[0]->flow,
                );
            $results[] = $this->result(
                'count:'.$size,
                'From '.$size.' µm up',
                $up[$place],
                $limits['=count:'.$size] === null ? [] : [$limits['=count:'.$size]->words()],
            )->notPlain();
        }
        foreach ($sizes as $place => $size) {
            $bin = match (true) {
                !$cumulative => $own[$place],
                $place === $largest => FourAnswers::none(),
                default => self::combined(
                    $own[$place],
                    $own[$place + 1],
                    \sprintf('c_%s–%s µm', $size, $sizes[$place + 1]),
                    \sprintf('particles from %s to %s µm', $size, $sizes[$place + 1]),
                    ParticleEquation::BetweenSizes,
                ),
            };
            if (!$bin->isEmpty() && $largest > 0) {
                $results[] = $this->result(
                    'bin:'.$size,
                    $place === $largest ? 'From '.$size.' µm up, last column' : \sprintf('From %s to %s µm', $size, $sizes[$place + 1]),
                    $bin,
                    [],
                )->notPlain();
            }
        }
        [$loss, $beyond, $alternatives, $words] = $this->coincidence($up[0] ?? null);

        return [
            'results' => array_map(static fn (Result $one): Result => self::hidden($one, $alternatives, $words), $results),
            'loss' => $loss,
            'beyond' => $beyond,
            'limits' => $limits,
        ];
    }

    /**
     * FC-B10: what coincidence hides hides all sizes alike.
     *
     * @param array<string, array{N: Figure, N_obs: Figure}> $alternatives how many there may have been, by what it would take
     */
    private static function hidden(Result $result, array $alternatives, ?string $words): Result
    {
        $figure = $result->reportedFigure();
        foreach ($alternatives as $what => $inputs) {
            $value = $figure->toFloat() * $inputs['N']->toFloat() / $inputs['N_obs']->toFloat();
            $result = $result->or($what, Figure::derived(
                $figure->symbol,
                $figure->meaning.', '.$what,
                $value,
                $figure->unit,
                ParticleEquation::WithHidden,
                ['c_told' => $figure, ...$inputs],
                Digits::significant($value, 3),
            ));
        }

        return $words === null || !str_starts_with($result->key, 'count') ? $result : $result->noting($words);
    }

    /**
     * P-1 of one column: counts over volume, the background taken off.
     *
     * @param list<array{int, int}> $ranges
     */
    private function column(SeriesLog $log, int $column, CountedColumn $counted, array $ranges, LogClock $clock): FourAnswers
    {
        $size = $counted->size;
        $number = $counted->number;
        $time = $counted->time;
        if (Real::isZero($time->value)) {
            return FourAnswers::none();
        }
        // L/min as cm³ in the time sampled.
        $volume = static fn (Exact|float $flow): Exact|float => Real::times(Real::times($flow, Exact::of(1000)), $time->value);
        $by = static function (CountingKnot $knot) use ($volume, $size, $number, $time): Figure {
            $background = $knot->background[$size] ?? null;
            $net = $background === null ? $number->value : Real::minus($number->value, Real::times($background->value, $time->value));
            $inputs = ['N' => $number, 't' => $time, 'Q' => $knot->flow];

            return self::made(
                $size,
                \sprintf('flow and background %s at %s', $knot->asLeft ? 'as left' : 'as found', $knot->check),
                Real::by($net, $volume($knot->flow->value)),
                $background === null ? ParticleEquation::AtNominalFlow : ParticleEquation::Concentration,
                $background === null ? $inputs : [...$inputs, 'b' => $background],
            );
        };
        $nominal = $this->unit->traits->measured('nominalFlow');
        $flow = $nominal === null
            ? null
            : Figure::measured(
                'Q',
                'nominal flow',
                $nominal,
                CommonUnit::LitrePerMinute,
                new Origin('instrument', $this->unit->id, 'as registered'),
                4,
            );
        $line = $this->line;

        return FourAnswers::along(
            $flow === null ? null : self::made(
                $size,
                'at the nominal flow',
                Real::by($number->value, $volume($flow->value)),
                ParticleEquation::AtNominalFlow,
                ['N' => $number, 't' => $time, 'Q' => $flow],
            ),
            $line->knots ?? [],
            $this->bracket,
            $by,
            fn (Figure $pre, ?Figure $post): ?Figure => $line === null || $post === null
                ? null
                : self::made(
                    $size,
                    'flow and background interpolated',
                    $this->along($log, $column, $size, $ranges, $clock, $line, $counted->seconds->toFloat() / 60),
                    ParticleEquation::ConcentrationAlongBracket,
                    [
                        'N_i' => $counted->source->lines,
                        'h' => $counted->sample,
                        ...(new Moments($this->run))->along(
                            $line->knots,
                            ['t_j', 'Q_j', 'b_j'],
                            static fn (CountingKnot $knot): array => [$knot->flow, $knot->backgroundIn($size, CountUnit::PerMinute)],
                        ),
                    ],
                ),
        );
    }

    /** @param array<string, Figure> $inputs */
    private static function made(string $size, string $how, Exact|float $value, ParticleEquation $equation, array $inputs): Figure
    {
        return Figure::derived(
            'c_≥'.$size.' µm',
            \sprintf('particles from %s µm, %s', $size, $how),
            $value,
            CountUnit::PerCubicCentimetre,
            $equation,
            $inputs,
            Digits::significant($value, 3),
        );
    }

    /** @param list<array{int, int}> $ranges */
    private function counted(SeriesLog $log, int $column, string $size, array $ranges): CountedColumn
    {
        $counts = ValueCounts::of($log, $column, $ranges);

        return new CountedColumn(
            $size,
            new LoggedColumn($log, $column, $this->record->logName, $ranges, $counts->samples, $this->run),
            $counts,
            $this->record->written->decimal('sampleSeconds'),
            $this->run,
        );
    }

    /** @param list<array{int, int}> $ranges */
    private function along(
        SeriesLog $log,
        int $column,
        string $size,
        array $ranges,
        LogClock $clock,
        CountingLine $line,
        float $minutes,
    ): float {
        $sum = 0.0;
        $samples = 0;
        $begin = 0;
        $toRate = 1 / (1000 * $minutes);
        $bends = array_map(static fn (CountingKnot $knot): int => $clock->beginningFrom($knot->at), $line->knots);
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as [$first, $after]) {
                for ($at = max($first, $begin), $to = min($after, $end); $at < $to; $at = $stop) {
                    $stop = min($to, ...array_filter($bends, static fn (int $bend): bool => $bend > $at), ...[$to]);
                    [$q, $b] = $line->at($clock->at($at), $size);
                    [$q1, $b1] = $line->at($clock->at($stop - 1), $size);
                    $steps = max(1, $stop - 1 - $at);
                    $dq = ($q1 - $q) / $steps;
                    $db = ($b1 - $b) / $steps;
                    for ($i = $at - $begin; $i < $stop - $begin; ++$i) {
                        $count = $chunk[$i];
                        if ($count > SeriesLog::OVER) {
                            $sum += ($count * $toRate - $b) / $q;
                            ++$samples;
                        }
                        $q += $dq;
                        $b += $db;
                    }
                }
            }
            $begin = $end;
        }

        return $samples === 0 ? 0.0 : $sum / (1000 * $samples);
    }

    /**
     * P-4 at the smallest size.
     *
     * @return array{Figure|null, bool, array<string, array{N: Figure, N_obs: Figure}>, string|null} what is hidden; whether more
     *     was counted than can be; what else there may have been; words
     */
    private function coincidence(?FourAnswers $answers): array
    {
        $dead = $this->unit->traits->decimal('deadTime');
        $observed = $answers?->best();
        $flow = $this->line?->knots[0]->flow ?? null;
        if ($dead === null || $observed === null || $flow === null || $observed->toFloat() <= 0.0) {
            return [null, false, [], $dead === null ? 'Its dead time is not registered: what coincidence hides is not known.' : null];
        }
        $n = $observed->toFloat();
        $q = $flow->toFloat();
        $tau = $dead->value->toFloat();
        $true = Coincidence::true($n, $q, $tau);
        $high = Coincidence::high($n, $q, $tau);
        if ($true === null || $high === null) {
            return [null, $true === null, [], null];
        }
        $there = fn (float $value, string $meaning, ParticleEquation $equation): Figure => Figure::derived(
            'N',
            $meaning,
            $value,
            CountUnit::PerCubicCentimetre,
            $equation,
            [
                'N_obs' => $observed,
                'Q' => $flow,
                't_d' => Figure::read(
                    't_d',
                    'dead time, µs',
                    $dead->value,
                    CommonUnit::None,
                    new Origin('instrument', $this->unit->id, 'as registered'),
                    $dead->decimals(),
                ),
            ],
            Digits::significant($value, 3),
        );
        $few = $there($true, 'particles that there were, few hidden', ParticleEquation::Coincidence);
        $many = $there($high, 'particles that there were, most hidden', ParticleEquation::CoincidenceOfMost);
        $loss = Figure::derived(
            'l',
            'hidden by coincidence',
            100 * (1 - $n / $true),
            CommonUnit::Percent,
            ParticleEquation::Loss,
            ['N_obs' => $observed, 'N' => $few],
            1,
        );
        $shown = static fn (float $value): string => number_format($value, Digits::significant($value, 3), '.', '');
        $diluted = $this->record->written->decimal('diluted')?->value->toFloat();
        $isLow = $diluted !== null && $diluted > 0.0 && abs(log($diluted / $true)) < abs(log($diluted / $high));
        $words = \sprintf(
            'So many are counted where %s /cm³ are there, and where %s are there, since most of those hide each other.%s',
            $shown($true),
            $shown($high),
            match (true) {
                $diluted === null => ' Only a reading through a diluter tells which.',
                $isLow => \sprintf(' Through a diluter there were %s: the first.', $shown($diluted)),
                default => \sprintf(' Through a diluter there were %s: the second.', $shown($diluted)),
            },
        );

        return [
            $loss,
            false,
            [
                'with what coincidence hides' => ['N' => $few, 'N_obs' => $observed],
                ...($isLow ? [] : ['where most of them hide each other' => ['N' => $many, 'N_obs' => $observed]]),
            ],
            $words,
        ];
    }

    private static function combined(
        FourAnswers $one,
        FourAnswers $other,
        string $symbol,
        string $meaning,
        ParticleEquation $equation,
    ): FourAnswers {
        return $one->with($other, static function (Figure $a, Figure $b) use ($symbol, $meaning, $equation): Figure {
            $isUp = $equation === ParticleEquation::FromSizeUp;
            $value = $isUp ? Real::plus($a->value, $b->value) : Real::minus($a->value, $b->value);

            return Figure::derived(
                $symbol,
                $meaning,
                $value,
                CountUnit::PerCubicCentimetre,
                $equation,
                $isUp ? ['c_own' => $a, 'c_above' => $b] : ['c_from' => $a, 'c_to' => $b],
                Digits::significant($value, 3),
            );
        });
    }

    /** @param list<string|Sentence> $notes */
    private function result(string $key, string $title, FourAnswers $answers, array $notes): Result
    {
        return Result::of($key, $title, $this->reported, $answers, $notes);
    }
}
