<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A run as it was started; what is learned later stands in its facts. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'run')]
#[ORM\Index(name: 'run_instrument', columns: ['instrument_id', 'started_at'])]
#[ORM\Index(name: 'run_campaign', columns: ['campaign_id', 'started_at', 'id'])]
#[ORM\Index(name: 'run_started', columns: ['started_at', 'id'])]
class RecordedRun
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        #[ORM\Column(name: 'started_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $startedAt,
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
