<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\ORM\Mapping as ORM;

/** What one entry of the journal says of one row of evidence; the entry's own hash covers all of its lines. */
#[ORM\Entity]
#[ORM\Table(name: 'evidence_bound')]
#[ORM\Index(name: 'evidence_bound_row', columns: ['table_name', 'row_key'])]
#[ORM\Index(name: 'evidence_bound_entry', columns: ['sequence'])]
class BoundRow
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column]
        public readonly int $sequence,
        #[ORM\Column(name: 'table_name', length: 60)]
        public readonly string $table,
        #[ORM\Column(name: 'row_key', length: 200)]
        public readonly string $key,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
    ) {
    }
}
