<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** The flow of a unit at all its usable checks, and how it changed from each to the next. */
final readonly class FlowHistory
{
    /**
     * @param list<HistoryPoint>   $points  flows in L/min, drift in percent
     * @param list<array{Check, Figure}> $changes check, and the change up to it
     */
    private function __construct(public array $points, private array $changes)
    {
    }

    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $all = $timeline->memory->once('flow history', static fn (): self => self::whole($timeline));

        return new self(
            array_values(array_filter($all->points, static fn (HistoryPoint $point): bool => $point->at <= $until)),
            array_values(array_filter($all->changes, static fn (array $change): bool => $change[0]->at <= $until)),
        );
    }

    private static function whole(Timeline $timeline): self
    {
        $usability = new FlowUsability();
        $points = [];
        $changes = [];
        $left = null;
        $leftAt = null;
        foreach ($timeline->checks as $check) {
            $content = $check->content;
            if (!$content instanceof FlowCheck || $content->readings->points !== [] || $usability->whyUnusable($check, $timeline) !== []) {
                $left = $check->content->wasAdjusted() ? null : $left;
                continue;
            }
            if ($leftAt !== null && self::broken($timeline, $leftAt, $check->at)) {
                $left = null;
            }
            $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline)?->mean;
            $now = $content->readings->adjusted
                ? FlowMeasurement::of($content->readings->asLeft, 'as left', $check, $content, $timeline)?->mean
                : $found;
            $change = $left !== null && $found !== null ? FlowChange::between($left, $found, 'change of flow up to '.$check->id) : null;
            if ($change !== null) {
                $changes[] = [$check, $change];
            }
            $points[] = new HistoryPoint(
                $check->at,
                $check->id,
                $found?->toFloat(),
                $now?->toFloat(),
                $change?->toFloat(),
                $content->readings->adjusted && $found !== null && $now !== null ? $now->toFloat() - $found->toFloat() : null,
            );
            $left = $now;
            $leftAt = $check->at;
        }

        return new self($points, $changes);
    }

    public function largestDrift(): ?Figure
    {
        $largest = null;
        foreach ($this->changes as $change) {
            if ($largest === null || abs($change[1]->toFloat()) > abs($largest[1]->toFloat())) {
                $largest = $change;
            }
        }

        return $largest === null
            ? null
            : Figure::read(
                'ΔQ_max',
                'the most the flow of this unit has changed',
                $largest[1]->value instanceof Exact ? $largest[1]->value : round($largest[1]->value, 9),
                Unit::Percent,
                new Origin('check', $largest[0]->id, 'between two checks'),
                2,
            );
    }

    private static function broken(Timeline $timeline, \DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        return array_filter(
            $timeline->interventions,
            static fn (Intervention $event): bool => $event->at > $from && $event->at <= $to && $event->breaks('', 'flow'),
        ) !== [];
    }
}
