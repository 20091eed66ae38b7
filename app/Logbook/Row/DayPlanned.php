<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A plan of a day, of which each version says the day. No evidence: what is done stands in checks and runs. */
#[ORM\Entity]
#[ORM\Table(name: 'day_plan')]
class DayPlanned
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $id,
        #[ORM\Column(name: 'made_at')]
        public readonly \DateTimeImmutable $madeAt,
    ) {
    }
}
