<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A log as it came from the unit, byte for byte (kept compressed), and how it was read. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'log_file')]
#[ORM\Index(name: 'log_file_run', columns: ['run_id'])]
#[ORM\Index(name: 'log_file_sha256', columns: ['sha256'])]
class LogFile
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        #[ORM\Column(length: 200)]
        public readonly string $name,
        #[ORM\Column(length: 64)]
        public readonly string $sha256,
        #[ORM\Column()]
        public readonly int $size,
        /** @var resource|string */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $original,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public readonly array $format,
        #[ORM\Column(name: 'first_interval', length: 40)]
        public readonly string $start,
        #[ORM\Column(name: 'step_seconds')]
        public readonly float $step,
        #[ORM\Column()]
        public readonly int $length,
        /** @var list<string> what of the file is not in the log */
        #[ORM\Column(type: 'json', options: ['default' => '[]'])]
        public readonly array $remarks,
        /** The lines before its data, which may say whose it is. */
        #[ORM\Column(type: 'text', options: ['default' => ''])]
        public readonly string $head,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
