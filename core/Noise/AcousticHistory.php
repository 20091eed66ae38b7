<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\UnitTrend;
use Footnote\Core\Quantity\Unit;

/** What a unit's checks over months say: the most it ever drifted, and what adjusting has added up to. */
final readonly class AcousticHistory
{
    /** @param list<HistoryPoint> $points in dB */
    private function __construct(public array $points)
    {
    }

    /** Every usable check up to a moment, in order; drift is against the state the check before was left in. */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $all = $timeline->memory->once('acoustic history', static fn (): self => self::whole($timeline));

        return new self(array_values(array_filter($all->points, static fn (HistoryPoint $point): bool => $point->at <= $until)));
    }

    private static function whole(Timeline $timeline): self
    {
        $usability = new AcousticUsability();
        $response = new AcousticResponse();
        $points = [];
        $left = null;
        $leftAt = null;
        foreach ($timeline->checks as $check) {
            if (!$check->content instanceof AcousticCheck || $usability->whyUnusable($check, $timeline) !== []) {
                if ($check->content->wasAdjusted()) {
                    $left = null;
                }
                continue;
            }
            if ($leftAt !== null && self::broken($timeline, $leftAt, $check->at)) {
                $left = null;
            }
            $found = $response->asFound($check, $timeline)?->offset->toFloat();
            $now = $response->asLeft($check, $timeline)?->offset->toFloat();
            $points[] = new HistoryPoint(
                $check->at,
                $check->id,
                $found,
                $now,
                $found !== null && $left !== null ? $found - $left : null,
                $check->content->wasAdjusted() && $found !== null && $now !== null ? $now - $found : null,
            );
            $left = $now;
            $leftAt = $check->at;
        }

        return new self($points);
    }

    public function largestDrift(): ?Figure
    {
        $largest = null;
        foreach ($this->points as $point) {
            if ($point->drift !== null && ($largest === null || abs($point->drift) > abs($largest->drift ?? 0.0))) {
                $largest = $point;
            }
        }

        return $largest?->drift === null
            ? null
            : Figure::read(
                'd_max',
                'the most this unit has drifted',
                round($largest->drift, 9),
                Unit::Decibel,
                new Origin('check', $largest->check, 'found on '.$largest->at->format('j M Y')),
                2,
            );
    }

    /** S-4: adjustments added up with their signs since the last laboratory certificate. */
    public function adjustmentSince(?\DateTimeImmutable $certified): ?Figure
    {
        $sum = 0.0;
        $inputs = [];
        foreach ($this->points as $point) {
            if ($point->adjustment !== null && ($certified === null || $point->at >= $certified)) {
                $sum += $point->adjustment;
                $inputs[] = Figure::read(
                    'Δ',
                    'adjustment at '.$point->check,
                    round($point->adjustment, 9),
                    Unit::Decibel,
                    new Origin('check', $point->check, $point->at->format('j M Y')),
                    2,
                );
            }
        }

        return $inputs === []
            ? null
            : Figure::derived(
                'ΣΔ',
                'adjustment since the last laboratory certificate',
                round($sum, 9),
                Unit::Decibel,
                NoiseEquation::Adjustment,
                $inputs,
                2,
            );
    }

    /** The stored factor through time: a slow walk means an ageing microphone, a jump means damage. Null where no check tells it. */
    public static function factor(Timeline $timeline, \DateTimeImmutable $until): ?UnitTrend
    {
        $points = [];
        $before = null;
        $certified = $timeline->instrument->certifiedSince($until);
        $began = null;
        foreach ($timeline->checks as $check) {
            $content = $check->content;
            if ($check->at > $until
                || !$content instanceof AcousticCheck
                || $content->factors->before === null
                || $content->factors->after === null) {
                continue;
            }
            $found = $content->factors->before->value;
            $left = $content->factors->after->value;
            $points[] = new HistoryPoint(
                $check->at,
                $check->id,
                $found->toFloat(),
                $left->toFloat(),
                $before === null ? null : $found->minus($before)->toFloat(),
                $left->compareTo($found) === 0 ? null : $left->minus($found)->toFloat(),
            );
            $before = $left;
            if ($began === null && ($certified === null || $check->at >= $certified)) {
                $began = $found;
            }
        }

        return $points === []
            ? null
            : new UnitTrend(
                'Stored factor',
                Unit::Decibel,
                $points,
                $began === null || $before === null ? null : $before->minus($began)->toFloat(),
                $certified,
            );
    }

    private static function broken(Timeline $timeline, \DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        return array_filter(
            $timeline->interventions,
            static fn (Intervention $event): bool => $event->at > $from && $event->at <= $to && $event->kind->breaks('offset'),
        ) !== [];
    }
}
