<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;

/** What the levels of a log come to, with some stretches left out. */
final readonly class LogSums
{
    /**
     * @param list<SolvableResult> $results
     * @param list<Doubt>          $doubts   why columns do not quite fit
     * @param Figure               $gaps     share of the running time less what is left out, %
     * @param float                $seconds  that the sums rest on
     * @param Figure|null          $duration the same, h; null where no column of it is summed
     */
    public function __construct(
        public array $results,
        public array $doubts,
        public Figure $gaps,
        public float $seconds,
        public ?Figure $duration,
    ) {
    }
}
