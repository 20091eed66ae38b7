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
use Footnote\Core\Quantity\Real;
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
        $check = $largest === null ? null : $this->timeline->check($largest->check);
        $since = $largest === null ? null : $this->timeline->check($largest->since);
        $response = new AcousticResponse();
        $found = $check === null ? null : $response->asFound($check, $this->timeline)?->offset;
        $left = $since === null ? null : $response->asLeft($since, $this->timeline)?->offset;

        return $check === null || $since === null || $found === null || $left === null
            ? null
            : Figure::derived(
                'd_max',
                'the most this instrument has drifted, from '.$since->id.' to '.$check->id.' on '.$check->at->format('j M Y'),
                Real::minus($found->value, $left->value),
                LevelUnit::Decibel,
                NoiseEquation::Drift,
                ['ε_post' => $found, 'ε_pre' => $left],
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
        $last = $this->adjustment($all);
        if ($last === null) {
            return null;
        }
        $before = $count === 1
            ? Figure::read(
                'S',
                'no adjustment before',
                Exact::zero(),
                LevelUnit::Decibel,
                new Origin('check', $all->check, 'the first one'),
                2,
            )
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
            Real::plus($before->value, $last->value),
            LevelUnit::Decibel,
            NoiseEquation::Adjustment,
            ['S_before' => $before, 'Δ' => $last],
            2,
        );
    }

    /** What the last of some adjustments moved. */
    private function adjustment(AdjustmentSum $all): ?Figure
    {
        $check = $this->timeline->check($all->check);
        $response = new AcousticResponse();
        $found = $check === null ? null : $response->asFound($check, $this->timeline)?->offset;
        $left = $check === null ? null : $response->asLeft($check, $this->timeline)?->offset;

        return $check === null || $found === null || $left === null
            ? null
            : Figure::derived(
                'Δ',
                'adjustment at '.$check->id.' on '.$check->at->format('j M Y'),
                Real::minus($left->value, $found->value),
                LevelUnit::Decibel,
                NoiseEquation::AdjustmentAtCheck,
                ['ε_left' => $left, 'ε_found' => $found],
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
