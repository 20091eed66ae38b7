<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Confidence;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\CountingLine;

/**
 * Works out a run of a particle counter (P-1, by size) or of a dust monitor (P-5).
 */
final readonly class ParticleWorkings
{
    private ParticleRecord $record;

    private ?CountingLine $line;

    private Answer $reported;

    private Bracket $bracket;

    private ?Segment $segment;

    /** The part of the run that stands. */
    private Span $window;

    /** @param Bracket $whole as it was found; a declared segment closes it earlier */
    public function __construct(
        private Run $run,
        Bracket $whole,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $content = $run->content;
        $this->record = $content instanceof ParticleRecord ? $content : throw new \LogicException('Not a run of a counter.');
        $this->segment = Segment::of($run, $whole, $this->record->log !== null, $this->fails(...));
        $this->bracket = $this->segment->bracket ?? $whole;
        $this->window = new Span($run->timing->start, $this->segment->span->to ?? $run->timing->stop ?? $run->timing->start);
        $this->line = (new ParticleResponse())->line($this->bracket, $timeline);
        $this->reported = $policy->reportedAnswer('counting');
    }

    /** Whether the flow changed more along a bracket than the policy allows. */
    private function fails(Bracket $bracket): bool
    {
        $limit = $this->policy->limit('particle.flow', 'change');
        $response = new ParticleResponse();

        return $limit?->isKeptBySizes($response->drifts($response->line($bracket, $this->timeline))) === false;
    }

    public function results(): ParticleResults
    {
        $made = ['results' => [], 'loss' => null, 'beyond' => false, 'factor' => null];
        $alterations = [];
        $gaps = null;
        $leftOut = [];
        $log = $this->record->log;
        if ($log !== null && $this->run->timing->stop !== null) {
            $clock = new LogClock($log, $this->run);
            $alterations = LogAlterations::of($this->run, $this->window, [], $log->remarks());
            $leftOut = LogAlterations::taken($alterations);
            $column = $this->record->dust() ?? array_values($this->record->sizes())[0] ?? null;
            if ($column !== null) {
                $ranges = $this->ranges($clock, $leftOut);
                $samples = ValueCounts::of($log, $column, $ranges)->samples;
                $gaps = (new LoggedColumn($log, $column, $this->record->logName, $ranges, $samples, $this->run))
                    ->missing($this->window, $leftOut);
            }
            $made = $this->made($log, $clock, $leftOut);
            $otherwise = LogAlterations::otherwise($alterations, fn (array $out): array => $this->made($log, $clock, $out)['results']);
            $made['results'] = array_map(static fn (Result $one): Result => $one->altered(...$otherwise($one)), $made['results']);
        }
        $judge = new LimitJudge();

        $judged = array_map(
            fn (Result $result): Result => $judge->judge(
                $result,
                $this->yardsticks->limits,
                fn (ExposureLimit $limit): TippingPoint => $this->tipping($limit, $result, $made['factor']),
                static fn (Result $one, ExposureLimit $limit): ?Confidence => ($made['limits']['='.$one->key] ?? null)?->against($limit),
                $this->bracket,
            ),
            $made['results'],
        );

        return new ParticleResults(
            new WorkedOut($judged, (new ParticleResponse())->drifts($this->line), $alterations, $this->segment, $leftOut),
            $this->line,
            $this->timeline,
            $this->record,
            new Hidden($made['loss'], $made['beyond']),
            $gaps,
            $made['factor'],
        );
    }

    /**
     * @param list<Span> $leftOut
     *
     * @return list<array{int, int}>
     */
    private function ranges(LogClock $clock, array $leftOut): array
    {
        return LogRanges::less($clock->within($this->window), array_map($clock->touching(...), $leftOut));
    }

    /**
     * @param list<Span> $leftOut
     *
     * @return array{
     *     results: list<Result>,
     *     loss: Figure|null,
     *     beyond: bool,
     *     factor: Figure|null,
     *     limits?: array<string, CountingLimits|null>,
     * }
     */
    private function made(SeriesLog $log, LogClock $clock, array $leftOut): array
    {
        $ranges = $this->ranges($clock, $leftOut);
        $dust = $this->record->dust();
        if ($dust !== null) {
            $of = new DustWorkings($this->run, $this->record, $this->bracket, $this->line, $this->policy, $this->reported);
            [$results, $factor] = $of->results($log, $dust, $clock->within($this->window), $ranges, $clock);

            return ['results' => $results, 'loss' => null, 'beyond' => false, 'factor' => $factor];
        }

        $unit = $this->timeline->instrument;
        $of = new CountWorkings($this->run, $this->record, $this->bracket, $this->line, $unit, $this->reported);

        return [...$of->results($log, $ranges, $clock), 'factor' => null];
    }

    /**
     * A concentration of counts falls as the flow grows; a photometer's does not depend on it, and turns by its zero.
     */
    private function tipping(ExposureLimit $limit, Result $result, ?Figure $factor): TippingPoint
    {
        $figure = $result->reportedFigure();
        if ($limit->threshold->value->value->isZero() || Real::compare($figure->value, Exact::zero()) <= 0) {
            return TippingPoint::none('There is nothing to set against the limit.');
        }
        if ($this->record->dust() !== null) {
            $error = Real::by(Real::minus($figure->value, $limit->threshold->value->value), $factor->value ?? Exact::of(1));
            $tipping = Figure::derived(
                'z*',
                'error of zero at which it sits on the limit',
                $error,
                CommonUnit::MilligramPerCubicMetre,
                ParticleEquation::TippingZero,
                [
                    'c' => $figure,
                    'L' => $limit->figure('L', $figure->unit),
                    'k' => $factor ?? Figure::read(
                        'k',
                        'no factor applies',
                        Exact::of(1),
                        CommonUnit::None,
                        new Origin('run', $this->run->id, 'in units of the photometer'),
                        0,
                    ),
                ],
                Digits::significant($error, 2),
            );

            return new TippingPoint(
                $tipping,
                Sentence::of(\sprintf(
                    'It turns if the zero stood %s mg/m³ %s than worked out with, or the factor were %s times as large.',
                    ltrim($tipping->shown(), '-'),
                    Real::compare($error, Exact::zero()) >= 0 ? 'higher' : 'lower',
                    number_format(Real::toFloat(Real::by($limit->threshold->value->value, $figure->value)), 2, '.', ''),
                ), $tipping),
            );
        }

        return Tipping::byShare(
            $figure,
            $limit,
            'flow',
            'the true flow was',
            Tipping::showed((new ParticleResponse())->drifts($this->line), 'a change of', 'no change of flow is known'),
        );
    }
}
