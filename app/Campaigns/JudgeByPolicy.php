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

    public function __invoke(User $by, string $id, string $key): void
    {
        $this->policies->get($key);
        $told = ['campaign' => $id, 'policy' => $key];
        $this->journal->during($by->code, 'campaign judged by another policy', $told, function () use ($id, $key): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $campaign->judgeBy($key, $this->campaigns->wasSeen($id));
        });
    }
}
