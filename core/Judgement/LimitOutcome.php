<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One result against one limit. */
final readonly class LimitOutcome
{
    /**
     * @param Figure|null $tippingPoint the response error at which the reported value would sit on the limit
     * @param string      $tippingWords what that means, against what was seen
     */
    public function __construct(
        public ExposureLimit $limit,
        public bool $crossed,
        public Robustness $robustness,
        public ?Figure $tippingPoint,
        public string $tippingWords,
        public ?Confidence $confidence = null,
    ) {
    }
}
