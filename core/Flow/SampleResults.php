<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\FlowKnot;
use Footnote\Core\Response\FlowLine;

/** What was worked out of one sample. */
final readonly class SampleResults implements FamilyResults
{
    /**
     * @param list<Result> $results
     * @param list<Figure> $drifts
     * @param list<Span>   $stretches in which it ran
     */
    public function __construct(
        public Run $run,
        public AirSample $sample,
        public Timeline $timeline,
        public Bracket $bracket,
        private array $results,
        private array $drifts,
        public ?FlowLine $line,
        public array $stretches,
        public ReferenceConditions $conditions,
        public ?GaugeCurve $curve,
        public ?Figure $largestEverDrift,
    ) {
    }

    public function results(): array
    {
        return $this->results;
    }

    public function result(string $key): ?Result
    {
        foreach ($this->results as $result) {
            if ($result->key === $key) {
                return $result;
            }
        }

        return null;
    }

    public function drifts(): array
    {
        return $this->drifts;
    }

    /** A filter has no stretches: what a person wanted out of it is in it. */
    public function alterations(): array
    {
        return LogAlterations::notApplied($this->run);
    }

    public function segment(): ?Segment
    {
        return null;
    }

    public function driftsOf(Result $result): array
    {
        return $this->drifts();
    }

    public function headline(array $results): ?string
    {
        return Headline::of($results, ['twa', 'stel', 'conc', 'volume']);
    }

    public function inLedger(Result $result): ?string
    {
        return preg_match('/^(?:volume$|twa:|stel:|mixture:)/', $result->key) === 1 ? '' : null;
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('flow.change', 'change');
    }

    public function uncertaintyOf(Check $check): ?float
    {
        $reference = $this->timeline->referenceOf($check);

        return $reference === null ? null : FlowStandards::uncertainty($reference, $check->at);
    }

    /** The mean flow and the change to reference conditions are the ordinary sum, not a correction. */
    public function ordinary(Result $result): ?Figure
    {
        return $result->between;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'kind' => 'flow',
            'response' => array_map(static fn (FlowKnot $knot): array => [
                'at' => $knot->at->format(\DATE_ATOM), 'check' => $knot->check, 'end' => $knot->asLeft
                    ? 'as left'
                    : 'as found', 'assumed' => $knot->assumed, 'figure' => $sheet->enter($knot->flow),
            ], $this->line->knots ?? []),
            'stretches' => array_map(static fn (Span $span): array => $span->ends(), $this->stretches),
            'largestEverDrift' => $this->largestEverDrift === null ? null : $sheet->enter($this->largestEverDrift),
            'curve' => $this->curve === null ? null : [
                'check' => $this->curve->check,
                'slope' => $sheet->enter($this->curve->slope),
                'intercept' => $sheet->enter($this->curve->intercept),
                'correlation' => $sheet->enter($this->curve->correlation),
                'points' => $this->curve->points,
            ],
        ];
    }
}
