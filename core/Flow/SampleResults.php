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
use Footnote\Core\Judgement\DrawnResponse;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\FlowKnot;

/** What was worked out of one sample. */
final readonly class SampleResults implements FamilyResults
{
    public Run $run;

    public function __construct(
        private WorkedOut $worked,
        public AirSample $sample,
        public Timeline $timeline,
        public Bracket $bracket,
        public ReferenceConditions $conditions,
        public Drawn $drawn,
    ) {
        $this->run = $bracket->run;
    }

    public function worked(): WorkedOut
    {
        return $this->worked;
    }

    public function result(string $key): ?Result
    {
        foreach ($this->worked->results as $result) {
            if ($result->key === $key) {
                return $result;
            }
        }

        return null;
    }

    public function driftsOf(Result $result): array
    {
        return $this->worked->drifts;
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

    public function uncertaintyOf(Check $check): ?Figure
    {
        $certificate = $this->timeline->referenceOf($check)?->certificateAt($check->at);
        $uncertainty = $certificate?->constants->decimal('uncertaintyPercent');

        return $uncertainty === null ? null : $certificate->figure('U', 'uncertainty of flow', $uncertainty, CommonUnit::Percent);
    }

    /** The mean flow and the change to reference conditions are the ordinary sum, not a correction. */
    public function ordinary(Result $result): ?Figure
    {
        return $result->answers->between;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'kind' => 'flow',
            'response' => DrawnResponse::of($sheet, $this->drawn->line->knots ?? [], static fn (FlowKnot $knot): Figure => $knot->flow),
            'stretches' => array_map(static fn (Span $span): array => $span->ends(), $this->drawn->stretches),
            'largestEverDrift' => $this->drawn->largestEver === null ? null : $sheet->enter($this->drawn->largestEver),
            'curve' => $this->drawn->curve === null ? null : [
                'check' => $this->drawn->curve->check,
                'slope' => $sheet->enter($this->drawn->curve->slope),
                'intercept' => $sheet->enter($this->drawn->curve->intercept),
                'correlation' => $sheet->enter($this->drawn->curve->correlation),
                'points' => array_map(static fn (array $point): array => [
                    'flow' => $point['flow']->toFloat(),
                    'response' => $point['response']->toFloat(),
                    'residualPercent' => $point['residual']->toFloat(),
                ], $this->drawn->curve->points),
            ],
        ];
    }
}
