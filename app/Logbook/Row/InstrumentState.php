<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** When evidence on a unit last came: the journal's sequence. */
#[ORM\Entity]
#[ORM\Table(name: 'instrument_state')]
class InstrumentState
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column]
        public readonly int $version,
    ) {
    }
}
