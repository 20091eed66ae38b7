<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Decimal;

/** One column of a log: what it holds, and for an average the exchange rate and threshold it was made with. */
final readonly class LogColumn
{
    public function __construct(
        public LogColumnKind $kind,
        public string $header = '',
        public ?Decimal $exchangeRate = null,
        public ?Decimal $threshold = null,
    ) {
    }
}
