<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** One column of a log, packed: 32-bit whole thousandths, kept compressed. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'log_channel')]
class LogChannel
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'log_id', length: 40)]
        public readonly string $log,
        #[ORM\Id, ORM\Column]
        public readonly int $place,
        /** @var resource|string */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $packed,
    ) {
    }
}
