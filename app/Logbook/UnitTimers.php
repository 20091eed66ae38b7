<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\UnitTimer;

/** Timers that nobody has put away yet, and half-done checks that wait for something. */
final readonly class UnitTimers
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @return list<UnitTimer> as they were started */
    public function running(): array
    {
        return $this->entities->getRepository(UnitTimer::class)->findBy(['endedAt' => null], ['startedAt' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<UnitTimer> */
    public function runningOf(string $unit, string $what): array
    {
        return $this->entities->getRepository(UnitTimer::class)->findBy(
            ['endedAt' => null, 'instrument' => $unit, 'what' => $what],
            ['startedAt' => 'ASC', 'id' => 'ASC'],
        );
    }

    /** @return list<Draft> half-done checks in which a timer was started */
    public function waiting(): array
    {
        return array_values(array_filter(
            $this->entities->getRepository(Draft::class)->findBy(['closedAt' => null], ['startedAt' => 'ASC', 'id' => 'ASC']),
            static fn (Draft $draft): bool => ($draft->answers()['stepWaits'] ?? []) !== [],
        ));
    }
}
