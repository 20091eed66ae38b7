<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** What was worked out of a run with a microphone. */
final readonly class NoiseResults implements FamilyResults
{
    /**
     * @param list<Result>                         $results
     * @param list<Figure>                         $drifts
     * @param list<Doubt>                          $doubts             why the log's columns do not quite fit
     * @param float|null                           $gapShare           share of intervals without a level, 0 to 1; null without a log
     * @param Figure|null                          $largestEverDrift   the most this unit has ever drifted
     * @param Figure|null                          $cumulativeAdjustment since its last laboratory certificate
     * @param Segment|null                         $segment            that a person declared representative
     * @param list<Span>                           $leftOut            what was left out of the exposure
     * @param float                                $seconds            what the sums rest on, s
     * @param list<Alteration>                     $alterations        what was removed, or could be
     */
    public function __construct(
        private array $results,
        private array $drifts,
        public ?OffsetLine $line,
        public LogSurvey $survey,
        public array $doubts,
        public ?float $gapShare,
        public ?Figure $largestEverDrift,
        public ?Figure $cumulativeAdjustment,
        private ?Segment $segment,
        public array $leftOut,
        public float $seconds,
        public Timeline $timeline,
        private array $alterations = [],
        public ?LeftOff $left = null,
    ) {
    }

    public function results(): array
    {
        return $this->results;
    }

    /** The same where its gaps are counted otherwise. */
    public function withGaps(?float $share): self
    {
        return new self(
            $this->results,
            $this->drifts,
            $this->line,
            $this->survey,
            $this->doubts,
            $share,
            $this->largestEverDrift,
            $this->cumulativeAdjustment,
            $this->segment,
            $this->leftOut,
            $this->seconds,
            $this->timeline,
            $this->alterations,
            $this->left,
        );
    }

    public function drifts(): array
    {
        return $this->drifts;
    }

    public function alterations(): array
    {
        return $this->alterations;
    }

    public function segment(): ?Segment
    {
        return $this->segment;
    }

    public function driftsOf(Result $result): array
    {
        return $this->drifts();
    }

    public function headline(array $results): ?string
    {
        return self::first($results, 'lex8h', 'laeq');
    }

    public function inLedger(Result $result): ?string
    {
        return match (true) {
            str_starts_with($result->key, 'dose:') => 'Dose % '.str_replace('Dose, ', '', $result->title),
            $result->key === 'lcpeak' => 'Peak dB(C)',
            \in_array($result->key, ['lex8h', 'laeq'], true), str_starts_with($result->key, 'twa:') => '',
            default => null,
        };
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('noise.drift', 'drift');
    }

    public function uncertaintyOf(Check $check): ?float
    {
        $content = $check->content;
        $certificate = $this->timeline->referenceOf($check)?->certificateAt($check->at);

        return $content instanceof AcousticCheck ? $content->tone()->certifiedBy($certificate)?->uncertainty?->value->toFloat() : null;
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->indicated;
    }

    /**
     * The first of these keys that a result of the run itself has, else that of the first result.
     *
     * @param list<Result> $results
     */
    public static function first(array $results, string ...$keys): ?string
    {
        foreach ($keys as $key) {
            foreach ($results as $result) {
                // What several samples come to together stands beside each of them, not in its place.
                if ($result->key === $key && $result->inherited === null) {
                    return $key;
                }
            }
        }

        return $results === [] ? null : $results[0]->key;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'kind' => 'noise',
            'response' => array_map(static fn (OffsetKnot $knot): array => [
                'at' => $knot->at->format(\DATE_ATOM),
                'check' => $knot->check,
                'end' => $knot->asLeft ? 'as left' : 'as found',
                'assumed' => $knot->assumed,
                'figure' => $sheet->enter($knot->offset),
            ], $this->line->knots ?? []),
            'tones' => array_map(
                static fn (Tone $tone): array => [...$tone->span->ends(), 'mean' => round($tone->mean, 2), 'kind' => $tone->kind->value],
                $this->survey->tones,
            ),
            'flatStretches' => array_map(static fn (Span $span): array => $span->ends(), $this->survey->flats),
            'overloads' => array_map(static fn (Span $span): array => $span->ends(), $this->survey->overloads),
            'knocks' => array_map(
                static fn (Knock $knock): array => [
                    'at' => $knock->at->format(\DATE_ATOM),
                    'peak' => $knock->peak,
                    'level' => $knock->level,
                ],
                $this->survey->knocks,
            ),
            'leftOut' => array_map(static fn (Span $span): array => $span->ends(), $this->leftOut),
            'seconds' => $this->seconds,
            'largestEverDrift' => $this->largestEverDrift === null ? null : $sheet->enter($this->largestEverDrift),
            'cumulativeAdjustment' => $this->cumulativeAdjustment === null ? null : $sheet->enter($this->cumulativeAdjustment),
        ];
    }
}
