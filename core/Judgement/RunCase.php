<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Procedure\Procedure;

/** Everything that the rules look at when they judge a run. */
final readonly class RunCase
{
    public Run $run;

    /**
     * @param list<Result> $answers the results of the run; of its shift those that it adds
     * @param Shift|null   $shift   null while the run is judged alone
     */
    public function __construct(
        public Bracket $bracket,
        public Timeline $timeline,
        public Family $family,
        public FamilyResults $results,
        public array $answers,
        public HeldTo $heldTo,
        public ?Shift $shift = null,
    ) {
        $this->run = $bracket->run;
    }

    /**
     * The checks that the result leans on: both ends and those in between.
     *
     * @return list<Check>
     */
    public function checks(): array
    {
        return $this->bracket->checks();
    }

    /** The procedure that was walked at a check. */
    public function procedureOf(Check $check): Procedure
    {
        return Procedure::among(
            $this->timeline->memory->once('procedures', fn (): array => $this->family->procedures($this->timeline->instrument)),
            $check->content->procedure(),
        );
    }

    /** Whether a step that may not be in every procedure was skipped, or jumped over where it is. */
    public function missed(Check $check, string $step): bool
    {
        return $check->step($step) === StepState::Skipped || ($this->procedureOf($check)->step($step) !== null && $check->missed($step));
    }

    /** Whether a school that takes one check at the start of the day as enough may do so here, and there is no other. */
    public function standsOnStartOfDay(): bool
    {
        $pre = $this->bracket->pre;

        return $this->heldTo->policy->choice(PolicyChoice::StartOfDayOnly) === PolicyChoice::WHERE_IT_STAYED
            && $this->family instanceof StayingInPlace && $this->family->staysInPlace($this->run)
            && $this->run->timing->stop !== null && $this->bracket->post === null && $this->bracket->search->brokenAfter === null

                && $pre !== null
                && $pre->at->setTimezone(
                    $this->run->timing->start->getTimezone(),
                )->format('Y-m-d') === $this->run->timing->start->format('Y-m-d');
    }

    /** A moment as people of the site say it. */
    public function hour(\DateTimeImmutable $moment): string
    {
        $local = $moment->setTimezone($this->run->timing->start->getTimezone());

        return $local->format($local->format('Y-m-d') === $this->run->timing->start->format('Y-m-d') ? 'H:i' : 'j M H:i');
    }
}
