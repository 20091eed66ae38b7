<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** A family whose measurements must draw enough to be of use: how much, by the limit, the laboratory and the time. */
interface SizesSamples
{
    /** @return list<Entry> what is asked */
    public function sampleEntries(): array;

    /**
     * @param \Closure(string, string): ?Traits $library  an entry of a shelf by its code; null where it has none
     * @param \Closure(string): Timeline        $timeline of a unit
     * @param \DateTimeImmutable                $now      until which the unit's past counts
     *
     * @throws InvalidRecord naming the field that stands in the way
     */
    public function size(Fields $told, \Closure $library, \Closure $timeline, \DateTimeImmutable $now): SampleSize;

    /**
     * How long what a run drew may wait until it is analysed, days.
     *
     * @param Fields                            $run     as it is recorded
     * @param \Closure(string, string): ?Traits $library an entry of a shelf by its code; null where it has none
     *
     * @return Decimal|null null where nobody says
     */
    public function holdingDays(Fields $run, \Closure $library): ?Decimal;
}
