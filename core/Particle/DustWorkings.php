<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Policy;
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
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;
use Footnote\Core\Response\Moments;

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
        $counts = ValueCounts::of($log, $column, $ranges);
        $source = new LoggedColumn($log, $column, $this->record->logName, $ranges, $counts->samples, $this->run);
        $rows = ['r_i' => $source->lines];
        $digits = static fn (Exact|float $value): int => Digits::significant($value, 3);
        $read = new ColumnReadings($source, CommonUnit::MilligramPerCubicMetre, $digits);
        $mean = $this->zeroed(
            $read->told('r̄', 'mean reading', $raw->mean, LogEquation::Mean, $raw->over),
            $moving?->mean,
            $line,
            ParticleEquation::MeanAlongBracket,
            $rows,
        );
        $factor = $this->factor($mean);
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
            $source->duration,
            $this->run,
            $this->policy,
            $digits,
        );
        $results[] = $eight->told($this->result('twa:'.$code, 'TWA over 8 h, '.$name, $eight->answers, [])->notPlain());
        $window = (new Moments($this->run))->window($clock->span(...$whole));
        foreach ([
            [
                'stel',
                'Short-term, 15 min, ',
                $raw->shortTerm === null
                    ? null
                    : $read->told(
                        'r₁₅',
                        'highest mean of 15 min',
                        $raw->shortTerm,
                        LogEquation::HighestWindow,
                        $raw->shortOver,
                        $window,
                    ),
                $moving?->shortTerm,
                ParticleEquation::WindowAlongBracket,
                [...$rows, ...$window],
            ],
            [
                'peak',
                'Peak, ',
                $raw->extremes->highest === null
                    ? null
                    : $read->told('r_max', 'highest reading', $raw->extremes->highest, LogEquation::Highest, $raw->over),
                $moving?->extremes->highest,
                ParticleEquation::HighestAlongBracket,
                $rows,
            ],
        ] as [$key, $title, $figure, $between, $equation, $inputs]) {
            if ($figure !== null) {
                $result = $this->result(
                    $key.':'.$code,
                    $title.$name,
                    self::scaled($this->zeroed($figure, $between, $line, $equation, $inputs), $factor),
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
                ['c_told' => $one, 'k' => $factor],
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
                ParticleEquation::PhotometerFactor,
                ['c_grav' => $filter, 'c_told' => $best],
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

    /**
     * With its zero taken out.
     *
     * @param ParticleEquation      $equation along the bracket
     * @param array<string, Figure> $inputs   of that, but for the zeros
     */
    private function zeroed(
        Figure $raw,
        Exact|float|null $between,
        ?LinearLine $line,
        ParticleEquation $equation,
        array $inputs,
    ): FourAnswers {
        $by = static fn (LinearKnot $knot): Figure => Figure::derived(
            'c',
            \sprintf('%s, zero %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check),
            Real::minus($raw->value, $knot->zero->value),
            $raw->unit,
            ParticleEquation::ZeroTakenOut,
            ['r' => $raw, 'z' => $knot->zero],
            $raw->decimals,
        );

        $knots = $line->knots ?? [];

        return FourAnswers::along($raw, $knots, $this->bracket, $by, fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $between === null => $pre,
            default => Figure::derived(
                'c',
                $raw->meaning.', zero interpolated',
                $between,
                $raw->unit,
                $equation,
                [
                    ...$inputs,
                    ...(new Moments($this->run))->along(
                        $line->knots,
                        ['t_j', 'z_j'],
                        static fn (LinearKnot $knot): array => [$knot->zero],
                    ),
                ],
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
