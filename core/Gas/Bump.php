<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Exact;

/**
 * What a bump test says of one channel: whether the sensor moved far enough from clean air towards the label in time. It
 * shows function and nothing of its number.
 */
final readonly class Bump
{
    /** @param Exact|null $share of the step from clean air to the label that was reached, %; null where it was not tested */
    private function __construct(public BumpOutcome $outcome, public ?Exact $share, public ?Exact $ofLabel)
    {
    }

    /**
     * @param Exact $share   of the step that must be reached, %
     * @param Exact $seconds within which it must be
     */
    public static function of(Check $check, ChannelCheck $content, Timeline $timeline, Exact $share, Exact $seconds): self
    {
        $response = new GasResponse($content->channel);
        $label = $response->label($check, $content, $timeline);
        $clean = $content->channel->kind->inCleanAir();
        $step = $label instanceof Figure ? $response->exact($label)->minus($clean) : Exact::zero();
        // Oxygen in a mix of air has no step, and so no test.
        if ($content->span->found === [] || $label === null || $step->isZero()) {
            return new self(BumpOutcome::Untested, null, null);
        }
        $zero = $content->zero->found === []
            ? $clean
            : Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $content->zero->found));
        $reached = null;
        $longest = null;
        $last = $content->span->found[0];
        foreach ($content->span->found as $row) {
            $part = $row->value->value->minus($zero)->times(100)->dividedBy($step);
            $inTime = $row->seconds === null || $row->seconds->value->compareTo($seconds) <= 0;
            $reached = $inTime && ($reached === null || $part->compareTo($reached) > 0) ? $part : $reached;
            $longest = $row->seconds !== null && ($longest === null || $row->seconds->value->compareTo($longest) > 0)
                ? $row->seconds->value
                : $longest;
            $last = $row;
        }
        $ofLabel = $response->exact($label)->isZero() ? null : $last->value->value->times(100)->dividedBy($response->exact($label));

        return new self(match (true) {
            $reached !== null && $reached->compareTo($share) >= 0 => BumpOutcome::Passed,
            $longest !== null && $longest->compareTo($seconds) < 0 => BumpOutcome::BrokenOff,
            default => BumpOutcome::Failed,
        }, $reached, $ofLabel);
    }
}
