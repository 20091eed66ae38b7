<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\DrawnResponse;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\OffsetKnot;

/** What was worked out of a run with a microphone. */
final readonly class NoiseResults implements FamilyResults
{
    public function __construct(
        private WorkedOut $worked,
        public OffsetFindings $response,
        public LogFindings $log,
        public Timeline $timeline,
    ) {
    }

    public function worked(): WorkedOut
    {
        return $this->worked;
    }

    /** The same where its gaps are counted otherwise. */
    public function withGaps(?Figure $gaps): self
    {
        return new self($this->worked, $this->response, $this->log->withGaps($gaps), $this->timeline);
    }

    public function driftsOf(Result $result): array
    {
        return $this->worked->drifts;
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

    public function uncertaintyOf(Check $check): ?Figure
    {
        $content = $check->content;
        $certificate = $this->timeline->referenceOf($check)?->certificateAt($check->at);

        $uncertainty = $content instanceof AcousticCheck ? $content->tone->certifiedBy($certificate)?->uncertainty : null;

        return $uncertainty === null ? null : $certificate?->figure('U', 'uncertainty of the level', $uncertainty, LevelUnit::Decibel);
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->answers->indicated;
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
                if ($result->key === $key && $result->footing->inherited === null) {
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
            'response' => DrawnResponse::of(
                $sheet,
                $this->response->line->knots ?? [],
                static fn (OffsetKnot $knot): Figure => $knot->offset,
            ),
            'tones' => array_map(
                static fn (Tone $tone): array => [...$tone->span->ends(), 'mean' => round($tone->mean, 2), 'kind' => $tone->kind->value],
                $this->log->survey->tones,
            ),
            'flatStretches' => array_map(static fn (Span $span): array => $span->ends(), $this->log->survey->flats),
            'overloads' => array_map(static fn (Span $span): array => $span->ends(), $this->log->survey->overloads),
            'knocks' => array_map(
                static fn (Knock $knock): array => [
                    'at' => $knock->at->format(\DATE_ATOM),
                    'peak' => $knock->peak,
                    'level' => $knock->level,
                ],
                $this->log->survey->knocks,
            ),
            'leftOut' => array_map(static fn (Span $span): array => $span->ends(), $this->worked()->leftOut),
            'seconds' => $this->log->seconds,
            'largestEverDrift' => $this->response->largestEver === null ? null : $sheet->enter($this->response->largestEver),
            'cumulativeAdjustment' => $this->response->adjustment === null ? null : $sheet->enter($this->response->adjustment),
        ];
    }
}
