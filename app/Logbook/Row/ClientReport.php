<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A report for somebody outside: of which campaign, for whom. What it is asked to be may be said anew, until it is issued and after. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'client_report')]
class ClientReport
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        /** @var array<string, mixed> what it was first asked to be */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
