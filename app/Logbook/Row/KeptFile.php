<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;
use Footnote\App\Storage\Cells;

/** A photo or a document that says something of a check, a run, a reference or an instrument. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'kept_file')]
#[ORM\Index(name: 'kept_file_of', columns: ['of_kind', 'of_id'])]
class KeptFile
{
    private function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'of_kind', length: 20)]
        public readonly string $kind,
        #[ORM\Column(name: 'of_id', length: 60)]
        public readonly string $of,
        /** @var array<string, mixed> as written, in the record format: name, type, note, and what was taken out of it */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(length: 64)]
        public readonly string $sha256,
        #[ORM\Column()]
        public readonly int $size,
        /** @var resource|string packed */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $bytes,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }

    /**
     * @param array{string, string} $of     the kind of thing that it is of, and its identifier
     * @param array<string, mixed>  $record as written, in the record format
     */
    public static function of(string $id, array $of, array $record, string $bytes, string $by, \DateTimeImmutable $at): self
    {
        [$kind, $thing] = $of;

        // Pictures are packed already: little effort.
        return new self($id, $kind, $thing, $record, hash('sha256', $bytes), \strlen($bytes), Cells::packed($bytes, 1), $by, $at);
    }
}
