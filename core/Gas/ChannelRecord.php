<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\Decimal;

/** What a run says of one channel: how the unit was set, and what its display showed where there is no log. */
final readonly class ChannelRecord
{
    /**
     * @param string|null $substance code of the vapour that was there, in the library of substances
     * @param Traits|null $known     its entry
     * @param list<array{share: Decimal, known: Traits}> $parts of a mixture
     */
    public function __construct(
        public string $channel,
        public ?string $substance = null,
        public ?Traits $known = null,
        public UnitSetting $setting = new UnitSetting(),
        public ChannelTotals $totals = new ChannelTotals(),
        public array $parts = [],
    ) {
    }

    public function hasTotals(): bool
    {
        return $this->totals->mean !== null
            || $this->totals->shortTerm !== null
            || $this->totals->peak !== null
            || $this->totals->lowest !== null;
    }
}
