<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
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

    public function largest(): ?Figure
    {
        $largest = $this->tally->largest;

        return $largest === null
            ? null
            : Figure::read(
                'D_max',
                'the most this channel has drifted',
                round($largest->size, 9),
                CommonUnit::Percent,
                new Origin(
                    'check',
                    $largest->check,
                    'found on '.($this->timeline->check($largest->check)?->at->format('j M Y') ?? ''),
                ),
                1,
            );
    }
}
