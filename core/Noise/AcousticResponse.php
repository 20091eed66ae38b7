<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\KnotsAlong;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;
use Footnote\Core\Response\RecallError;

/** What acoustic checks say of a unit: its offset as found and as left, in dB, positive where it reads high. */
final readonly class AcousticResponse
{
    /**
     * N-1. Without a certificate the nominal level is taken, and says so.
     *
     * @param AcousticTone|null $further another tone than the one that the corrections were entered for
     */
    public function expected(Check $check, AcousticCheck $content, ?Reference $reference, ?AcousticTone $further = null): Figure
    {
        $tone = $further ?? $content->tone;
        $certificate = $reference?->certificateAt($check->at);
        $certified = $tone->certifiedBy($certificate);
        $level = $certificate !== null && $certified !== null
            ? Figure::read(
                'L_cert',
                'level certified at '.$tone->words(),
                $certified->certified->value,
                LevelUnit::Decibel,
                new Origin(
                    'certificate',
                    $certificate->number,
                    \sprintf('%s of %s, %s', $certificate->number, $certificate->issued->format('j M Y'), $certificate->laboratory),
                ),
                2,
            )
            : Figure::read(
                'L_cert',
                'nominal level, no certificate',
                $tone->nominal->value,
                LevelUnit::Decibel,
                new Origin('assumption', $check->id, 'the nominal level is assumed to be true'),
                2,
            );
        $inputs = [];
        $value = $certified !== null ? $certified->certified->value : $tone->nominal->value;
        $error = RecallError::of($reference, $check->at);
        if ($error !== null && $error->value instanceof Exact) {
            $inputs[] = $error;
            $value = $value->plus($error->value);
        }
        $hertz = $tone->frequency ?? ($certified === null ? null : AcousticTone::frequencyOf($certified));
        if ($content->settings->weighting !== null && $hertz !== null) {
            // Told to a ten-thousandth, far below what a meter shows, so that drifts stay exact.
            $weight = Exact::of(number_format($content->settings->weighting->at($hertz->value->toFloat()), 4, '.', ''));
            if (!$weight->isZero()) {
                $at = Figure::read(
                    'f',
                    'frequency of the tone',
                    $hertz->value,
                    CommonUnit::Hertz,
                    $tone->frequency !== null || $certificate === null
                        ? $check->origin('of the calibrator')
                        : new Origin('certificate', $certificate->number, 'of the calibrator'),
                    $hertz->decimals(),
                );
                $inputs[] = Figure::derived(
                    'W',
                    $content->settings->weighting->value.'-weighting that the meter was set to',
                    $weight,
                    LevelUnit::Decibel,
                    $content->settings->weighting === FrequencyWeighting::A ? NoiseEquation::WeightingA : NoiseEquation::WeightingC,
                    ['f' => $at],
                    2,
                );
                $value = $value->plus($weight);
            }
        }
        foreach ($further !== null ? [] : [
            ['C_mic', 'microphone and adapter', $content->corrections->microphone],
            ['C_P', 'static pressure', $content->corrections->pressure],
        ] as [$symbol, $meaning, $correction]) {
            if ($correction !== null) {
                $inputs[] = Figure::read(
                    $symbol,
                    'correction for '.$meaning,
                    $correction->value,
                    LevelUnit::Decibel,
                    $check->origin('entered at the check'),
                    2,
                );
                $value = $value->plus($correction->value);
            }
        }

        return Figure::derived(
            'L_exp',
            'level the instrument should show',
            $value,
            LevelUnit::Decibel,
            NoiseEquation::ExpectedLevel,
            ['L_cert' => $level, ...Row::of('C_i', $inputs)],
            2,
        );
    }

    /** N-2: the deviation before anything was adjusted; by the change of the stored factor where the unit adjusted itself. */
    public function asFound(Check $check, Timeline $timeline): ?OffsetKnot
    {
        $content = $check->content;
        if (!$content instanceof AcousticCheck || !$content->hasAsFound()) {
            return null;
        }
        if ($content->tone->asFound !== []) {
            return $this->knot($check, $this->deviation($check, $content, $content->tone->asFound, 'as found', $timeline), false);
        }
        \assert($content->factors->before !== null && $content->factors->after !== null);
        $before = Figure::read(
            'F_before',
            'stored factor before',
            $content->factors->before->value,
            LevelUnit::Decibel,
            $check->origin('read off the instrument'),
            2,
        );
        $after = Figure::read(
            'F_after',
            'stored factor after',
            $content->factors->after->value,
            LevelUnit::Decibel,
            $check->origin('read off the instrument'),
            2,
        );
        $left = $content->tone->asLeft !== []
            ? $this->deviation($check, $content, $content->tone->asLeft, 'as left', $timeline)
            : $this->assumed($check, $content, $timeline);
        $moved = $content->factors->before->value->minus($content->factors->after->value);
        $isSensitivity = self::factorIs($timeline->instrument) === AcousticKit::SENSITIVITY;

        return $this->knot(
            $check,
            Figure::derived(
                'ε',
                'offset as found, from the factor',
                Real::plus($left->value, $isSensitivity ? $moved->negated() : $moved),
                LevelUnit::Decibel,
                $isSensitivity ? NoiseEquation::FoundBySensitivity : NoiseEquation::FoundByFactor,
                ['ε_left' => $left, 'F_before' => $before, 'F_after' => $after],
                2,
            ),
            false,
        );
    }

    /** What the stored factor of a unit is: added to the reading, or a sensitivity, which counts the other way; null where nobody said. */
    public static function factorIs(Instrument $unit): ?string
    {
        return $unit->traits->text('factorIs');
    }

    /** Whether the offset as found hangs on what the stored factor is, and nobody said. */
    public static function hangsOnFactor(Check $check, Instrument $unit): bool
    {
        $content = $check->content;

        return $content instanceof AcousticCheck
            && $content->tone->asFound === []
            && $content->hasFactors()
            && $content->wasAdjusted()
            && self::factorIs($unit) === null;
    }

    /** Adjusted and not read again: the level that the unit was set to expect is assumed, the nominal one where nobody wrote that. */
    private function assumed(Check $check, AcousticCheck $content, Timeline $timeline): Figure
    {
        $expected = $this->expected($check, $content, $timeline->referenceOf($check));
        $set = $content->settings->entered ?? $content->tone->nominal;
        $shown = Figure::read(
            'L_set',
            $content->settings->entered === null
                ? 'nominal level, which the instrument is taken to expect'
                : 'level that the instrument was set to expect',
            $set->value,
            LevelUnit::Decibel,
            new Origin('assumption', $check->id, 'adjusted and not read again: it is taken to show what it was set to expect'),
            max(1, $set->decimals()),
        );

        return Figure::derived(
            'ε',
            'offset as left, not read',
            Real::minus($set->value, $expected->value),
            LevelUnit::Decibel,
            NoiseEquation::Deviation,
            [...Row::of('L_i', [$shown]), 'L_exp' => $expected],
            2,
        );
    }

    /** The offset it was left with: as found where nothing was adjusted, what it was set to expect where nobody read it again. */
    public function asLeft(Check $check, Timeline $timeline): ?OffsetKnot
    {
        $content = $check->content;
        if (!$content instanceof AcousticCheck) {
            return null;
        }
        if ($content->tone->asLeft !== []) {
            return $this->knot($check, $this->deviation($check, $content, $content->tone->asLeft, 'as left', $timeline), true);
        }
        if (!$content->wasAdjusted()) {
            $found = $this->asFound($check, $timeline);

            return $found === null ? null : $this->knot($check, $found->offset, true);
        }

        return new OffsetKnot($check->at, $this->assumed($check, $content, $timeline), $check->id, true, true);
    }

    /** The offset along a bracket; null where no check shows one. */
    public function line(Bracket $bracket, Timeline $timeline): ?OffsetLine
    {
        $knots = KnotsAlong::of(
            $bracket,
            fn (Check $check): ?OffsetKnot => $this->asFound($check, $timeline),
            fn (Check $check): ?OffsetKnot => $this->asLeft($check, $timeline),
        );

        return $knots === [] ? null : new OffsetLine($knots);
    }

    /**
     * N-2: every response as found less the one that its segment began with.
     *
     * @param array<string, list<OffsetKnot>> $further knots of further tones, by the words of each
     *
     * @return list<Figure>
     */
    public static function drifts(?OffsetLine $line, array $further): array
    {
        $drifts = self::along($line->knots ?? [], '');
        foreach ($further as $words => $knots) {
            array_push($drifts, ...self::along($knots, ' at '.$words));
        }

        return $drifts;
    }

    /**
     * @param list<OffsetKnot> $knots
     *
     * @return list<Figure>
     */
    private static function along(array $knots, string $of): array
    {
        $drifts = [];
        foreach (KnotsAlong::segments($knots) as [$began, $found]) {
            if ($began->offset->value instanceof Exact && $found->offset->value instanceof Exact) {
                $drifts[] = Figure::derived(
                    'd',
                    \sprintf('drift from %s to %s%s', $began->check, $found->check, $of),
                    $found->offset->value->minus($began->offset->value),
                    LevelUnit::Decibel,
                    NoiseEquation::Drift,
                    ['ε_post' => $found->offset, 'ε_pre' => $began->offset],
                    2,
                );
            }
        }

        return $drifts;
    }

    /**
     * What the further tones of both ends showed: as left before the run, as found after it.
     *
     * @return array<string, list<OffsetKnot>> knots of each further tone in order of time, by its words
     */
    public function further(Bracket $bracket, Timeline $timeline): array
    {
        $words = [];
        foreach ($bracket->checks() as $check) {
            foreach ($check->content instanceof AcousticCheck ? $check->content->further : [] as $tone) {
                $words[$tone->words()] = true;
            }
        }
        $knots = [];
        foreach (array_keys($words) as $one) {
            $knots[$one] = KnotsAlong::of(
                $bracket,
                fn (Check $check): ?OffsetKnot => $this->ofTone($check, $one, false, $timeline),
                fn (Check $check): ?OffsetKnot => $this->ofTone($check, $one, true, $timeline),
            );
        }

        return $knots;
    }

    /** What a check showed of a further tone. What was adjusted and not read again at this tone is not known at this tone. */
    private function ofTone(Check $check, string $words, bool $left, Timeline $timeline): ?OffsetKnot
    {
        $content = $check->content;
        if (!$content instanceof AcousticCheck) {
            return null;
        }
        foreach ($content->further as $tone) {
            $readings = $left && $content->wasAdjusted() ? $tone->asLeft : $tone->asFound;
            if ($tone->words() === $words && $readings !== []) {
                return $this->knot(
                    $check,
                    $this->deviation($check, $content, $readings, ($left ? 'as left at ' : 'as found at ').$words, $timeline, $tone),
                    $left,
                );
            }
        }

        return null;
    }

    /**
     * N-2 of the mean of some readings.
     *
     * @param non-empty-list<Reading> $readings
     * @param AcousticTone|null       $further  another tone than the main one
     */
    public function deviation(
        Check $check,
        AcousticCheck $content,
        array $readings,
        string $when,
        Timeline $timeline,
        ?AcousticTone $further = null,
    ): Figure {
        $expected = $this->expected($check, $content, $timeline->referenceOf($check), $further);
        \assert($expected->value instanceof Exact);
        $inputs = [];
        foreach ($readings as $reading) {
            $inputs[] = Figure::read(
                'L_ind',
                'reading '.$when,
                $reading->value->value,
                LevelUnit::Decibel,
                $check->origin($reading->provenance->words()),
                max(1, $reading->value->decimals()),
            );
        }
        $mean = Exact::mean(array_map(static fn (Reading $reading): Exact => $reading->value->value, $readings));

        return Figure::derived(
            'ε',
            'offset '.$when,
            $mean->minus($expected->value),
            LevelUnit::Decibel,
            NoiseEquation::Deviation,
            [...Row::of('L_i', $inputs), 'L_exp' => $expected],
            2,
        );
    }

    private function knot(Check $check, Figure $offset, bool $asLeft): OffsetKnot
    {
        return new OffsetKnot($check->at, $offset, $check->id, $asLeft);
    }
}
