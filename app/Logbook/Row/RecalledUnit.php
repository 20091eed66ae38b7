<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A unit itself was found wrong; or a word that takes such a recall back. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'unit_recall')]
#[ORM\Index(name: 'unit_recall_instrument', columns: ['instrument_id'])]
class RecalledUnit
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
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
