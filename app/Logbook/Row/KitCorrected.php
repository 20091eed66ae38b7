<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** What was typed in wrongly of a unit or a reference and is right now. What was registered stays as it is. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'kit_correction')]
#[ORM\Index(name: 'kit_correction_instrument', columns: ['instrument_id'])]
#[ORM\Index(name: 'kit_correction_reference', columns: ['reference_id'])]
class KitCorrected
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'instrument_id', length: 40, nullable: true)]
        public readonly ?string $instrument,
        #[ORM\Column(name: 'reference_id', length: 40, nullable: true)]
        public readonly ?string $reference,
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
