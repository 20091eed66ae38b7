<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Decimal;

/**
 * One column of a log: what it holds; for an average the exchange rate and threshold it was made with, for a reading its
 * channel, and what of the interval it is: "average", "maximum", "minimum"; not said: an average.
 */
final readonly class LogColumn
{
    public function __construct(
        public ColumnKind $kind,
        public string $header = '',
        public ?Decimal $exchangeRate = null,
        public ?Decimal $threshold = null,
        public string $channel = '',
        public string $statistic = '',
    ) {
    }
}
