<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A laboratory's report: what it says of all its rows, how its columns were read, and the file itself. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'laboratory_report')]
#[ORM\Index(name: 'laboratory_report_laboratory', columns: ['laboratory', 'recorded_at'])]
class LaboratoryReport
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(length: 200)]
        public readonly string $laboratory,
        /** @var array<string, mixed> as written, in the record format, without its rows */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        /** @var array<string, mixed>|null which column holds what; null where it was typed */
        #[ORM\Column(type: 'json', nullable: true)]
        public readonly ?array $mapping,
        #[ORM\Column(name: 'file_name', length: 200)]
        public readonly string $fileName,
        #[ORM\Column(length: 64)]
        public readonly string $sha256,
        /** @var resource|string|null packed; null where it was typed */
        #[ORM\Column(type: 'blob', nullable: true)]
        public readonly mixed $original,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
