<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Row\PolicyVersion;
use Psr\Clock\ClockInterface;

/** The shipped policies as first versions, where they are not here yet. */
final readonly class ShipPolicies
{
    public function __construct(
        private EntityManagerInterface $entities,
        private ShippedPolicies $policies,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(string $actor): void
    {
        foreach (ShippedPolicies::ALL as $id) {
            if ($this->entities->find(PolicyVersion::class, $id.'-1') === null) {
                $this->entities->persist(new PolicyVersion($id.'-1', $id, 1, $this->policies->get($id), $actor, $this->clock->now()));
            }
        }
        $this->entities->flush();
    }
}
