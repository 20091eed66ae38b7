<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** C-5: a result over its limit with the one-sided 95 % error of sampling and analysis on either side. */
final readonly class Confidence
{
    public function __construct(
        public Figure $lower,
        public Figure $upper,
        public string $words,
        private string $reaching = 'the error of sampling and analysis reaches the limit',
    ) {
    }

    /** Said beside the statement where the error of sampling and analysis reaches the limit. */
    public function reach(): ?string
    {
        $one = Exact::of(1);

        return Real::compare($this->lower->value, $one) <= 0 && Real::compare($this->upper->value, $one) > 0 ? $this->reaching : null;
    }
}
