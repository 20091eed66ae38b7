<?php

declare(strict_types=1);

namespace Footnote\App\Campaigns;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Refusal\Problem;

/** Judges all unsigned results of a campaign by another policy; that it was changed after results were seen is kept. */
final readonly class JudgeByPolicy
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Campaigns $campaigns,
        private Policies $policies,
    ) {
    }

    /** @param string $seen the policy that it was judged by when the person looked */
    public function __invoke(User $by, string $id, string $key, string $seen): void
    {
        $this->policies->get($key);
        $told = ['campaign' => $id, 'policy' => $key];
        $this->journal->during($by->code, 'campaign judged by another policy', $told, function () use ($id, $key, $seen): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $this->entities->refresh($campaign);
            if ($campaign->policy() !== $seen) {
                throw new Problem(
                    409,
                    \sprintf('It is judged by %s meanwhile. Look at it again; nothing was changed.', $campaign->policy()),
                );
            }
            $campaign->judgeBy($key, $this->campaigns->wasSeen($id));
        });
    }
}
