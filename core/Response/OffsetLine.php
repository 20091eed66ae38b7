<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Quantity\Span;

/**
 * The offset along a bracket: straight lines between knots, constant outside. Two knots at one moment are a step:
 * as found and as left of a check that adjusted.
 */
final readonly class OffsetLine
{
    /** @param non-empty-list<OffsetKnot> $knots in order of time */
    public function __construct(public array $knots)
    {
    }

    public function at(\DateTimeImmutable $moment): float
    {
        foreach ($this->pieces() as [$from, $to, $first, $last]) {
            if ($moment < $from) {
                return $first;
            }
            if ($moment < $to) {
                return $first + ($last - $first) * Span::secondsBetween($from, $moment) / Span::secondsBetween($from, $to);
            }
        }

        return $this->knots[\count($this->knots) - 1]->offset->toFloat();
    }

    /** Just before a moment, so that a step at it is not yet taken. */
    public function before(\DateTimeImmutable $moment): float
    {
        $last = $this->knots[0]->offset->toFloat();
        foreach ($this->pieces() as [$from, $to, $first, $end]) {
            if ($moment <= $from) {
                return $last;
            }
            $last = $moment >= $to
                ? $end
                : $first + ($end - $first) * Span::secondsBetween($from, $moment) / Span::secondsBetween($from, $to);
        }

        return $last;
    }

    public function isConstant(): bool
    {
        $first = $this->knots[0]->offset->toFloat();
        foreach ($this->knots as $knot) {
            if ($knot->offset->toFloat() !== $first) {
                return false;
            }
        }

        return true;
    }

    /**
     * Lines between neighbouring knots.
     *
     * @return list<array{\DateTimeImmutable, \DateTimeImmutable, float, float}> from, to, offset at from, offset at to
     */
    public function pieces(): array
    {
        $pieces = [];
        for ($i = 1; $i < \count($this->knots); ++$i) {
            $a = $this->knots[$i - 1];
            $b = $this->knots[$i];
            if ($a->at < $b->at) {
                $pieces[] = [$a->at, $b->at, $a->offset->toFloat(), $b->offset->toFloat()];
            }
        }

        return $pieces;
    }

    /**
     * The mean of exp(−k·o(t)) over some stretches: what a quantity that accrues evenly is multiplied by when the offset is
     * taken out (N-10). On one line from o₁ to o₂ it is (e^(−k·o₁) − e^(−k·o₂)) / (k·(o₂ − o₁)).
     *
     * @param list<Span> $stretches
     */
    public function meanFactor(float $k, array $stretches): float
    {
        $sum = 0.0;
        $seconds = 0.0;
        foreach ($stretches as $span) {
            $sum += $this->meanWithin($k, $span) * $span->seconds();
            $seconds += $span->seconds();
        }

        return $seconds > 0.0 ? $sum / $seconds : 1.0;
    }

    private function meanWithin(float $k, Span $span): float
    {
        $cuts = [$span->from];
        foreach ($this->knots as $knot) {
            if ($span->from < $knot->at && $knot->at < $span->to) {
                $cuts[] = $knot->at;
            }
        }
        $cuts[] = $span->to;
        $sum = 0.0;
        $total = $span->seconds();
        for ($i = 1; $i < \count($cuts); ++$i) {
            $seconds = Span::secondsBetween($cuts[$i - 1], $cuts[$i]);
            if ($seconds <= 0.0) {
                continue;
            }
            // The ends of the piece are read just inside it, so that a step at a knot belongs to its own side.
            $first = $this->at($cuts[$i - 1]);
            $middle = $this->at(Span::shift($cuts[$i - 1], $seconds / 2));
            $last = 2 * $middle - $first;
            $sum += $seconds / $total * self::meanOfExponential($k, $first, $last);
        }

        return $sum;
    }

    private static function meanOfExponential(float $k, float $first, float $last): float
    {
        $x = $k * ($last - $first);
        if (abs($x) < 1e-9) {
            return exp(-$k * ($first + $last) / 2);
        }

        return exp(-$k * $first) * -expm1(-$x) / $x;
    }
}
