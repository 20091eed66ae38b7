<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A row of units that are checked one after the other on one reference. No evidence: what comes of it are their checks. */
#[ORM\Entity]
#[ORM\Table(name: 'check_round')]
class CheckRound
{
    /** @param list<string> $units in the order in which they are checked */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'procedure_id', length: 40)]
        public readonly string $procedure,
        #[ORM\Column(type: 'json')]
        public readonly array $units,
        #[ORM\Column(name: 'started_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'started_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $startedAt,
    ) {
    }
}
