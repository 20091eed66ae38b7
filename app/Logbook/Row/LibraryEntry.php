<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** An entry of a library. It is never changed, since results lean on it: what differs gets a code of its own. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'library_entry')]
class LibraryEntry
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $shelf,
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $code,
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
