<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\Fold;
use Footnote\Core\Evidence\MetReference;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\LinearKnot;

/** What the checks of one channel come to: drifts in percent of the label, and the labels of the cylinders it met. */
final readonly class GasFold implements Fold
{
    /** @var CheckHistory<float> */
    private CheckHistory $history;

    private GasResponse $response;

    public function __construct(private Channel $channel)
    {
        $this->history = self::reading($channel);
        $this->response = new GasResponse($channel);
    }

    public function name(): string
    {
        return 'gas-1';
    }

    public function after(Tally $tally, Check $check, Timeline $timeline): Tally
    {
        $next = $this->history->add($tally, $check, $timeline);
        $label = $check->content instanceof ChannelCheck && !$check->content->byAir
            ? $this->response->label($check, $check->content, $timeline)?->value
            : null;
        // What the air of any room holds tells no cylinder from it.
        if (!$label instanceof Exact || abs($label->minus($this->channel->kind->inCleanAir())->toFloat()) < 1.0) {
            return $next;
        }
        $id = $check->reference ?? '';

        return $next->meeting([...$next->met, '='.$id => new MetReference($id, $label->toFloat())]);
    }

    /** @return CheckHistory<float> deviations of the span in % of the label */
    public static function reading(Channel $channel): CheckHistory
    {
        $response = new GasResponse($channel);
        $off = static function (Check $check, ?LinearKnot $knot, Timeline $timeline) use ($response): ?float {
            $label = $check->content instanceof ChannelCheck ? $response->label($check, $check->content, $timeline) : null;
            $c = $label?->toFloat() ?? 1.0;

            return $knot === null ? null : 100 * ($knot->zero->toFloat() + $knot->gain->toFloat() * $c - $c) / $c;
        };

        return new CheckHistory(
            new GasUsability(),
            'gain',
            static fn (Check $check): bool => $check->content instanceof ChannelCheck,
            static fn (Check $check, Timeline $timeline): array => [
                $off($check, $response->asFound($check, $timeline), $timeline),
                $off($check, $response->asLeft($check, $timeline), $timeline),
            ],
            static fn (float $left, float $found): float => $found - $left,
            static fn (float $deviation): float => $deviation,
        );
    }
}
