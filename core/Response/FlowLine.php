<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;

/**
 * The flow along a bracket (F-7): straight lines between knots, constant outside. Two knots at one moment are a step: as
 * found and as left of a check that adjusted. Exact as long as its knots are.
 */
final readonly class FlowLine
{
    /** @param non-empty-list<FlowKnot> $knots in order of time */
    public function __construct(public array $knots)
    {
    }

    /**
     * F-8: the volume drawn in a stretch, L.
     *
     * @param list<Span> $stretches
     */
    public function volume(array $stretches): Exact|float
    {
        $volume = Exact::zero();
        foreach ($stretches as $stretch) {
            $volume = Real::plus($volume, $this->within($stretch));
        }

        return $volume;
    }

    /** Seconds from one moment to another, exactly. */
    public static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): Exact
    {
        $micro = ($to->getTimestamp() - $from->getTimestamp()) * 1000000 + (int) $to->format('u') - (int) $from->format('u');

        return Exact::of($micro)->dividedBy(1000000);
    }

    private function within(Span $span): Exact|float
    {
        $cuts = [$span->from];
        foreach ($this->knots as $knot) {
            if ($span->from < $knot->at && $knot->at < $span->to) {
                $cuts[] = $knot->at;
            }
        }
        $cuts[] = $span->to;
        $volume = Exact::zero();
        for ($i = 1; $i < \count($cuts); ++$i) {
            $minutes = self::seconds($cuts[$i - 1], $cuts[$i])->dividedBy(60);
            // On a straight line the middle is the mean; it is never on a step, which lies between two pieces.
            $middle = Span::shift($cuts[$i - 1], Span::secondsBetween($cuts[$i - 1], $cuts[$i]) / 2);
            $volume = Real::plus($volume, Real::times($this->at($middle), $minutes));
        }

        return $volume;
    }

    /** The flow at a moment, L/min. */
    public function at(\DateTimeImmutable $moment): Exact|float
    {
        [$knot, $next] = KnotsAlong::around($this->knots, $moment);
        if ($next === null) {
            return $knot->flow->value;
        }
        $share = self::seconds($knot->at, $moment)->dividedBy(self::seconds($knot->at, $next->at));

        return Real::plus($knot->flow->value, Real::times(Real::minus($next->flow->value, $knot->flow->value), $share));
    }
}
