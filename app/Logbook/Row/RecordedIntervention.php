<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** Something done to a unit that changes how it responds. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'intervention')]
#[ORM\Index(name: 'intervention_instrument', columns: ['instrument_id', 'happened_at'])]
class RecordedIntervention
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'happened_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $at,
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
