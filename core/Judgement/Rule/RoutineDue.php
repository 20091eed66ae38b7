<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Judgement\Expiry;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RoutineDone;
use Footnote\Core\Judgement\RoutineStanding;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\RunsOut;
use Footnote\Core\Judgement\Severity;

/**
 * What is done to a unit again and again was due before the run began. How often, the policy says, or the site for the one unit;
 * when it was last done, the evidence. Whether it was ever done is asked by other rules.
 */
abstract readonly class RoutineDue implements RunsOut
{
    abstract public function routine(): Routine;

    /** How often the policy wants it of such a unit; null: it does not. */
    abstract protected function wanted(Instrument $unit, RuleSetting $setting): ?Limit;

    /** When it was last done: at the check before the run, where a check is what is wanted. */
    protected function done(RunCase $case): ?RoutineDone
    {
        $pre = $case->bracket->pre;

        return $pre === null ? null : new RoutineDone($pre->at, $pre->id);
    }

    final public function standing(RunCase $case, RuleSetting $setting): ?RoutineStanding
    {
        $unit = $case->timeline->instrument;
        $wanted = $this->wanted($unit, $setting);
        $start = $case->run->timing->start;
        $own = $unit->upkeep->intervals->at($this->routine(), $start);

        // What nobody wants is not looked for.
        return $wanted === null && $own === null
            ? null
            : RoutineStanding::of($this->routine(), $wanted, $own, $this->done($case), $start->getTimezone());
    }

    final public function expiry(RunCase $case, RuleSetting $setting): ?Expiry
    {
        return $this->standing($case, $setting)?->expiry();
    }

    final public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $standing = $this->standing($case, $setting);
        $start = $case->run->timing->start;
        if ($standing?->done === null) {
            return;
        }
        $evidence = [$standing->done->evidence, $case->run->id];
        $zone = $start->getTimezone();
        if ($standing->isOverAt($start)) {
            $setting = $setting->from($standing->source($setting->rule));
            $words = $standing->expiry()?->words($zone) ?? '';
            yield $setting->finding(
                \sprintf('%s The run began on %s.', $words, $start->format('j M Y H:i')),
                $evidence,
                $standing->limit(),
            );

            return;
        }
        $byPolicy = $standing->untilByPolicy();
        if ($byPolicy !== null && $start > $byPolicy) {
            yield $setting->from($standing->source($setting->rule))->finding(
                \sprintf(
                    'By the policy its last %s%s would have counted until %s; its own interval of %s holds.',
                    $standing->routine->id(),
                    $standing->which(),
                    $byPolicy->setTimezone($zone)->format('j M Y H:i'),
                    $standing->interval->words(),
                ),
                $evidence,
                $standing->limit(),
                severity: Severity::Note,
            );
        }
    }
}
