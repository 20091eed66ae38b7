<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A word on what a person may do from now on: the newest one counts. Without roles access has ended. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'access_word')]
#[ORM\Index(name: 'access_word_person', columns: ['person'])]
class AccessWord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @param string $roles with a blank between them; empty: none */
    public function __construct(
        #[ORM\Column(length: 40)]
        public readonly string $person,
        #[ORM\Column(length: 80)]
        public readonly string $roles,
        #[ORM\Column(length: 500)]
        public readonly string $reason,
        #[ORM\Column(length: 40)]
        public readonly string $recordedBy,
        #[ORM\Column]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
