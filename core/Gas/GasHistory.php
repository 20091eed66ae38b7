<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Response\LinearKnot;

/** What the checks of one channel say over months: how far its span was off the label, in percent of it. */
final readonly class GasHistory
{
    private function __construct(private CheckHistory $checks)
    {
    }

    /** @param Timeline $timeline of one channel */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $all = $timeline->memory->once('gas history '.$timeline->channel, static fn (): CheckHistory => self::whole($timeline));

        return new self($all->until($until));
    }

    /** @return list<HistoryPoint> deviation of the span in % of the label */
    public function points(): array
    {
        return $this->checks->points;
    }

    private static function whole(Timeline $timeline): CheckHistory
    {
        $channel = Channel::named($timeline->instrument, $timeline->channel);
        if ($channel === null) {
            return new CheckHistory([]);
        }
        $response = new GasResponse($channel);
        $off = static function (Check $check, ?LinearKnot $knot) use ($response, $timeline): ?float {
            $label = $check->content instanceof ChannelCheck ? $response->label($check, $check->content, $timeline) : null;
            $c = $label?->toFloat() ?? 1.0;

            return $knot === null ? null : 100 * ($knot->zero->toFloat() + $knot->gain->toFloat() * $c - $c) / $c;
        };

        return CheckHistory::of(
            $timeline,
            new GasUsability(),
            'gain',
            static fn (Check $check): bool => $check->content instanceof ChannelCheck,
            static fn (Check $check): array => [
                $off($check, $response->asFound($check, $timeline)),
                $off($check, $response->asLeft($check, $timeline)),
            ],
            static fn (?float $left, ?float $found): float => ($found ?? 0.0) - ($left ?? 0.0),
            static fn (?float $deviation): ?float => $deviation,
        );
    }

    public function largest(): ?Figure
    {
        $largest = $this->checks->furthest();

        return $largest?->drift === null
            ? null
            : Figure::read(
                'D_max',
                'the most this channel has drifted',
                round($largest->drift, 9),
                CommonUnit::Percent,
                new Origin('check', $largest->check, 'found on '.$largest->at->format('j M Y')),
                1,
            );
    }
}
