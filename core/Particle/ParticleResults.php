<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;

/** What was worked out of a run of a counter or a dust monitor. */
final readonly class ParticleResults implements FamilyResults
{
    /**
     * @param list<Result> $results
     * @param list<Figure> $drifts   change of flow, %
     * @param Figure|null  $loss     particles hidden by coincidence at the smallest size, %; null where it cannot be told
     * @param bool         $beyond   whether more was counted than any concentration can show
     * @param float|null   $gapShare of the run, 0 to 1
     */
    public function __construct(
        private array $results,
        private array $drifts,
        public ?CountingLine $line,
        public Timeline $timeline,
        public ParticleRecord $record,
        public ?Figure $loss,
        public bool $beyond,
        public ?float $gapShare,
        public ?Figure $factor,
    ) {
    }

    public function results(): array
    {
        return $this->results;
    }

    public function drifts(): array
    {
        return $this->drifts;
    }

    public function headline(array $results): ?string
    {
        return Headline::of($results, ['twa', 'mean', 'count', 'bin']);
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('particle.flow', 'change');
    }

    public function uncertaintyOf(Check $check): ?float
    {
        return $this->timeline->referenceOf($check)?->certificateAt($check->at)?->constants->decimal('uncertaintyPercent')?->value->toFloat();
    }

    /** Dividing by the mean flow and taking the background off is the ordinary sum, not a correction. */
    public function ordinary(Result $result): ?Figure
    {
        return $result->between;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'kind' => 'particle',
            'response' => array_map(static fn (CountingKnot $knot): array => [
                'at' => $knot->at->format(\DATE_ATOM), 'check' => $knot->check, 'end' => $knot->asLeft ? 'as left' : 'as found', 'assumed' => $knot->assumed, 'figure' => $sheet->enter($knot->flow),
            ], $this->line->knots ?? []),
            'background' => array_merge(...array_map(static fn (CountingKnot $knot): array => array_map(static fn (Figure $figure): string => $sheet->enter($figure), array_values($knot->background)), $this->line->knots ?? [])),
            'loss' => $this->loss === null ? null : $sheet->enter($this->loss),
            'factor' => $this->factor === null ? null : $sheet->enter($this->factor),
        ];
    }
}
