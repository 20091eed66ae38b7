<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\KeptPlans;
use Footnote\Core\Planning\Clash;

/** Plans beside one that is made: of its day, and of the nights that reach into it. */
final readonly class OtherPlans
{
    public function __construct(private KeptPlans $kept, private DayPlans $plans)
    {
    }

    /**
     * @param string      $day such as 2026-12-02
     * @param string|null $own the plan that is made again; null: a new one
     *
     * @return list<Clash> what each of them holds
     */
    public function beside(string $day, ?string $own): array
    {
        $at = new \DateTimeImmutable($day);
        $days = array_map(static fn (string $way): string => $at->modify($way)->format('Y-m-d'), ['-1 day', '+0 days', '+1 day']);
        $ids = array_merge(...array_map($this->kept->ofDay(...), $days));

        return array_map(
            fn (string $id): Clash => new Clash($id, $this->plans->plan($id)->plan),
            array_values(array_filter($ids, static fn (string $id): bool => $id !== $own)),
        );
    }
}
