<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogEquation;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\BandStatistic;
use Footnote\Core\Noise\FrequencyWeighting;
use Footnote\Core\Noise\LevelHistogram;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\MovingSums;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Noise\OffsetAnswers;
use Footnote\Core\Noise\OffsetRemoval;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;

/** The octave-band levels of one measurement as indicated, unweighted, lowest band first. */
final readonly class Spectrum
{
    /**
     * @param array<array-key, Figure> $levels   dB by band
     * @param array<array-key, Figure> $between  dB by band with the moving offset taken out, where its moments are known
     * @param Figure|null           $gaps     of the measurement, %, of the band that lacks most; null where there is no log of bands
     */
    private function __construct(public array $levels, public array $between, public ?Figure $gaps)
    {
    }

    /**
     * From the log where it has bands, else off the display.
     *
     * @param list<Span> $leftOut what does not count
     */
    public static function of(
        ?SeriesLog $log,
        string $logName,
        MeterRecord $meter,
        Run $run,
        Span $window,
        array $leftOut,
        OffsetAnswers $answers,
    ): self {
        $line = $answers->evidence->line;
        $columns = [];
        foreach ($log?->columns() ?? [] as $place => $column) {
            if ($column->kind === BandColumn::Band) {
                $columns[$column->channel] = $place;
            }
        }
        if ($log === null || $columns === []) {
            $levels = [];
            foreach ($meter->bands() as $band => $level) {
                $levels[$band] = Figure::read(
                    'L_'.$band,
                    'level of the '.OctaveBand::from((string) $band)->words().' band',
                    $level->value,
                    LevelUnit::Decibel,
                    new Origin('run', $run->id, 'off the display, '.$meter->statistic()->value),
                    max(1, $level->decimals()),
                );
            }

            return self::flat($levels, [], null, $meter);
        }
        $clock = new LogClock($log, $run);
        $ranges = LogRanges::less($clock->within($window), array_map($clock->touching(...), $leftOut));
        $levels = [];
        $between = [];
        $gaps = null;
        foreach (OctaveBand::cases() as $band) {
            $place = $columns[$band->value] ?? null;
            $histogram = $place === null ? null : LevelHistogram::of($log, $place, $ranges);
            $top = $histogram?->highest();
            if ($place === null || $histogram === null || $top === null) {
                continue;
            }
            $source = new LoggedColumn($log, $place, $logName, $ranges, $histogram->samples, $run);
            $lines = $source->lines;
            $missing = $source->missing($window, $leftOut);
            $gaps = $gaps === null || Real::compare($missing->value, $gaps->value) > 0 ? $missing : $gaps;
            if ($meter->statistic() === BandStatistic::Maximum) {
                $level = Figure::derived(
                    'L_'.$band->value,
                    'highest level of the '.$band->words().' band',
                    Exact::of($top)->dividedBy(1000),
                    LevelUnit::Decibel,
                    LogEquation::Highest,
                    ['r_i' => $lines],
                );
                $levels[$band->value] = $level;
                if ($line !== null && !$line->isConstant()) {
                    $between[$band->value] = $answers->along(
                        OffsetRemoval::ofLevel($level),
                        MovingSums::highest($log, $place, $top, $ranges, $clock, $line),
                        NoiseEquation::HighestAlongBracket,
                        ['L_i' => $lines, ...$answers->line('j')],
                    );
                }
            } else {
                $levels[$band->value] = Figure::derived(
                    'L_'.$band->value,
                    'equivalent level of the '.$band->words().' band',
                    $histogram->equivalentLevel(),
                    LevelUnit::Decibel,
                    NoiseEquation::EquivalentLevel,
                    ['L_i' => $lines],
                );
            }
        }

        return self::flat($levels, $between, $gaps, $meter);
    }

    /** @return list<OctaveBand> of the usual bands those that were not measured; none where nothing was */
    public function missing(): array
    {
        return $this->levels === []
            ? []
            : array_values(
                array_filter(
                    OctaveBand::cases(),
                    fn (OctaveBand $band): bool => \in_array($band, OctaveBand::USUAL, true) && $this->level($band) === null,
                ),
            );
    }

    public function level(OctaveBand $band): ?Figure
    {
        return $this->levels[$band->value] ?? null;
    }

    /** N-12: all bands added up under a weighting, dB; null with fewer than three bands. */
    public function total(FrequencyWeighting $weighting): ?Figure
    {
        if (\count($this->levels) < 3) {
            return null;
        }
        $energy = 0.0;
        $members = [];
        foreach ($this->levels as $band => $level) {
            $weight = self::weight($weighting, OctaveBand::from((string) $band));
            $energy += 10 ** (($level->toFloat() + $weight->toFloat()) / 10);
            $members[] = [$level, $weight];
        }

        return Figure::derived(
            'L_'.$weighting->value,
            $weighting->value.'-weighted total of the bands',
            10 * log10($energy),
            $weighting === FrequencyWeighting::A ? LevelUnit::DecibelA : LevelUnit::DecibelC,
            NoiseEquation::BandTotal,
            Row::together(['L_i', 'W_i'], $members),
        );
    }

    /**
     * Bands that were measured with a weighting are set flat again.
     *
     * @param array<array-key, Figure> $levels
     * @param array<array-key, Figure> $between
     */
    private static function flat(array $levels, array $between, ?Figure $gaps, MeterRecord $meter): self
    {
        $weighting = $meter->weighting();
        if ($weighting === FrequencyWeighting::Z) {
            return new self($levels, $between, $gaps);
        }
        foreach ($levels as $band => $level) {
            $levels[$band] = self::unweighted($level, OctaveBand::from((string) $band), $weighting);
            if (isset($between[$band])) {
                $between[$band] = self::unweighted($between[$band], OctaveBand::from((string) $band), $weighting);
            }
        }

        return new self($levels, $between, $gaps);
    }

    /** What was measured with a weighting, without it: a background is measured as its level is. */
    public static function unweighted(Figure $level, OctaveBand $band, FrequencyWeighting $weighting): Figure
    {
        if ($weighting === FrequencyWeighting::Z) {
            return $level;
        }
        $given = self::weight($weighting, $band);

        return Figure::derived(
            $level->symbol,
            $level->meaning.', its weighting taken off',
            Real::minus($level->value, $given->value),
            LevelUnit::Decibel,
            NoiseEquation::BandUnweighted,
            ['L_W' => $level, 'W' => $given],
            $level->decimals,
        );
    }

    /** The weight of a band as tabulated. */
    public static function weight(FrequencyWeighting $weighting, OctaveBand $band): Figure
    {
        return Figure::read(
            $weighting->value.'_'.$band->value,
            $weighting->value.'-weight of the '.$band->words().' band',
            $weighting->ofBand($band),
            LevelUnit::Decibel,
            new Origin('table', 'IEC 61672-1', 'IEC 61672-1:2013 Table 3, published'),
        );
    }
}
