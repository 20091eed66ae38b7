<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Breakdown;
use Footnote\Core\Judgement\Cell;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Noise\FrequencyWeighting;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\OctaveBand;

/** A source band by band without its background (N-13), and what its bands add up to (N-12). */
final readonly class SourceSpectrum implements Breakdown
{
    /** @param non-empty-array<array-key, SourceBand> $bands by band, lowest first */
    private function __construct(private array $bands)
    {
    }

    /** Null where no band has both a level and a background. */
    public static function of(Spectrum $spectrum, MeterRecord $meter, Run $run, ?Limit $near, ?Limit $far): ?self
    {
        $bands = [];
        foreach ($meter->written->each('backgroundBands') as $name => $level) {
            $band = OctaveBand::from((string) $name);
            $total = $spectrum->level($band);
            if ($total !== null) {
                $background = Spectrum::unweighted(
                    Figure::read(
                        'L_bg,'.$name,
                        'background in the '.$band->words().' band',
                        $level->value,
                        LevelUnit::Decibel,
                        new Origin('run', $run->id, 'the source switched off'),
                        max(1, $level->decimals()),
                    ),
                    $band,
                    $meter->weighting(),
                );
                $bands[$name] = SourceBand::of($total, $background, 'source alone in the '.$band->words().' band', $near, $far);
            }
        }

        return $bands === [] ? null : new self($bands);
    }

    /** N-12 where anything can be told; a band too near its background may give all that was measured there, or nothing. */
    public function total(): Figure
    {
        $least = 0.0;
        $most = 0.0;
        $told = [];
        $near = [];
        foreach ($this->bands as $name => $band) {
            $weight = Spectrum::weight(FrequencyWeighting::A, OctaveBand::from((string) $name));
            $energy = 10 ** ((($band->alone ?? $band->total)->toFloat() + $weight->toFloat()) / 10);
            $most += $energy;
            $least += $band->alone === null ? 0.0 : $energy;
            if ($band->alone === null) {
                $near[] = [$band->total, $weight];
            } else {
                $told[] = [$band->alone, $weight];
            }
        }
        $total = Figure::derived(
            'L_A',
            'A-weighted total of the bands of the source alone',
            10 * log10($most),
            LevelUnit::DecibelA,
            $near === [] ? NoiseEquation::BandTotal : NoiseEquation::BandsWithoutBackground,
            [...Row::together(['L_i', 'W_i'], $told), ...Row::together(['L_j', 'W_j'], $near)],
        );

        return $least < $most ? $total->downTo(10 * log10($least)) : $total;
    }

    /** Whether anything is known of the source: one band at least stands far enough above its background. */
    public function canBeTold(): bool
    {
        return \count($this->tooNear()) < \count($this->bands);
    }

    /** @return list<string> the bands that cannot be told, in words */
    public function tooNear(): array
    {
        return array_map(
            static fn (int|string $name): string => OctaveBand::from((string) $name)->words(),
            array_keys(array_filter($this->bands, static fn (SourceBand $band): bool => $band->alone === null)),
        );
    }

    public function title(): string
    {
        return 'The source without its background, band by band';
    }

    public function columns(): array
    {
        return ['Band', 'Measured, dB', 'Background, dB', 'Above it by, dB', 'Source alone, dB'];
    }

    public function rows(): array
    {
        return array_map(static fn (int|string $name, SourceBand $band): array => [
            Cell::text(OctaveBand::from((string) $name)->words()),
            Cell::plain($band->total),
            Cell::plain($band->background),
            Cell::plain($band->above),
            $band->alone === null ? Cell::text('cannot be told') : Cell::noted($band->alone),
        ], array_keys($this->bands), array_values($this->bands));
    }
}
