<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A check as it was walked through. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'check_record')]
#[ORM\Index(name: 'check_record_instrument', columns: ['instrument_id', 'checked_at'])]
#[ORM\Index(name: 'check_record_reference', columns: ['reference_id', 'checked_at'])]
#[ORM\Index(name: 'check_record_at', columns: ['checked_at'])]
class RecordedCheck
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'reference_id', length: 40, nullable: true)]
        public readonly ?string $reference,
        #[ORM\Column(name: 'checked_at', type: 'datetime_immutable')]
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
