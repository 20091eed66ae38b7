<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Noise\NoiseRecord;
use Footnote\Core\Noise\NoiseResults;
use Footnote\Core\Noise\NoiseWorkings;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** Works out a measurement of a sound level meter: its level, its bands, a source without its background, a room against permissible levels. */
final readonly class MeterWorkings
{
    /** The result that says by how much the worst band of a room lies above its permissible level. */
    public const ROOM = 'room';

    private NoiseWorkings $noise;

    public function __construct(private Run $run, private Bracket $bracket, private Timeline $timeline, private Policy $policy, private Yardsticks $yardsticks)
    {
        $this->noise = new NoiseWorkings($run, $this->bracket, $this->timeline, $policy, $yardsticks, false, MeterRecord::of($run)?->delay() ?? 0.0);
    }

    public function results(): NoiseResults
    {
        $levels = $this->noise->results();
        $content = $this->run->content;
        if (!$content instanceof NoiseRecord || $content->meter === null || $this->run->stop === null) {
            return $levels;
        }
        $meter = $content->meter;
        $spectrum = Spectrum::of($content->log, $content->logName, $meter, $this->run, $this->noise->window, $levels->leftOut, $this->noise->answers->line);
        [$room, $bands] = $this->bands($spectrum, $meter);
        [$source, $above, $alone] = $this->source($levels, $spectrum, $meter);
        $results = [...$source, ...$bands, ...$this->totals($spectrum, $meter)];

        return $levels->withMeter(new MeterFindings($meter, $spectrum, $results, $above, $alone, $room));
    }

    /** @return array{?BandComparison, list<Result>} */
    private function bands(Spectrum $spectrum, MeterRecord $meter): array
    {
        $permissible = $meter->measures === Measures::Room ? $meter->permissible : null;
        [$results, $compared, $worst] = [[], [], null];
        foreach (OctaveBand::cases() as $band) {
            $level = $spectrum->level($band);
            $between = $spectrum->between[$band->value] ?? null;
            $allowed = $permissible?->of($band);
            $key = $meter->measures->keyOf($band);
            $result = null;
            if ($level !== null) {
                $worked = $this->noise->answers->level($key, $band->words().' band', $level, $between ?? $this->evenly($level, $meter));
                $result = $this->noise->answers->judged($worked, $permissible === null || $allowed === null ? $this->yardsticks->limits : [$permissible->limit($band, $key, $allowed)]);
                $results[] = $result;
            }
            if ($permissible === null || $allowed === null) {
                continue;
            }
            $limit = Figure::read('L_perm,'.$band->value, 'permissible level of the '.$band->words().' band', $allowed->value, Unit::Decibel, new Origin('library', $permissible->code, $permissible->source()), max(1, $allowed->decimals()));
            $compared[] = ComparedBand::of($band, $limit, $result);
            if ($level !== null) {
                $margin = Figure::derived('ΔL_max', 'worst band, '.$band->words().', above its permissible level by', Real::minus($level->value, $allowed->value), Unit::Decibel, NoiseEquation::RoomMargin, [$level, $limit]);
                if ($worst === null || Real::compare($margin->value, $worst[1]->value) > 0) {
                    $worst = [$band, $margin, $between === null ? null : $between - $allowed->value->toFloat()];
                }
            }
        }
        if ($permissible === null || $compared === []) {
            return [null, $results];
        }
        $comparison = new BandComparison($permissible, $compared);

        return [$comparison, $worst === null ? $results : [$this->worst($comparison, ...$worst), ...$results]];
    }

    /** @param float|null $between the margin with the moving offset taken out, where its moment is known */
    private function worst(BandComparison $room, OctaveBand $band, Figure $margin, ?float $between): Result
    {
        $worked = $this->noise->answers->level(self::ROOM, 'Worst band against '.$room->permissible->name(), $margin, $between);

        return $this->noise->answers->judged($worked, [$room->permissible->everyBand(self::ROOM)])->brokenDown($room)->noting($room->failing() === []
            ? \sprintf('Every band that was measured keeps its level; nearest is %s.', $band->words())
            : 'The room fails at '.implode(', ', array_map(static fn (ComparedBand $one): string => \sprintf('%s by %s dB', $one->band->words(), $one->over?->shown() ?? ''), $room->failing())).'.');
    }

    /** Of an average the offset is taken out as it moved; of a maximum its moment is not known. */
    private function evenly(Figure $level, MeterRecord $meter): ?float
    {
        return $meter->statistic() === BandStatistic::Average ? $this->noise->answers->betweenLevel($level->toFloat()) : null;
    }

    /** @return list<Result> */
    private function totals(Spectrum $spectrum, MeterRecord $meter): array
    {
        $results = [];
        foreach ([[FrequencyWeighting::A, 'la-bands'], [FrequencyWeighting::C, 'lc-bands']] as [$weighting, $key]) {
            $total = $spectrum->total($weighting);
            if ($total === null) {
                continue;
            }
            $result = $this->noise->answers->judged($this->noise->answers->level($key, $weighting->value.'-weighted total of the bands', $total, $this->evenly($total, $meter)), $this->yardsticks->limits);
            $notes = [];
            if ($meter->statistic() === BandStatistic::Maximum) {
                $notes[] = 'Made of the maximum of each band. They need not have come at one moment, so the true maximum is not higher.';
            }
            if ($spectrum->missing() !== []) {
                $notes[] = 'Not in it, since not measured: '.implode(', ', array_map(static fn (OctaveBand $band): string => $band->words(), $spectrum->missing())).'.';
            }
            $results[] = $result->noting(...$notes);
        }

        return $results;
    }

    /**
     * The source alone, without the background it was measured in.
     *
     * @return array{list<Result>, ?Figure, ?SourceSpectrum} the results, by how much the level stands above its background, and the bands
     */
    private function source(NoiseResults $levels, Spectrum $spectrum, MeterRecord $meter): array
    {
        [$near, $far] = [$this->policy->limit('noise.background', 'near'), $this->policy->limit('noise.background', 'far')];
        [$results, $above] = [[], null];
        $background = $meter->written->decimal('background');
        foreach ($levels->results() as $result) {
            if ($result->key === 'laeq' && $result->indicated !== null && $background !== null) {
                $quiet = Figure::read('L_bg', 'background, the source switched off', $background->value, Unit::DecibelA, new Origin('run', $this->run->id, 'written with the run'), max(1, $background->decimals()));
                $source = SourceBand::of($result->indicated, $quiet, 'level of the source alone', $near, $far);
                $above = $source->above;
                if ($source->alone !== null) {
                    $results[] = $this->judged('source', 'Source without its background', $source->alone)->noting(\sprintf('The level stands %s dB above its background%s.', $above->shown(), $source->taken ? ', which is taken out' : ': nothing is taken out'));
                }
            }
        }
        $bands = SourceSpectrum::of($spectrum, $meter, $this->run, $near, $far);
        if ($bands?->canBeTold() === true) {
            $result = $this->judged('source-bands', 'Source without its background, A-weighted total of the bands', $bands->total())->brokenDown($bands);
            $results[] = $bands->tooNear() === [] ? $result : $result->noting(\sprintf('Too near the background to be told: %s. The total runs from leaving it out to counting all that was measured there.', implode(', ', $bands->tooNear())));
        }

        return [$results, $above, $bands];
    }

    private function judged(string $key, string $title, Figure $level): Result
    {
        return $this->noise->answers->judged($this->noise->answers->level($key, $title, $level, $this->noise->answers->betweenLevel($level->toFloat())), $this->yardsticks->limits);
    }
}
