<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Row\ClientReport;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Content\Asked;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A report is begun: it has a number from then on, and is a draft until somebody signs it. */
final readonly class DraftReport
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Campaigns $campaigns,
        private Numbers $numbers,
        private ClockInterface $clock,
    ) {
    }

    /** @return string its number */
    public function __invoke(User $by, Fields $told): string
    {
        $asked = Asked::of($told);
        if ($this->campaigns->policyOfCampaign($asked->campaign) === null) {
            throw Problem::field('/campaign', 'is not in this logbook.');
        }

        return $this->journal->during($by->code, 'report drafted', $asked->told(), function () use ($by, $asked): string {
            $id = $this->numbers->next('client_report', 'RP-%05d');
            $this->entities->persist(new ClientReport($id, $asked->campaign, $asked->told(), $by->code, $this->clock->now()));

            return $id;
        });
    }
}
