<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\Decimal;

/** What a run says of one channel: how the unit was set, and what its display showed where there is no log. */
final readonly class ChannelRecord
{
    /**
     * @param string|null  $substance  code of the vapour that was there, in the library of substances
     * @param Traits|null  $known      its entry
     * @param list<array{share: Decimal, known: Traits}> $parts of a mixture
     * @param Decimal|null $unitFactor correction factor that the unit itself applied; none: 1
     * @param Decimal|null $handFactor factor that the numbers were multiplied by already; none: 1
     * @param bool         $milligram  whether the unit was set to show mg/m³
     */
    public function __construct(
        public string $channel,
        public ?string $substance,
        public ?Traits $known,
        public ?Decimal $unitFactor,
        public ?Decimal $handFactor,
        public bool $milligram,
        public ?Decimal $mean,
        public ?Decimal $shortTerm,
        public ?Decimal $peak,
        public ?Decimal $lowest,
        public array $parts = [],
    ) {
    }

    public function hasTotals(): bool
    {
        return $this->mean !== null || $this->shortTerm !== null || $this->peak !== null || $this->lowest !== null;
    }
}
