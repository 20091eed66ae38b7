<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** By how much a flow moved, % of the one before. */
final class FlowChange
{
    public static function between(Figure $before, Figure $after, string $meaning): Figure
    {
        return Figure::derived(
            'ΔQ',
            $meaning,
            Real::times(Real::by(Real::minus($after->value, $before->value), $before->value), Exact::of(100)),
            CommonUnit::Percent,
            SharedEquation::Change,
            ['Q_post' => $after, 'Q_pre' => $before],
            2,
        );
    }
}
