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

/** A campaign begins at a site, judged by the standard policy against what is usual; with the first come the shipped policies. */
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
        $this->journal->during($by->code, 'campaign added', $told->data(), function () use ($by, $told, $id, $zone): void {
            ($this->ship)($by->code);
            $campaign = new Campaign($id, $told->text('title'), $told->text('site'), $zone);
            $campaign->measureAgainst($this->families->usual());
            $campaign->judgeBy('standard-1', false);
            $this->entities->persist($campaign);
        });
    }
}
