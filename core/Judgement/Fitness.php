<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;

/** Whether a unit may go out: what a run that begins now would have against it before it has measured anything. */
final readonly class Fitness
{
    /**
     * @param FitState     $state   at the moment that was asked for
     * @param bool         $stays   whether it failed at its last check: it does not go out, whatever anybody says
     * @param list<string> $against what would weigh on the run, in words, the weightiest first
     * @param list<Run>    $closes  what the next check can still close: until then nobody adjusts it unread
     * @param Expiry|null  $until   what runs out first, if nothing else comes; null: nothing that is known
     * @param list<RoutineOfUnit> $routines what is wanted of it again and again
     * @param list<FallsDue>      $due    until when what was done of it counts
     */
    public function __construct(
        public FitState $state,
        public bool $stays,
        public array $against,
        public array $closes,
        public ?Expiry $until,
        public array $routines,
        public array $due,
    ) {
    }
}
