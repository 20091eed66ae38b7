<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** What a person decided of a run in another logbook, as it came with the run. Here it is told, and signs nothing. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'decision_elsewhere')]
#[ORM\Index(name: 'decision_elsewhere_run', columns: ['run_id'])]
class DecidedElsewhere
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        /** @var array<string, mixed> as written, in the record format */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
