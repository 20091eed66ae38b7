<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A statement that a check shows nothing of the unit. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'check_set_aside')]
class RecordedSetAside
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'check_id', length: 40)]
        public readonly string $check,
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
