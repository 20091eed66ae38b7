<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Cells;

/** How a day was planned at a time: what was asked, with what kit, and what came of it. The newest counts; none is ever changed. */
#[ORM\Entity]
#[ORM\Table(name: 'day_plan_version')]
#[ORM\Index(name: 'day_plan_version_day', columns: ['planned_day'])]
#[ORM\UniqueConstraint(name: 'day_plan_version_number', columns: ['plan_id', 'version'])]
class DayPlanVersion
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column(name: 'campaign_id', length: 40, options: ['default' => ''])]
    public readonly string $campaign;

    #[ORM\Column(name: 'planned_day', length: 10, options: ['default' => ''])]
    public readonly string $day;

    /** How many measurements were asked for. */
    #[ORM\Column(options: ['default' => 0])]
    public readonly int $wanted;

    /** How much of it cannot be. */
    #[ORM\Column(options: ['default' => 0])]
    public readonly int $short;

    /** @param array<string, mixed> $body with what lists show of it */
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
        [$this->campaign, $this->day, $this->wanted, $this->short] = self::listed($body);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array{string, string, int, int} campaign, day, measurements, and how much of it cannot be
     */
    public static function listed(array $body): array
    {
        $asked = Cells::map($body, 'asked');

        return [
            Cells::text($asked, 'campaign'),
            Cells::text($asked, 'day'),
            \count(Cells::rows($asked, 'wanted')),
            \count(Cells::rows($body, 'short')) + \count(Cells::texts($body, 'over')),
        ];
    }
}
