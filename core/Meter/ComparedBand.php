<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Quantity\Real;

/** One band of a room against its permissible level, dB. */
final readonly class ComparedBand
{
    /**
     * @param Figure|null $level as reported; null where the band was not measured
     * @param Figure|null $over  above the permissible level by
     * @param Figure|null $low   the same at the ends of the drift interval; null where no check shows one
     */
    private function __construct(
        public OctaveBand $band,
        public Figure $permissible,
        public ?Figure $level,
        public ?Figure $over,
        public ?Figure $low,
        public ?Figure $high,
    ) {
    }

    public static function of(OctaveBand $band, Figure $permissible, ?Result $measured): self
    {
        $over = static fn (?Figure $level, string $how): ?Figure => $level === null ? null : Figure::derived(
            'ΔL_'.$band->value,
            'above the permissible level of the '.$band->words().' band'.$how,
            Real::minus($level->value, $permissible->value),
            LevelUnit::Decibel,
            NoiseEquation::RoomMargin,
            ['L_b' => $level, 'L_perm' => $permissible],
        );

        return new self(
            $band,
            $permissible,
            $measured?->reportedFigure(),
            $over($measured?->reportedFigure(), ''),
            $over($measured?->lowest(), ', lower end of the drift interval'),
            $over($measured?->highest(), ', upper end of the drift interval'),
        );
    }

    public function fails(): bool
    {
        return $this->over !== null && $this->over->toFloat() > 0.0;
    }

    /** How the drift moves it. */
    public function interval(): ?string
    {
        return match (true) {
            $this->low === null || $this->high === null => null,
            $this->low->signed() === $this->high->signed() => $this->low->signed(),
            default => $this->low->signed().' to '.$this->high->signed(),
        };
    }

    public function verdict(): string
    {
        return match (true) {
            $this->over === null => 'not judged',
            $this->fails() => 'fails by '.$this->over->shown().' dB',
            default => 'keeps it',
        };
    }
}
