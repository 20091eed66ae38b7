<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Quantity\Span;

/** Flow and background of a counter along a bracket: straight lines between knots, constant outside. */
final readonly class CountingLine
{
    /** @param non-empty-list<CountingKnot> $knots in order of time */
    public function __construct(public array $knots)
    {
    }

    /** @return array{float, float} flow in L/min and background of a size in counts per minute, at a moment */
    public function at(\DateTimeImmutable $moment, string $size): array
    {
        [$knot, $next] = KnotsAlong::around($this->knots, $moment);
        if ($next === null) {
            return [$knot->flow->toFloat(), $knot->backgroundOf($size)];
        }
        $share = Span::secondsBetween($knot->at, $moment) / Span::secondsBetween($knot->at, $next->at);

        return [
            $knot->flow->toFloat() + ($next->flow->toFloat() - $knot->flow->toFloat()) * $share,
            $knot->backgroundOf($size) + ($next->backgroundOf($size) - $knot->backgroundOf($size)) * $share,
        ];
    }
}
