<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\Fold;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Timeline;

/** What the flow checks of a unit come to: changes in percent, and the multi-point calibration that serves its gauge. */
final readonly class FlowFold implements Fold
{
    /** @var CheckHistory<Figure> */
    private CheckHistory $history;

    private FlowUsability $usability;

    public function __construct()
    {
        $this->history = self::reading();
        $this->usability = new FlowUsability();
    }

    public function name(): string
    {
        return 'flow-1';
    }

    public function after(Tally $tally, Check $check, Timeline $timeline): Tally
    {
        $next = $this->history->add($tally, $check, $timeline);
        $draws = $check->content instanceof FlowCheck
            && $check->content->readings->points !== []
            && $this->usability->whyUnusable($check, $timeline) === [];

        return $draws ? $next->drawnBy($check->id) : $next;
    }

    /** @return CheckHistory<Figure> flows in L/min, drift in percent */
    public static function reading(): CheckHistory
    {
        return new CheckHistory(
            new FlowUsability(),
            'flow',
            static fn (Check $check): bool => $check->content instanceof FlowCheck && $check->content->readings->points === [],
            static function (Check $check, Timeline $timeline): array {
                $content = $check->content;
                if (!$content instanceof FlowCheck) {
                    return [null, null];
                }
                $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline)?->mean;
                $left = FlowMeasurement::of($content->readings->asLeft, 'as left', $check, $content, $timeline)?->mean;

                return [$found, $content->readings->adjusted ? $left : $found];
            },
            static fn (Figure $left, Figure $found, Check $check): float => FlowChange::between(
                $left,
                $found,
                'change of flow up to '.$check->id,
            )->toFloat(),
            static fn (Figure $flow): float => $flow->toFloat(),
        );
    }
}
