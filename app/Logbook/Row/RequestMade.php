<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A request that was carried out, by the identifier its sender gave it: sent again after a lost answer it does nothing twice. */
#[ORM\Entity]
#[ORM\Table(name: 'request_made')]
class RequestMade
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 64)]
        public readonly string $id,
        #[ORM\Id, ORM\Column(length: 60)]
        public readonly string $kind,
        #[ORM\Column(length: 40)]
        public readonly string $actor,
        /** What it came to, as JSON: most often the identifier of what was made. */
        #[ORM\Column(type: 'text')]
        public readonly string $made,
        /** The entry of the journal that tells of it. */
        #[ORM\Column]
        public readonly int $sequence,
    ) {
    }
}
