<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Span;

/** What every family works out of a run: its results, how far the unit moved, and what of the run they are not made of. */
final readonly class WorkedOut
{
    /**
     * @param list<Result>     $results
     * @param list<Figure>     $drifts      the drift of each check response against the one that began its segment, in order
     * @param list<Alteration> $alterations what was removed from what the run measured, filled in or assumed; or could not be
     * @param Segment|null     $segment     the part of the run that stands by a person's declaration; null where all of it does
     * @param list<Span>       $leftOut     what is not in the sums
     */
    public function __construct(
        public array $results,
        public array $drifts,
        public array $alterations = [],
        public ?Segment $segment = null,
        public array $leftOut = [],
    ) {
    }
}
