<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\CommonUnit;

/** What the checks of one channel say over months: how far its span was off the label, in percent of it. */
final readonly class GasHistory
{
    private function __construct(private Timeline $timeline, private Tally $tally)
    {
    }

    /** @param Timeline $timeline of one channel */
    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        $channel = Channel::named($timeline->instrument, $timeline->channel);

        return new self($timeline, $channel === null ? new Tally() : Tallying::upTo($until, new GasFold($channel), $timeline));
    }

    /**
     * @param Timeline $timeline of one channel
     *
     * @return list<HistoryPoint> deviation of the span in % of the label
     */
    public static function points(Timeline $timeline, \DateTimeImmutable $until): array
    {
        $channel = Channel::named($timeline->instrument, $timeline->channel);

        return $channel === null ? [] : GasFold::reading($channel)->points($timeline, $until);
    }

    /** G-3g: the largest drift of any two checks, each held against the label of its own cylinder. */
    public function largest(): ?Figure
    {
        $largest = $this->tally->largest;
        $channel = Channel::named($this->timeline->instrument, $this->timeline->channel);
        $check = $largest === null ? null : $this->timeline->check($largest->check);
        $since = $largest === null ? null : $this->timeline->check($largest->since);
        if ($largest === null || $channel === null || $check === null || $since === null) {
            return null;
        }
        $response = new GasResponse($channel);
        $found = $response->asFound($check, $this->timeline);
        $left = $response->asLeft($since, $this->timeline);
        $labels = array_map(
            fn (Check $one): ?Figure => $one->content instanceof ChannelCheck
                ? $response->label($one, $one->content, $this->timeline)
                : null,
            [$check, $since],
        );

        return $found === null || $left === null || $labels[0] === null || $labels[1] === null
            ? null
            : Figure::derived(
                'D_max',
                'the most this channel has drifted, from '.$since->id.' to '.$check->id.' on '.$check->at->format('j M Y'),
                round($largest->size, 9),
                CommonUnit::Percent,
                GasEquation::LargestDrift,
                [
                    'z_post' => $found->zero,
                    'g_post' => $found->gain,
                    'c_post' => $labels[0],
                    'z_pre' => $left->zero,
                    'g_pre' => $left->gain,
                    'c_pre' => $labels[1],
                ],
                1,
            );
    }
}
