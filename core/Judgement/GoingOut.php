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
        $at = $start->timing->start;
        $weighing = array_filter(
            $beforehand->findings,
            static fn (array $one): bool => !\in_array($one[1]->severity, [Severity::Note, Severity::Corrected], true),
        );
        $over = array_filter($beforehand->expiries, static fn (array $one): bool => $at > $one[1]->at);
        $against = [
            ...array_map(static fn (array $one): string => self::told($one[1]), $weighing),
            ...array_map(static fn (array $one): string => $one[1]->words($at->getTimezone()), $over),
        ];
        $failed = false;
        foreach ($beforehand->cases as $case) {
            $failed = $failed || ($case->bracket->search->brokenBefore->failed ?? false);
            array_push($against, ...self::unfinished($case));
        }
        $curedElsewhere = array_filter([...$weighing, ...$over], static fn (array $one): bool => $one[0] instanceof CuredElsewhere);
        $state = match (true) {
            $failed || $curedElsewhere !== [] => FitState::Held,
            $against !== [] => FitState::CheckFirst,
            default => FitState::Fit,
        };

        return new Fitness(
            $state,
            $failed,
            array_values(array_unique($against)),
            $this->foresight->openRuns($timeline),
            $beforehand->expiries[0][1] ?? null,
            $beforehand->routines,
            FallsDue::ofUnit($timeline->instrument, $beforehand->routines, $policy, $at),
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
