<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\SiteClock;

/** Whether a plan would be another with the kit as it is now: it is planned once more, and nothing of that is kept. */
final readonly class PlannedOtherwise
{
    public function __construct(private DayPlans $plans, private PlanDay $planning, private DayFacts $facts, private SiteClock $site)
    {
    }

    /** Of a day that is over, or on which something is done already, nobody asks. */
    public function is(string $id): bool
    {
        $head = $this->plans->head($id);
        $kept = $this->plans->of($head['body']);
        if ($head['day'] < $this->site->now()->format('Y-m-d') || $this->facts->of($kept)['done'] !== []) {
            return false;
        }
        $fresh = $this->planning->planned($kept->asked, $id)->body();
        $body = $kept->body();

        return [$fresh['activities'], $fresh['short'], $fresh['over']] !== [$body['activities'], $body['short'], $body['over']];
    }
}
