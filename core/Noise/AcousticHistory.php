<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\UnitTrend;

/** What a unit's checks over months say: the most it ever drifted, and what adjusting has added up to. */
final readonly class AcousticHistory
{
    private function __construct(private CheckHistory $checks)
    {
    }

    /** Every usable check up to a moment, in order; drift is against the state the check before was left in. */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $response = new AcousticResponse();
        $all = $timeline->memory->once('acoustic history', static fn (): CheckHistory => CheckHistory::of(
            $timeline,
            new AcousticUsability(),
            'offset',
            static fn (Check $check): bool => $check->content instanceof AcousticCheck,
            static fn (Check $check): array => [
                $response->asFound($check, $timeline)?->offset->toFloat(),
                $response->asLeft($check, $timeline)?->offset->toFloat(),
            ],
            static fn (?float $left, ?float $found): float => ($found ?? 0.0) - ($left ?? 0.0),
            static fn (?float $offset): ?float => $offset,
        ));

        return new self($all->until($until));
    }

    /** @return list<HistoryPoint> in dB */
    public function points(): array
    {
        return $this->checks->points;
    }

    public function largestDrift(): ?Figure
    {
        $largest = $this->checks->furthest();

        return $largest?->drift === null
            ? null
            : Figure::read(
                'd_max',
                'the most this unit has drifted',
                round($largest->drift, 9),
                LevelUnit::Decibel,
                new Origin('check', $largest->check, 'found on '.$largest->at->format('j M Y')),
                2,
            );
    }

    /** S-4: adjustments added up with their signs since the last laboratory certificate. */
    public function adjustmentSince(?\DateTimeImmutable $certified): ?Figure
    {
        $sum = 0.0;
        $inputs = [];
        foreach ($this->checks->points as $point) {
            if ($point->adjustment !== null && ($certified === null || $point->at >= $certified)) {
                $sum += $point->adjustment;
                $inputs[] = Figure::read(
                    'Δ',
                    'adjustment at '.$point->check,
                    round($point->adjustment, 9),
                    LevelUnit::Decibel,
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
                LevelUnit::Decibel,
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
                LevelUnit::Decibel,
                $points,
                $began === null || $before === null ? null : $before->minus($began)->toFloat(),
                $certified,
            );
    }
}
