<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Unit;

/** What the checks of one channel say over months: how far its span was off the label, in percent of it. */
final readonly class GasHistory
{
    /** @param list<HistoryPoint> $points deviation of the span in % of the label */
    private function __construct(public array $points)
    {
    }

    /** @param Timeline $timeline of one channel */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $all = $timeline->memory->once('gas history '.$timeline->channel, static fn (): self => self::whole($timeline));

        return new self(array_values(array_filter($all->points, static fn (HistoryPoint $point): bool => $point->at <= $until)));
    }

    private static function whole(Timeline $timeline): self
    {
        $channel = Channel::named($timeline->instrument, $timeline->channel);
        if ($channel === null) {
            return new self([]);
        }
        $response = new GasResponse($channel);
        $usability = new GasUsability();
        $points = [];
        $left = null;
        $leftAt = null;
        foreach ($timeline->checks as $check) {
            $content = $check->content;
            if (!$content instanceof ChannelCheck || $usability->whyUnusable($check, $timeline) !== []) {
                $left = $content->wasAdjusted() ? null : $left;
                continue;
            }
            if ($leftAt !== null
                && array_filter(
                    $timeline->interventions,
                    static fn (Intervention $event): bool => $event->at > $leftAt
                        && $event->at <= $check->at
                        && $event->breaks($timeline->channel, 'gain'),
                ) !== []) {
                $left = null;
            }
            $label = $response->label($check, $content, $timeline);
            $c = $label?->toFloat() ?? 1.0;
            $off = static fn (?\Footnote\Core\Response\LinearKnot $knot): ?float => $knot === null
                ? null
                : 100 * ($knot->zero->toFloat() + $knot->gain->toFloat() * $c - $c) / $c;
            $found = $off($response->asFound($check, $timeline));
            $now = $off($response->asLeft($check, $timeline));
            $points[] = new HistoryPoint(
                $check->at,
                $check->id,
                $found,
                $now,
                $found !== null && $left !== null ? $found - $left : null,
                $content->wasAdjusted() && $found !== null && $now !== null ? $now - $found : null,
            );
            $left = $now;
            $leftAt = $check->at;
        }

        return new self($points);
    }

    public function largest(): ?Figure
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
                'D_max',
                'the most this channel has drifted',
                round($largest->drift, 9),
                Unit::Percent,
                new Origin('check', $largest->check, 'found on '.$largest->at->format('j M Y')),
                1,
            );
    }
}
