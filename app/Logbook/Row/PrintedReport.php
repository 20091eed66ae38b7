<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;
use Footnote\App\Storage\Cells;

/** An edition as it was printed for one kind of paper. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'printed_report')]
#[ORM\UniqueConstraint(name: 'printed_report_of', columns: ['edition_id', 'paper'])]
class PrintedReport
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    private function __construct(
        #[ORM\Column(name: 'edition_id')]
        public readonly int $edition,
        #[ORM\Column(length: 10)]
        public readonly string $paper,
        #[ORM\Column]
        public readonly int $pages,
        #[ORM\Column(length: 64)]
        public readonly string $sha256,
        /** @var resource|string packed */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $bytes,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }

    public static function of(int $edition, string $paper, int $pages, string $bytes, \DateTimeImmutable $at): self
    {
        return new self($edition, $paper, $pages, hash('sha256', $bytes), Cells::packed($bytes, 1), $at);
    }
}
