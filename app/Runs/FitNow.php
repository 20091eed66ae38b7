<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\SiteClock;
use Footnote\Core\Judgement\Fitness;

/** Whether a unit may go out now, by the policy of the newest campaign, and what is wanted of it again and again. */
final readonly class FitNow
{
    public function __construct(private FitToStart $fit, private Campaigns $campaigns, private SiteClock $site)
    {
    }

    /** Null where no campaign says by which policy. */
    public function of(string $unit): ?Fitness
    {
        $campaign = $this->campaigns->newest();

        return $campaign === null ? null : $this->fit->of($unit, $campaign['id'], $campaign['policy'], $this->site->now());
    }
}
