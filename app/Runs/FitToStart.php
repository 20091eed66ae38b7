<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\GoingOut;
use Footnote\Core\Judgement\Policy;
use Symfony\Component\Uid\Ulid;

/** Whether a unit may go out at a moment, by the policy of a campaign. */
final readonly class FitToStart
{
    private GoingOut $goingOut;

    public function __construct(private Logbook $logbook, private Policies $policies, Assessor $assessor)
    {
        $this->goingOut = new GoingOut($assessor);
    }

    public function of(string $instrument, string $campaign, string $policy, \DateTimeImmutable $at): Fitness
    {
        return $this->by($instrument, $campaign, $this->policies->get($policy), $at);
    }

    /**
     * The same where the policy is read already, for many moments and units.
     *
     * @param Timeline|null $timeline of the unit, where it is read already
     */
    public function by(
        string $instrument,
        string $campaign,
        Policy $policy,
        \DateTimeImmutable $at,
        ?Timeline $timeline = null,
    ): Fitness {
        $start = $this->logbook->coreRun([
            'id' => (string) new Ulid(),
            'campaign' => $campaign,
            'instrument' => $instrument,
            'start' => $at->format(\DATE_ATOM),
            'person' => 'nobody',
            'task' => 'nothing yet',
        ]);

        return $this->goingOut->of($start, $timeline ?? $this->logbook->timeline($instrument), $policy);
    }
}
