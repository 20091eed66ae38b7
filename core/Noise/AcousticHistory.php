<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\AdjustmentSum;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\UnitTrend;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;

/** What a unit's checks over months say: the most it ever drifted, and what adjusting has added up to. */
final readonly class AcousticHistory
{
    private function __construct(private Timeline $timeline, private Tally $tally)
    {
    }

    /** Of every usable check up to a moment; drift is against the state the check before was left in. */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        return new self($timeline, Tallying::upTo($until, new AcousticFold(), $timeline));
    }

    public function largestDrift(): ?Figure
    {
        $largest = $this->tally->largest;

        return $largest === null
            ? null
            : Figure::read(
                'd_max',
                'the most this unit has drifted',
                round($largest->size, 9),
                LevelUnit::Decibel,
                new Origin('check', $largest->check, 'found on '.$this->day($largest->check)),
                2,
            );
    }

    /**
     * S-4: adjustments added up with their signs since the last laboratory certificate, as the sum before the last of them and
     * that one.
     */
    public function adjustmentSince(?\DateTimeImmutable $certified): ?Figure
    {
        $all = $this->tally->adjustments;
        $then = $certified === null
            ? new AdjustmentSum()
            : Tallying::upTo(Span::shift($certified, -1e-6), new AcousticFold(), $this->timeline)->adjustments;
        $count = $all->count - $then->count;
        if ($count <= 0) {
            return null;
        }
        $last = Figure::read(
            'Δ',
            'adjustment at '.$all->check,
            round($all->last, 9),
            LevelUnit::Decibel,
            new Origin('check', $all->check, $this->day($all->check)),
            2,
        );
        $before = $count === 1
            ? Figure::read('S', 'no adjustment before', Exact::zero(), LevelUnit::Decibel, new Origin('check', $all->check, 'the first one'), 2)
            : Figure::read(
                'S',
                $count === 2 ? 'the adjustment before' : \sprintf('the %d adjustments before', $count - 1),
                round($all->sum - $all->last - $then->sum, 9),
                LevelUnit::Decibel,
                new Origin('check', $all->before, 'added up to it'),
                2,
            );

        return Figure::derived(
            'S',
            'adjustment since the last laboratory certificate',
            round($all->sum - $then->sum, 9),
            LevelUnit::Decibel,
            NoiseEquation::Adjustment,
            ['S_before' => $before, 'Δ' => $last],
            2,
        );
    }

    private function day(string $check): string
    {
        return $this->timeline->check($check)?->at->format('j M Y') ?? '';
    }

    /** The stored factor through time: a slow walk means an ageing microphone, a jump means damage. Null where no check tells it. */
    public static function factor(Timeline $timeline, \DateTimeImmutable $until): ?UnitTrend
    {
        $points = [];
        $before = null;
        $certified = $timeline->instrument->certifiedSince($until);
        $began = null;
        foreach ($timeline->checks() as $check) {
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
