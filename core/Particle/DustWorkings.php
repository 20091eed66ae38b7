<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\MovingReadings;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** Works out what a photometer showed (P-5): its mean with the zero taken out, scaled by a filter that was weighed for the same period. */
final readonly class DustWorkings
{
    /** Seconds to 90 % of most photometers (common practice). */
    private const RESPONSE = 10.0;

    /**
     * @param Bracket           $bracket that stands
     * @param CountingLine|null $line    of its checks
     */
    public function __construct(
        private Run $run,
        private ParticleRecord $record,
        private Bracket $bracket,
        private ?CountingLine $line,
        private Policy $policy,
        private Answer $reported,
    ) {
    }

    /**
     * A photometer: its mean with the zero taken out, and scaled by a filter that was weighed for the same period.
     *
     * @param array{int, int}       $whole
     * @param list<array{int, int}> $ranges
     *
     * @return array{list<Result>, Figure|null}
     */
    public function results(SeriesLog $log, int $column, array $whole, array $ranges, LogClock $clock): array
    {
        $raw = MovingReadings::of($log, $column, $whole, $ranges, null, null);
        if ($raw->mean === null) {
            return [[], null];
        }
        $line = ParticleResponse::zeros($this->line);
        $moving = $line !== null && !$line->isConstant() ? MovingReadings::of($log, $column, $whole, $ranges, $line, $clock) : null;
        $origin = new Origin('log', $this->run->id, $this->record->logName);
        $read = static fn (string $symbol, string $meaning, Exact|float $value, bool $over): Figure => Figure::read(
            $symbol,
            $meaning.', as logged',
            $value,
            CommonUnit::MilligramPerCubicMetre,
            $origin,
            Digits::significant($value, 3),
        )->bounded($over ? Bound::AtLeast : null);
        $mean = $this->zeroed($read('r̄', 'mean reading', $raw->mean, $raw->over), $moving?->mean, $line);
        $factor = $this->factor($mean);
        $minutes = Exact::of(
            array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges)),
        )->times(Exact::of(number_format($log->step(), 3, '.', '')))->dividedBy(60);
        $results = [$this->result('mean:dust', 'Mean, in units of the photometer', $mean, [])];
        $code = $this->record->substance?->text('code') ?? 'dust';
        $name = $this->record->substance?->text('name') ?? 'dust';
        if ($factor === null) {
            return [$results, null];
        }
        $moment = $log->columns()[$column]->statistic === 'maximum' || $log->step() <= self::RESPONSE
            ? null
            : \sprintf('the log holds means of %s s: at any moment it may have been more', Digits::trimmed($log->step(), 1));
        $eight = new EightHourMean(
            self::scaled($mean, $factor),
            $minutes,
            $this->run,
            $this->policy,
            $origin,
            SharedEquation::TimeWeightedAverage,
            static fn (Exact|float $value): int => Digits::significant($value, 3),
        );
        $results[] = $eight->told($this->result('twa:'.$code, 'TWA over 8 h, '.$name, $eight->answers, [])->notPlain());
        foreach ([
            ['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $raw->shortTerm, $moving?->shortTerm, $raw->shortOver],
            ['peak', 'Peak, ', 'r_max', 'highest reading', $raw->extremes->highest, $moving?->extremes->highest, $raw->over],
        ] as [$key, $title, $symbol, $meaning, $value, $between, $over]) {
            if ($value !== null) {
                $result = $this->result(
                    $key.':'.$code,
                    $title.$name,
                    self::scaled($this->zeroed($read($symbol, $meaning, $value, $over), $between, $line), $factor),
                    [],
                )->notPlain();
                $results[] = $key === 'peak' ? $result->ofMoments($moment) : $result;
            }
        }

        return [$results, $factor];
    }

    private static function scaled(FourAnswers $answers, Figure $factor): FourAnswers
    {
        return $answers->each(
            static fn (Figure $one): Figure => Figure::derived(
                'c',
                $one->meaning.', by the factor',
                Real::times($one->value, $factor->value),
                CommonUnit::MilligramPerCubicMetre,
                ParticleEquation::Photometer,
                [$one, $factor],
                Digits::significant($one->value, 3),
            ),
        );
    }

    /**
     * P-5: by the filter of the same period, else a factor of another day; null where there is neither.
     */
    private function factor(FourAnswers $mean): ?Figure
    {
        $weighed = $this->record->written->decimal('weighed');
        $best = $mean->best();
        if ($weighed !== null && $best !== null && !Real::isZero($best->value)) {
            $filter = Figure::read(
                'c_grav',
                'filter of the same period',
                $weighed->value,
                CommonUnit::MilligramPerCubicMetre,
                new Origin('run', $this->run->id, $this->record->written->text('weighedFrom') ?? 'as written'),
                $weighed->decimals(),
            );

            return Figure::derived(
                'k',
                'factor of the photometer',
                Real::by($weighed->value, $best->value),
                CommonUnit::None,
                ParticleEquation::Photometer,
                [$filter, $best],
                2,
            );
        }
        $typed = $this->record->written->decimal('photometerFactor');

        return $typed === null
            ? null
            : Figure::read(
                'k',
                'factor of the photometer, from another day',
                $typed->value,
                CommonUnit::None,
                new Origin('run', $this->run->id, 'as written'),
                $typed->decimals(),
            );
    }

    private function zeroed(Figure $raw, Exact|float|null $between, ?LinearLine $line): FourAnswers
    {
        $by = static fn (LinearKnot $knot): Figure => Figure::derived(
            'c',
            \sprintf('%s, zero %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check),
            Real::minus($raw->value, $knot->zero->value),
            $raw->unit,
            ParticleEquation::Concentration,
            [$raw, $knot->zero],
            $raw->decimals,
        );

        $knots = $line->knots ?? [];

        return FourAnswers::along($raw, $knots, $this->bracket, $by, static fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $between === null => $pre,
            default => Figure::derived(
                'c',
                $raw->meaning.', zero along the bracket',
                $between,
                $raw->unit,
                ParticleEquation::Concentration,
                [$raw, ...array_map(static fn (LinearKnot $knot): Figure => $knot->zero, $line->knots)],
                $raw->decimals,
            ),
        });
    }

    /**
     * @param list<string> $notes
     */
    private function result(string $key, string $title, FourAnswers $answers, array $notes): Result
    {
        return Result::of($key, $title, $this->reported, $answers, $notes);
    }
}
