<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\MetReference;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** The levels at which the tones of every calibrator that a unit has met would stand in its log. */
final class ToneLevels
{
    /** @return list<ToneLevel> of all that a unit met */
    public static function of(Tally $tally, ?OffsetLine $line): array
    {
        $offsets = array_map(static fn (OffsetKnot $knot): float => $knot->offset->toFloat(), $line->knots ?? []);
        [$low, $high] = $offsets === [] ? [0.0, 0.0] : [min($offsets), max($offsets)];
        $levels = [];
        foreach ($tally->met as $words => $met) {
            $levels[] = new ToneLevel(
                (int) round(1000 * ($met->value + $low)),
                (int) round(1000 * ($met->value + $high)),
                (string) $words,
                $met->reference,
            );
        }

        return $levels;
    }

    /** @return array<string, MetReference> the tones that stood at a check, by their words, at the A-weighted level expected, dB */
    public static function at(Check $check, AcousticCheck $content, ?Reference $reference): array
    {
        $met = [];
        foreach (self::tones($check, $content, $reference) as [$words, $expected]) {
            $met[$words] ??= new MetReference($check->reference ?? '', $expected);
        }

        return $met;
    }

    /**
     * Every tone on the certificate of the calibrator; without one the tones that were read.
     *
     * @return list<array{string, float}> words, and the A-weighted level that it would show, dB
     */
    private static function tones(Check $check, AcousticCheck $content, ?Reference $reference): array
    {
        $corrections = ($content->corrections->microphone?->value->toFloat() ?? 0.0)
            + ($content->corrections->pressure?->value->toFloat() ?? 0.0);
        $certificate = $reference?->certificateAt($check->at);
        $weighted = static fn (float $level, ?float $hertz): float => $level + $corrections
            + ($hertz === null || $hertz === 1000.0 ? 0.0 : FrequencyWeighting::A->at($hertz));
        $tones = [];
        foreach ($certificate->values ?? [] as $value) {
            $frequency = AcousticTone::frequencyOf($value);
            $hertz = $frequency?->value->toFloat();
            $tones[] = [
                \sprintf(
                    '%s dB%s of %s',
                    $value->nominal->written,
                    $frequency === null ? '' : \sprintf(', %s Hz', $frequency->written),
                    $reference->id ?? '',
                ),
                $weighted($value->certified->value->toFloat(), $hertz),
            ];
        }
        foreach ($tones === [] ? $content->tones() : [] as $tone) {
            $tones[] = [
                $tone->words().($reference === null ? '' : ' of '.$reference->id),
                $weighted($tone->nominal->value->toFloat(), $tone->frequency?->value->toFloat()),
            ];
        }

        return $tones;
    }
}
