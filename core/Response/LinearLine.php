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
        $between = static fn (Figure $a, ?Figure $b): float => $a->toFloat() + ($b === null ? 0.0 : ($b->toFloat() - $a->toFloat()) * $share);

        return [$between($knot->zero, $next?->zero), $between($knot->gain, $next?->gain)];
    }

    public function isConstant(): bool
    {
        foreach ($this->knots as $knot) {
            if ($knot->zero->toFloat() !== $this->knots[0]->zero->toFloat() || $knot->gain->toFloat() !== $this->knots[0]->gain->toFloat()) {
                return false;
            }
        }

        return true;
    }

    /**
     * Mean zero and mean gain over the stretch from first to last knot, each end of a step counted on its side.
     *
     * @return array{float, float}
     */
    public function mean(Span $span): array
    {
        $cuts = [$span->from, $span->to];
        foreach ($this->knots as $knot) {
            if ($span->from < $knot->at && $knot->at < $span->to) {
                $cuts[] = $knot->at;
            }
        }
        usort($cuts, static fn (\DateTimeImmutable $a, \DateTimeImmutable $b): int => $a <=> $b);
        [$zero, $gain] = [0.0, 0.0];
        for ($i = 1; $i < \count($cuts); ++$i) {
            $seconds = Span::secondsBetween($cuts[$i - 1], $cuts[$i]);
            [$z, $g] = $this->at(Span::shift($cuts[$i - 1], $seconds / 2));
            $zero += $z * $seconds;
            $gain += $g * $seconds;
        }

        return [$zero / $span->seconds(), $gain / $span->seconds()];
    }
}
