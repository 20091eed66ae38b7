<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A reference that a check leans on: the one it names, a thermometer, a barometer. */
#[ORM\Entity]
#[ORM\Table(name: 'check_leaning')]
#[ORM\Index(name: 'check_leaning_reference', columns: ['reference_id', 'instrument_id', 'checked_at'])]
class CheckLeaning
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'check_id', length: 40)]
        public readonly string $check,
        #[ORM\Id, ORM\Column(name: 'reference_id', length: 40)]
        public readonly string $reference,
        #[ORM\Column(name: 'instrument_id', length: 40, options: ['default' => ''])]
        public readonly string $instrument,
        /** When the check was made. */
        #[ORM\Column(name: 'checked_at', length: 26, options: ['default' => ''])]
        public readonly string $at,
    ) {
    }
}
