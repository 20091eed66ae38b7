<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;

/** The flow of a unit at all its usable checks, and how it changed from each to the next. */
final readonly class FlowHistory
{
    /** @param list<array{Check, Figure}> $changes check, and the change up to it */
    private function __construct(private CheckHistory $checks, private array $changes)
    {
    }

    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        [$checks, $changes] = $timeline->memory->once('flow history', static fn (): array => self::whole($timeline));

        return new self(
            $checks->until($until),
            array_values(array_filter($changes, static fn (array $change): bool => $change[0]->at <= $until)),
        );
    }

    /** @return list<HistoryPoint> flows in L/min, drift in percent */
    public function points(): array
    {
        return $this->checks->points;
    }

    /** @return array{CheckHistory, list<array{Check, Figure}>} */
    private static function whole(Timeline $timeline): array
    {
        $changes = [];
        $checks = CheckHistory::of(
            $timeline,
            new FlowUsability(),
            'flow',
            static fn (Check $check): bool => $check->content instanceof FlowCheck && $check->content->readings->points === [],
            static function (Check $check) use ($timeline): array {
                $content = $check->content;
                if (!$content instanceof FlowCheck) {
                    return [null, null];
                }
                $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline)?->mean;
                $left = FlowMeasurement::of($content->readings->asLeft, 'as left', $check, $content, $timeline)?->mean;

                return [$found, $content->readings->adjusted ? $left : $found];
            },
            static function (?Figure $left, ?Figure $found, Check $check) use (&$changes): ?float {
                $change = $left === null || $found === null
                    ? null
                    : FlowChange::between($left, $found, 'change of flow up to '.$check->id);
                if ($change !== null) {
                    $changes[] = [$check, $change];
                }

                return $change?->toFloat();
            },
            static fn (?Figure $flow): ?float => $flow?->toFloat(),
        );

        return [$checks, $changes];
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
                CommonUnit::Percent,
                new Origin('check', $largest[0]->id, 'between two checks'),
                2,
            );
    }
}
