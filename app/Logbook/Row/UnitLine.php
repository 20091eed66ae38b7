<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** What lists of units show of one, as of its evidence at a version. No evidence: it is worked out again when more comes. */
#[ORM\Entity]
#[ORM\Table(name: 'unit_line')]
class UnitLine
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        /** For which list. */
        #[ORM\Id, ORM\Column(length: 120)]
        public readonly string $list,
        #[ORM\Column]
        public readonly int $version,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public readonly array $body,
    ) {
    }
}
