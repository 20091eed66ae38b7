<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\FlowLine;

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

    public function time(Exact $minutes): Figure
    {
        return Figure::read(
            't',
            'time of '.$this->run->id,
            $minutes,
            CommonUnit::Minute,
            new Origin('run', $this->run->id, 'running time'),
            1,
        );
    }
}
