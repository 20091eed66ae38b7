<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** That another check stands in the place of one: of the same unit, or of the one that it was moved to. That one says why. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'check_replaced')]
#[ORM\UniqueConstraint(name: 'check_replaced_by', columns: ['by_check_id'])]
#[ORM\Index(name: 'check_replaced_instrument', columns: ['instrument_id'])]
#[ORM\Index(name: 'check_replaced_by_instrument', columns: ['by_instrument_id'])]
class ReplacedCheck
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'check_id', length: 40)]
        public readonly string $check,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'by_check_id', length: 40)]
        public readonly string $byCheck,
        #[ORM\Column(name: 'by_instrument_id', length: 40)]
        public readonly string $byInstrument,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
