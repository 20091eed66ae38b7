<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How something came to be removed from what a run measured, filled in or assumed; or why it was not. */
enum AlterationKind: string
{
    /** It belongs to a check on record: taken out, a note. */
    case Recorded = 'recorded check';
    /** A rule took it out: open where it matters, below that a note. */
    case Rule = 'by rule';
    /** A person took it out, with a reason: qualified, named. */
    case Person = 'by a person';
    /** It looks like a check and was not taken out: offered to a person. */
    case Offered = 'offered';
    /** A person said that it stays in. */
    case LeftIn = 'left in';
    /** A person wanted it out, and it could not be taken out: a total has no stretches. */
    case NotApplied = 'could not be applied';
    /** The unit or the person paused, as was stated with the run. */
    case Pause = 'pause';
    /** A first or last interval that the unit cut short. */
    case PartInterval = 'part interval';
    /** A check that it rests on was corrected or moved. */
    case Corrected = 'corrected';
    /** Nobody said, and something had to be assumed. */
    case Assumed = 'assumed';

    /** Whether the number that stands is without it. */
    public function isTaken(): bool
    {
        return \in_array($this, [self::Recorded, self::Rule, self::Person, self::Pause], true);
    }
}
