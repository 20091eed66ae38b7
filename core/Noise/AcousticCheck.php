<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\CheckContent;

/** What is written down when an acoustic calibrator sits on a microphone. Levels in dB. */
final readonly class AcousticCheck implements CheckContent
{
    /**
     * @param AcousticTone       $tone    that the unit is adjusted to
     * @param list<AcousticTone> $further other levels or frequencies that were applied beside it
     */
    public function __construct(
        public AcousticTone $tone,
        public array $further,
        public bool $adjusted,
        public StoredFactors $factors = new StoredFactors(),
        public MeterSettings $settings = new MeterSettings(),
        public LevelCorrections $corrections = new LevelCorrections(),
    ) {
    }

    /** @return non-empty-list<AcousticTone> the one that the unit is adjusted to first */
    public function tones(): array
    {
        return [$this->tone, ...$this->further];
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
        return $this->tone->asFound !== [] || $this->hasFactors();
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->wasAdjusted() || $this->tone->asLeft !== [];
    }

    public function hasFactors(): bool
    {
        return $this->factors->before !== null && $this->factors->after !== null;
    }

    private function factorMoved(): bool
    {
        return $this->factors->before !== null && $this->factors->after !== null
            && $this->factors->before->value->compareTo($this->factors->after->value) !== 0;
    }
}
