<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\BandStatistic;
use Footnote\Core\Noise\FrequencyWeighting;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseResults;
use Footnote\Core\Noise\NoiseWorkings;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Noise\SolvableResult;
use Footnote\Core\Noise\Sound;

/** Works out a measurement of a sound level meter: level, bands, a source without its background, a room against permissible levels. */
final readonly class MeterWorkings
{
    private NoiseWorkings $noise;

    public function __construct(
        private Run $run,
        private Bracket $bracket,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $this->noise = new NoiseWorkings(
            $run,
            $this->bracket,
            $this->timeline,
            $policy,
            $yardsticks,
            false,
            MeterRun::record($run)?->delay() ?? 0.0,
        );
    }

    public function results(): FamilyResults
    {
        $levels = $this->noise->results();
        $heard = Sound::heard($this->run);
        $meter = MeterRun::record($this->run);
        if ($heard === null || $meter === null || $this->run->timing->stop === null) {
            return $levels;
        }
        $spectrum = Spectrum::of(
            $heard->log,
            $heard->logName,
            $meter,
            $this->run,
            $this->noise->window,
            $levels->worked()->leftOut,
            $this->noise->answers,
        );
        [$room, $bands] = $this->bands($spectrum, $meter);
        [$source, $above, $alone] = $this->source($levels, $spectrum, $meter);
        $results = [...$source, ...$bands, ...$this->totals($spectrum, $meter)];

        return new MeterResults($levels, new MeterFindings($meter, $spectrum, $results, $above, $alone, $room));
    }

    /** @return array{?BandComparison, list<Result>} */
    private function bands(Spectrum $spectrum, MeterRecord $meter): array
    {
        $permissible = $meter->measures === Measures::Room ? $meter->permissible : null;
        $results = [];
        $compared = [];
        $measured = [];
        foreach (OctaveBand::cases() as $band) {
            $level = $spectrum->level($band);
            $allowed = $permissible?->of($band);
            $key = $meter->measures->keyOf($band);
            $result = null;
            if ($level !== null) {
                $worked = $this->ofBand($key, $band->words().' band', $level, $spectrum->between[$band->value] ?? null, $meter);
                $result = $this->noise->answers->judged(
                    $worked,
                    $permissible === null || $allowed === null ? $this->yardsticks->limits : [$permissible->limit($band, $key, $allowed)],
                );
                $results[] = $result;
            }
            if ($permissible === null || $allowed === null) {
                continue;
            }
            $limit = Figure::read(
                'L_perm,'.$band->value,
                'permissible level of the '.$band->words().' band',
                $allowed->value,
                LevelUnit::Decibel,
                new Origin('library', $permissible->code, $permissible->source()),
                max(1, $allowed->decimals()),
            );
            $compared[] = ComparedBand::of($band, $limit, $result);
            if ($result !== null) {
                $measured[] = new BandMargin($band, $limit, $result);
            }
        }
        if ($permissible === null || $compared === []) {
            return [null, $results];
        }
        $comparison = new BandComparison($permissible, $compared);

        return [$comparison, $measured === [] ? $results : [$this->worst($comparison, $measured), ...$results]];
    }

    /**
     * By every answer the band that is worst by it: another one may be worst along the bracket than as indicated.
     *
     * @param non-empty-list<BandMargin> $bands that were measured
     */
    private function worst(BandComparison $room, array $bands): Result
    {
        $over = static fn (\Closure $of): ?Figure => BandMargin::worst($bands, $of);
        $answers = new FourAnswers(
            $over(static fn (Result $one): ?Figure => $one->answers->indicated),
            $over(static fn (Result $one): ?Figure => $one->answers->pre),
            $over(static fn (Result $one): ?Figure => $one->answers->post),
            $over(static fn (Result $one): ?Figure => $one->answers->between),
            array_values(
                array_filter(
                    array_map(
                        static fn (int $place): ?Figure => $over(
                            static fn (Result $one): ?Figure => $one->answers->byChecks[$place] ?? null,
                        ),
                        array_keys($bands[0]->result->answers->byChecks),
                    ),
                ),
            ),
        );
        $nearest = BandMargin::worstBand($bands);
        $missing = $room->missing() === []
            ? null
            : 'not measured: '.implode(', ', array_map(static fn (OctaveBand $band): string => $band->words(), $room->missing()));
        $worked = $this->noise->answers
            ->made(BandComparison::KEY, 'Worst band against '.$room->permissible->name(), $answers)
            ->ofMoments($missing);
        $failing = array_map(
            static fn (ComparedBand $one): string => \sprintf('%s by %s dB', $one->band->words(), $one->over?->shown() ?? ''),
            $room->failing(),
        );

        return $this->noise->answers
            ->judged($worked, [$room->permissible->everyBand(BandComparison::KEY)])
            ->brokenDown($room)
            ->noting($failing === []
                ? \sprintf('Every band that was measured keeps its level; nearest is %s.', $nearest->words())
                : 'The room fails at '.implode(', ', $failing).'.');
    }

    /** A level of a band, or of bands: an average accrues evenly; the moment of a maximum is known from its log alone. */
    private function ofBand(string $key, string $title, Figure $level, ?Figure $between, MeterRecord $meter): SolvableResult
    {
        return $meter->statistic() === BandStatistic::Average || $between !== null
            ? $this->noise->answers->level($key, $title, $level, $between ?? $this->evenly($level, $meter))
            : $this->noise->answers->ofUnknownMoment($key, $title, $level);
    }

    /** Of an average the offset is taken out as it moved; of a maximum its moment is not known. */
    private function evenly(Figure $level, MeterRecord $meter): ?Figure
    {
        return $meter->statistic() === BandStatistic::Average ? $this->noise->answers->evenly($level) : null;
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
            $result = $this->noise->answers->judged(
                $this->ofBand($key, $weighting->value.'-weighted total of the bands', $total, null, $meter),
                $this->yardsticks->limits,
            );
            $notes = [];
            if ($meter->statistic() === BandStatistic::Maximum) {
                $notes[] = 'Made of the maximum of each band. They need not have come at one moment, so the true maximum is not higher.';
            }
            if ($spectrum->missing() !== []) {
                $notes[] = 'Not in it, since not measured: '.implode(
                    ', ',
                    array_map(static fn (OctaveBand $band): string => $band->words(), $spectrum->missing()),
                ).'.';
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
        $near = $this->policy->limit('noise.background', 'near');
        $far = $this->policy->limit('noise.background', 'far');
        $results = [];
        $above = null;
        $background = $meter->written->decimal('background');
        foreach ($levels->worked()->results as $result) {
            if ($result->key === 'laeq' && $result->answers->indicated !== null && $background !== null) {
                $quiet = Figure::read(
                    'L_bg',
                    'background, the source switched off',
                    $background->value,
                    LevelUnit::DecibelA,
                    new Origin('run', $this->run->id, 'written with the run'),
                    max(1, $background->decimals()),
                );
                $source = SourceBand::of($result->answers->indicated, $quiet, 'level of the source alone', $near, $far);
                $above = $source->above;
                if ($source->alone !== null) {
                    $results[] = $this->judged('source', 'Source without its background', $source->alone)->noting(
                        Sentence::of(\sprintf(
                            'The level stands %s dB above its background%s.',
                            $above->shown(),
                            $source->taken ? ', which is taken out' : ': nothing is taken out',
                        ), $above),
                    );
                }
            }
        }
        $bands = SourceSpectrum::of($spectrum, $meter, $this->run, $near, $far);
        if ($bands?->canBeTold() === true) {
            $result = $this->judged(
                'source-bands',
                'Source without its background, A-weighted total of the bands',
                $bands->total(),
            )->brokenDown($bands);
            $results[] = $bands->tooNear() === []
                ? $result
                : $result->noting(
                    \sprintf(
                        'Too near the background to be told: %s. The total runs from leaving it out to counting all that was '
                            .'measured there.',
                        implode(', ', $bands->tooNear()),
                    ),
                );
        }

        return [$results, $above, $bands];
    }

    private function judged(string $key, string $title, Figure $level): Result
    {
        return $this->noise->answers->judged(
            $this->noise->answers->level($key, $title, $level, $this->noise->answers->evenly($level)),
            $this->yardsticks->limits,
        );
    }
}
