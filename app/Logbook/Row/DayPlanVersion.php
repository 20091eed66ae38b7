<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** How a day was planned at a time: what was asked, with what kit, and what came of it. The newest counts; none is ever changed. */
#[ORM\Entity]
#[ORM\Table(name: 'day_plan_version')]
#[ORM\UniqueConstraint(name: 'day_plan_version_number', columns: ['plan_id', 'version'])]
class DayPlanVersion
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @param array<string, mixed> $body */
    public function __construct(
        #[ORM\Column(name: 'plan_id', length: 20)]
        public readonly string $plan,
        #[ORM\Column]
        public readonly int $version,
        #[ORM\Column(type: 'json')]
        public readonly array $body,
        #[ORM\Column(name: 'planned_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'planned_at')]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
