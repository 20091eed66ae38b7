<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A word on a thing of the kit: where it is, whose, what belongs to it. The newest counts; none is ever changed. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'kit_word')]
#[ORM\Index(name: 'kit_word_of', columns: ['owner', 'of_id'])]
class SaidOfKit
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @param array<string, mixed> $record as it was said */
    public function __construct(
        #[ORM\Column(length: 20)]
        public readonly string $owner,
        #[ORM\Column(name: 'of_id', length: 40)]
        public readonly string $of,
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
