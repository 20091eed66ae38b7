<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A medium that was handled like a sample and drew no air. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'blank')]
#[ORM\Index(name: 'blank_campaign', columns: ['campaign_id'])]
class KeptBlank
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 60)]
        public readonly string $medium,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
