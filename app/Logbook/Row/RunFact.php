<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** Something learned about a run: added to what is known, never in its place. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'run_fact')]
#[ORM\Index(name: 'run_fact_run', columns: ['run_id', 'id'])]
class RunFact
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        /** @var array<string, mixed> fields of a run in the record format: lists are added to, single values supersede */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(type: 'text')]
        public readonly string $reason,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
