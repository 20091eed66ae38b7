<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Result;

/** What a measurement of a sound level meter shows beside the results that every unit with a microphone has. */
final readonly class MeterFindings
{
    /**
     * @param list<Result>        $results    of bands, rooms, sources
     * @param Figure|null         $background by how much the level stands above its background, dB; null where none was measured
     * @param SourceSpectrum|null $source     its bands without their background; null where none was measured
     * @param BandComparison|null $room       null where no permissible levels were chosen
     */
    public function __construct(
        public MeterRecord $record,
        public Spectrum $spectrum,
        public array $results,
        public ?Figure $background,
        public ?SourceSpectrum $source,
        public ?BandComparison $room,
    ) {
    }
}
