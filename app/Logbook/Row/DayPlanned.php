<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A plan of a day. No evidence: what is done stands in checks and runs. */
#[ORM\Entity]
#[ORM\Table(name: 'day_plan')]
#[ORM\Index(name: 'day_plan_day', columns: ['planned_day'])]
class DayPlanned
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $id,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        #[ORM\Column(name: 'planned_day', length: 10)]
        public readonly string $day,
        #[ORM\Column(name: 'made_at')]
        public readonly \DateTimeImmutable $madeAt,
    ) {
    }
}
