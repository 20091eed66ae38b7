<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;

/** One task of a working day in the sum of N-8 and in the budget of N-9b. */
final readonly class TaskShare
{
    /**
     * @param list<string> $runs    of its samples
     * @param Figure       $level   L_m, energy mean of its samples
     * @param Figure       $minutes T_m
     * @param Figure       $share   of the exposure, %
     * @param Figure       $spread  highest less lowest sample, dB
     */
    public function __construct(
        public string $name,
        public array $runs,
        public Figure $level,
        public Figure $minutes,
        public Figure $share,
        public Figure $spread,
        public TaskUncertainty $uncertainty,
    ) {
    }
}
