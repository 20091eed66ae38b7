<?php

declare(strict_types=1);

namespace Footnote\App\Campaigns;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\ShipPolicies;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/**
 * A campaign begins at a site: with criteria and limits of some sets that come with Footnote, judged by the standard policy; or like an
 * earlier one, with its criteria, limits and policy. With the first come the shipped policies.
 */
final readonly class AddCampaign
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ShipPolicies $ship,
        private Formats $families,
    ) {
    }

    public function __invoke(User $by, Fields $told): void
    {
        $id = $told->id('id');
        $zone = $told->text('zone');
        if (!\in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            throw Problem::field('/zone', 'must be a time zone such as Europe/London.');
        }
        if ($this->entities->find(Campaign::class, $id) !== null) {
            throw Problem::field('/id', 'a campaign with this code is here already.');
        }
        $like = $told->optionalText('like', 40);
        if (($like === null) === !$told->has('sets')) {
            throw Problem::field('/sets', 'say what it is measured against, or which campaign it is like.');
        }
        $sets = $this->families->begunWith($told->texts('sets'));
        $this->journal->during($by->code, 'campaign added', $told->data(), function () use ($by, $told, $id, $zone, $like, $sets): void {
            ($this->ship)($by->code);
            $earlier = $like === null ? null : $this->entities->find(Campaign::class, $like)
                ?? throw Problem::field('/like', 'there is no such campaign.');
            $campaign = new Campaign($id, $told->text('title'), $told->text('site'), $zone);
            $campaign->measureAgainst($earlier?->yardsticks() ?? $sets);
            $campaign->judgeBy($earlier?->policy() ?? 'standard-1', false);
            $this->entities->persist($campaign);
        });
    }
}
