<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** The last number that the logbook gave of a kind. It can be found again among what has numbers. */
#[ORM\Entity]
#[ORM\Table(name: 'number_given')]
class NumberGiven
{
    public function __construct(
        /** With which identifiers of that kind begin, such as "C-". */
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $prefix,
        #[ORM\Column]
        public readonly int $last,
    ) {
    }
}
