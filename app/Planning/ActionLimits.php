<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\Core\Judgement\Assessor;

/** How far off a unit may be found at a check before something is done, by the policy of a campaign. */
final readonly class ActionLimits
{
    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Policies $policies,
        private Assessor $assessor,
    ) {
    }

    /** @return string|null in words; null where nothing is said */
    public function of(string $unit, string $campaign): ?string
    {
        $instrument = $this->logbook->instrument($unit);
        $key = $this->campaigns->policyOfCampaign($campaign);
        if ($instrument === null || $key === null) {
            return null;
        }
        $policy = $this->policies->get($key);
        $limit = $this->assessor->family($instrument->family)->bench()->actionLimit($policy);

        return $limit === null ? null : \sprintf('%s, by %s', $limit->words(), $policy->name);
    }
}
