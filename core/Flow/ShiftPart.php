<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\FlowLine;
use Footnote\Core\Response\Moments;

/** One sample of a shift, with its concentration of one substance. */
final readonly class ShiftPart
{
    public function __construct(public Run $run, public SampleResults $family, public Result $result, public Verdict $verdict)
    {
    }

    /**
     * How long it counts, min: its own time less what others of the shift cover already.
     *
     * @param list<Span> $covered
     */
    public function minutes(array $covered = []): Exact
    {
        $minutes = Exact::zero();
        foreach ($this->family->drawn->stretches as $stretch) {
            foreach ($stretch->without($covered) as $span) {
                $minutes = $minutes->plus(FlowLine::seconds($span->from, $span->to)->dividedBy(60));
            }
        }

        return $minutes;
    }

    /**
     * The same as a figure.
     *
     * @param list<Span> $covered
     */
    public function time(array $covered): Figure
    {
        $stretches = array_merge(
            ...array_map(static fn (Span $stretch): array => $stretch->without($covered), $this->family->drawn->stretches),
        );

        $meaning = 'time of '.$this->run->id.($covered === [] ? '' : ' that no other covers');

        return (new Moments($this->run))->time($stretches, 'running time', $meaning, 1);
    }
}
