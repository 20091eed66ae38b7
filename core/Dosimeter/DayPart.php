<?php

declare(strict_types=1);

namespace Footnote\Core\Dosimeter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;

/** One run in a working day that is put together of several. */
final readonly class DayPart
{
    /**
     * @param float  $seconds  that its sums rest on
     * @param Figure $duration the same, h
     */
    public function __construct(
        public string $run,
        public Result $result,
        public float $seconds,
        public Figure $duration,
        public Verdict $verdict,
    ) {
    }
}
