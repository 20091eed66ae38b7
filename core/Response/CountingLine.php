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
        $before = null;
        foreach ($this->knots as $knot) {
            if ($knot->at > $moment) {
                if ($before === null) {
                    break;
                }
                $share = Span::secondsBetween($before->at, $moment) / Span::secondsBetween($before->at, $knot->at);

                return [
                    $before->flow->toFloat() + ($knot->flow->toFloat() - $before->flow->toFloat()) * $share,
                    $before->backgroundOf($size) + ($knot->backgroundOf($size) - $before->backgroundOf($size)) * $share,
                ];
            }
            $before = $knot;
        }
        $knot = $before ?? $this->knots[0];

        return [$knot->flow->toFloat(), $knot->backgroundOf($size)];
    }
}
