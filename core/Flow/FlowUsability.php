<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Flow\Standard\NoFlow;
use Footnote\Core\Flow\Standard\UnreadableFlow;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Statistics\SlopeIsZero;
use Footnote\Core\Statistics\TooFewPoints;

/**
 * When a flow check shows nothing: broken off, set aside, no flow that can be told, a reading out of the standard's range. A
 * pump that draws nothing, or far less than it was left with, is evidence against it and no gap.
 */
final readonly class FlowUsability implements Usability
{
    public const NO_FLOW = 'nothing flowed: was the train open, and the pump powered?';
    /** Of what it was left with, %, where no policy says otherwise (common practice). */
    private const CHANGE = '5';

    public function __construct(private ?Policy $policy = null)
    {
    }

    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        return $timeline->memory->once(
            \sprintf('flow usability %s by %s %d', $check->id, $this->policy->id ?? '', $this->policy->version ?? 0),
            fn (): array => $this->reasons($check, $timeline),
        );
    }

    /** @return list<string> */
    private function reasons(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        if (!$content instanceof FlowCheck) {
            return ['not a flow check'];
        }
        $reasons = UnusableBecause::usual($check);
        if ($content->readings->standstill !== null) {
            return [...$reasons, Standstill::choices()[$content->readings->standstill->value]];
        }
        try {
            if (!$content->hasAsFound()) {
                $reasons[] = UnusableBecause::AS_FOUND_MISSING;
            } elseif ($content->readings->points !== []) {
                GaugeCurve::of($check, $content, $timeline);
            } else {
                $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline);
                $reasons = [...$reasons, ...match (true) {
                    $found === null => ['no reading stands at the working set-point'],
                    // Below the range by no more than a flow may change it is the unit's own; a rule says so.
                    $found->below !== null && $this->change($found, $check, $timeline) === null => [$found->below],
                    default => [],
                }];
            }
            $left = FlowMeasurement::of($content->readings->asLeft, 'as left', $check, $content, $timeline);
            if ($left?->below !== null) {
                $reasons[] = 'as left '.$left->below;
            }
        } catch (NoFlow) {
            $reasons[] = self::NO_FLOW;
        } catch (UnreadableFlow|ConditionsMissing|TooFewPoints|SlopeIsZero $problem) {
            $reasons[] = rtrim($problem->getMessage(), '.');
        }

        return $reasons;
    }

    public function asksOnlyWhetherItWorks(Check $check): bool
    {
        return false;
    }

    public function whyFailed(Check $check, Timeline $timeline, bool $asLeft): ?string
    {
        $content = $check->content;
        // What was set and read again afterwards is judged by that before a run.
        if ($check->notes->setAside !== null
            || $check->walk->brokenOff
            || !$content instanceof FlowCheck
            || ($asLeft && $content->readings->adjusted)) {
            return null;
        }
        if ($content->readings->standstill !== null) {
            return $content->readings->standstill === Standstill::Open ? Standstill::choices()[Standstill::Open->value] : null;
        }
        if ($content->readings->points !== []) {
            return null;
        }
        try {
            $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline);
        } catch (UnreadableFlow|ConditionsMissing) {
            return null;
        }
        $change = $found?->below === null ? null : $this->change($found, $check, $timeline);
        $allowed = $this->policy?->limit('flow.change', 'change')->value->value ?? Exact::of(self::CHANGE);

        return $change === null || Real::compare(Real::minus(Exact::zero(), $change->value), $allowed) <= 0
            ? null
            : \sprintf('%s, %s %% off what it was left with', $found->below ?? '', $change->signed());
    }

    /** The change since the unit was left, where the standard could have told that flow; null where that is not known. */
    private function change(FlowMeasurement $found, Check $check, Timeline $timeline): ?Figure
    {
        $reference = $timeline->referenceOf($check);
        $before = null;
        foreach ($timeline->checksUntil($check->at) as $earlier) {
            $content = $earlier->content;
            if ($earlier->at >= $check->at
                || $earlier->id === $check->id
                || !$content instanceof FlowCheck
                || $content->readings->points !== []
                || $content->readings->standstill !== null
                || $earlier->notes->setAside !== null
                || $earlier->walk->brokenOff) {
                continue;
            }
            try {
                $left = FlowMeasurement::of(
                    $content->readings->adjusted ? $content->readings->asLeft : $content->readings->asFound,
                    'as left',
                    $earlier,
                    $content,
                    $timeline,
                );
            } catch (UnreadableFlow|ConditionsMissing) {
                continue;
            }
            if ($left !== null && $left->below === null && !Real::isZero($left->mean->value)) {
                $before = $left->mean;
                break;
            }
        }
        $range = $reference === null || !$check->content instanceof FlowCheck
            ? null
            : FlowStandards::range($reference, $check->content->standard->setting);

        return $before === null
            || $range === null
            || Real::compare($before->value, $range[0]->in(CommonUnit::LitrePerMinute)) < 0
            || Real::compare($before->value, $range[1]->in(CommonUnit::LitrePerMinute)) > 0
            ? null
            : FlowChange::between($before, $found->mean, 'change since it was left');
    }
}
