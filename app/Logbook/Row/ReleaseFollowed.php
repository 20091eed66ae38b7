<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** The release that worked out what is kept. One row. */
#[ORM\Entity]
#[ORM\Table(name: 'release_followed')]
class ReleaseFollowed
{
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $id,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
    ) {
    }
}
