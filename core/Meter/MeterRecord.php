<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Noise\BandStatistic;
use Footnote\Core\Noise\FrequencyWeighting;
use Footnote\Core\Quantity\Decimal;

/** What is written down of one measurement of a sound level meter beside its log or its totals. */
final readonly class MeterRecord
{
    /**
     * @param Traits      $written   as the format declares it
     * @param float|null  $noted     start as noted by hand, s since midnight at the site
     * @param float|null  $fileStart start that the unit gave the measurement, s since midnight by its clock
     */
    public function __construct(
        public Measures $measures,
        public Traits $written,
        public ?PermissibleLevels $permissible,
        public ?float $noted,
        public ?float $fileStart,
    ) {
    }

    /** @return array<array-key, Decimal> levels off the display by band, dB */
    public function bands(): array
    {
        return $this->written->each('bands');
    }

    /** What a band stands for: as the unit was set, else the cautious one for a room and the usual one elsewhere. */
    public function statistic(): BandStatistic
    {
        return BandStatistic::tryFrom(
            $this->written->text('setStatistic') ?? '',
        ) ?? ($this->measures === Measures::Room ? BandStatistic::Maximum : BandStatistic::Average);
    }

    /** The weighting that its bands were measured with; bands are taken as flat where nobody says otherwise. */
    public function weighting(): FrequencyWeighting
    {
        return FrequencyWeighting::tryFrom($this->written->text('setBandWeighting') ?? '') ?? FrequencyWeighting::Z;
    }

    /** Seconds between the key and the first level that counts. */
    public function delay(): float
    {
        return $this->written->decimal('setDelay')?->value->toFloat() ?? 0.0;
    }
}
