<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Span;

/**
 * Zero and gain of a channel along a bracket: straight lines between knots, constant outside. Two knots at one moment are a
 * step: as found and as left of a check that adjusted.
 */
final readonly class LinearLine
{
    /** @param non-empty-list<LinearKnot> $knots in order of time */
    public function __construct(public array $knots)
    {
    }

    /** @return array{float, float} zero and gain at a moment */
    public function at(\DateTimeImmutable $moment): array
    {
        [$knot, $next] = KnotsAlong::around($this->knots, $moment);
        $share = $next === null ? 0.0 : Span::secondsBetween($knot->at, $moment) / Span::secondsBetween($knot->at, $next->at);
        $between = static fn (Figure $a, ?Figure $b): float => $a->toFloat()
            + ($b === null ? 0.0 : ($b->toFloat() - $a->toFloat()) * $share);

        return [$between($knot->zero, $next?->zero), $between($knot->gain, $next?->gain)];
    }

    public function isConstant(): bool
    {
        foreach ($this->knots as $knot) {
            if ($knot->zero->toFloat() !== $this->knots[0]->zero->toFloat()
                || $knot->gain->toFloat() !== $this->knots[0]->gain->toFloat()) {
                return false;
            }
        }

        return true;
    }

    /**
     * Mean zero and mean gain over some stretches, each end of a step counted on its side.
     *
     * @param list<Span> $stretches
     *
     * @return array{float, float}
     */
    public function mean(array $stretches): array
    {
        $zero = 0.0;
        $gain = 0.0;
        $total = 0.0;
        foreach ($stretches as $span) {
            $cuts = [$span->from, $span->to];
            foreach ($this->knots as $knot) {
                if ($span->from < $knot->at && $knot->at < $span->to) {
                    $cuts[] = $knot->at;
                }
            }
            usort($cuts, static fn (\DateTimeImmutable $a, \DateTimeImmutable $b): int => $a <=> $b);
            for ($i = 1; $i < \count($cuts); ++$i) {
                $seconds = Span::secondsBetween($cuts[$i - 1], $cuts[$i]);
                [$z, $g] = $this->at(Span::shift($cuts[$i - 1], $seconds / 2));
                $zero += $z * $seconds;
                $gain += $g * $seconds;
                $total += $seconds;
            }
        }

        return $total > 0.0 ? [$zero / $total, $gain / $total] : $this->at($stretches[0]->from ?? $this->knots[0]->at);
    }

    /**
     * The responses that held at some moment of a stretch: at its ends, and at every knot within.
     *
     * @return non-empty-list<array{float, float}> zero and gain
     */
    public function within(Span $span): array
    {
        $moments = [$this->at($span->from), $this->at(Span::shift($span->to, -1e-6))];
        foreach ($this->knots as $knot) {
            if ($span->from <= $knot->at && $knot->at <= $span->to) {
                $moments[] = [$knot->zero->toFloat(), $knot->gain->toFloat()];
            }
        }

        return $moments;
    }
}
