<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Statistics\SlopeIsZero;
use Footnote\Core\Statistics\TooFewPoints;

/** When a flow check shows nothing: broken off, set aside, no flow that can be told, a reading out of the standard's range. */
final readonly class FlowUsability implements Usability
{
    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        return $timeline->memory->once('flow usability '.$check->id, fn (): array => $this->reasons($check, $timeline));
    }

    /** @return list<string> */
    private function reasons(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        if (!$content instanceof FlowCheck) {
            return ['not a flow check'];
        }
        $reasons = [];
        if ($check->setAside !== null) {
            $reasons[] = UnusableBecause::SET_ASIDE.': '.$check->setAside->reason;
        }
        if ($check->brokenOff) {
            $reasons[] = UnusableBecause::BROKEN_OFF;
        }
        try {
            if (!$content->hasAsFound()) {
                $reasons[] = UnusableBecause::AS_FOUND_MISSING;
            } elseif ($content->points !== []) {
                GaugeCurve::of($check, $content, $timeline);
            } elseif (FlowMeasurement::of($content->asFound, 'as found', $check, $content, $timeline) === null) {
                $reasons[] = 'no reading stands at the working set-point';
            }
            FlowMeasurement::of($content->asLeft, 'as left', $check, $content, $timeline);
        } catch (UnreadableFlow|ConditionsMissing|TooFewPoints|SlopeIsZero $problem) {
            $reasons[] = rtrim($problem->getMessage(), '.');
        }

        return $reasons;
    }

    public function whyFailed(Check $check, Timeline $timeline, bool $asLeft): ?string
    {
        return null;
    }
}
