<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Quantity\Decimal;

/** What is written down when an acoustic calibrator sits on a microphone. Levels in dB. */
final readonly class AcousticCheck implements CheckContent
{
    /**
     * @param Decimal       $nominal              level the calibrator was switched to
     * @param list<Reading> $asFound              before anything was adjusted
     * @param list<Reading> $asLeft               after the adjustment
     * @param Decimal|null  $factorBefore         stored calibration factor before and after, where the unit shows it
     * @param Decimal|null  $entered              level the meter was told to expect, where it asks
     * @param Decimal|null  $microphoneCorrection correction for microphone and adapter
     * @param Decimal|null  $pressureCorrection   static-pressure correction; none for calibrators with feedback
     * @param string|null   $adapter              diameter of the adapter used
     * @param Decimal|null  $frequency            of the calibrator's tone, Hz, where it has several
     * @param list<AcousticTone> $further         other levels or frequencies that were applied beside it
     * @param FrequencyWeighting|null $weighting  that the meter was set to; null: it does not matter at 1 kHz
     */
    public function __construct(
        public Decimal $nominal,
        public array $asFound,
        public array $asLeft,
        public bool $adjusted,
        public ?Decimal $factorBefore = null,
        public ?Decimal $factorAfter = null,
        public ?Decimal $entered = null,
        public ?Decimal $microphoneCorrection = null,
        public ?Decimal $pressureCorrection = null,
        public ?string $adapter = null,
        public ?Decimal $frequency = null,
        public array $further = [],
        public ?FrequencyWeighting $weighting = null,
    ) {
    }

    /** The tone that the unit is adjusted to. */
    public function tone(): AcousticTone
    {
        return new AcousticTone($this->nominal, $this->frequency, $this->asFound, $this->asLeft);
    }

    /** @return non-empty-list<AcousticTone> the one that the unit is adjusted to first */
    public function tones(): array
    {
        return [$this->tone(), ...$this->further];
    }

    public function procedure(): string
    {
        return '';
    }

    public function leansOn(): array
    {
        return [];
    }

    public function wasAdjusted(): bool
    {
        return $this->adjusted || $this->factorMoved();
    }

    public function hasAsFound(): bool
    {
        return $this->asFound !== [] || $this->hasFactors();
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->wasAdjusted() || $this->asLeft !== [];
    }

    public function hasFactors(): bool
    {
        return $this->factorBefore !== null && $this->factorAfter !== null;
    }

    private function factorMoved(): bool
    {
        return $this->factorBefore !== null && $this->factorAfter !== null
            && $this->factorBefore->value->compareTo($this->factorAfter->value) !== 0;
    }
}
