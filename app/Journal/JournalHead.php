<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\ORM\Mapping as ORM;

/** Where the journal's chain ends; the one row that two writers at once wait for. */
#[ORM\Entity]
#[ORM\Table(name: 'journal_head')]
class JournalHead
{
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $id,
        #[ORM\Column]
        public readonly int $sequence,
        #[ORM\Column(length: 64)]
        public readonly string $hash,
        /** Of sequence and hash, by the key of the journal; empty where there is none. */
        #[ORM\Column(length: 64, options: ['default' => ''])]
        public readonly string $mark = '',
    ) {
    }
}
