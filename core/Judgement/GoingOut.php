<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\PassedOver;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/**
 * Whether a unit may go out, judged by the same rules and limits as the run that it would measure: nothing is fit to go out that
 * the result would be qualified or void for.
 */
final readonly class GoingOut
{
    private Foresight $foresight;

    public function __construct(private Assessor $assessor)
    {
        $this->foresight = new Foresight($assessor);
    }

    /** @param Run $start a run that begins, and of which nothing else is known */
    public function of(Run $start, Timeline $timeline, Policy $policy): Fitness
    {
        $beforehand = $this->assessor->beforehand($start, $timeline, $policy);
        $against = [];
        $isCuredElsewhere = false;
        foreach ($beforehand->findings as [$rule, $finding]) {
            if ($finding->severity !== Severity::Note && $finding->severity !== Severity::Corrected) {
                $against[] = self::told($finding);
                $isCuredElsewhere = $isCuredElsewhere || $rule instanceof CuredElsewhere;
            }
        }
        $at = $start->timing->start;
        foreach ($beforehand->expiries as [$rule, $expiry]) {
            if ($at > $expiry->at) {
                $against[] = $expiry->words($at->getTimezone());
                $isCuredElsewhere = $isCuredElsewhere || $rule instanceof CuredElsewhere;
            }
        }
        $failed = false;
        foreach ($beforehand->cases as $case) {
            $failed = $failed || ($case->bracket->search->brokenBefore->failed ?? false);
            array_push($against, ...self::unfinished($case));
        }
        $state = match (true) {
            $failed || $isCuredElsewhere => FitState::Held,
            $against !== [] => FitState::CheckFirst,
            default => FitState::Fit,
        };

        return new Fitness(
            $state,
            $failed,
            array_values(array_unique($against)),
            $this->foresight->openRuns($timeline),
            $beforehand->expiries[0][1] ?? null,
        );
    }

    /** With the channel, where it is of one and does not say which. */
    private static function told(Finding $finding): string
    {
        $channel = $finding->touched->channel;

        return $channel === null || str_contains($finding->seen, $channel) ? $finding->seen : $channel.': '.$finding->seen;
    }

    /**
     * A check later than the one that counts that showed nothing, and was meant to: whoever began it wanted to know, and does not.
     *
     * @return list<string>
     */
    private static function unfinished(RunCase $case): array
    {
        $usability = $case->family->usability($case->heldTo->policy);
        $unfinished = array_filter(
            $case->bracket->search->passedOver,
            static fn (PassedOver $passed): bool => $passed->check->at <= $case->run->timing->start
                && $passed->check->notes->setAside === null
                && !$usability->asksOnlyWhetherItWorks($passed->check),
        );

        return array_values(array_map(
            static fn (PassedOver $passed): string => \sprintf(
                'The check of %s showed nothing: %s.',
                $case->hour($passed->check->at),
                implode('; ', $passed->reasons),
            ),
            $unfinished,
        ));
    }
}
