<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A steward held a source against its text. The newest of a source stands; none is ever changed. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'confirmed_source')]
class ConfirmedSource
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        /** As equations and rules name it. */
        #[ORM\Column(length: 300)]
        public readonly string $source,
        #[ORM\Column(length: 120)]
        public readonly string $edition,
        #[ORM\Column(length: 120)]
        public readonly string $clause,
        #[ORM\Column(name: 'confirmed_on', length: 10)]
        public readonly string $on,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
