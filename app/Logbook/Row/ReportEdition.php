<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;
use Footnote\App\Storage\Cells;

/** A report as it was signed and issued: all that it says, to the letter. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'report_edition')]
#[ORM\UniqueConstraint(name: 'report_edition_of', columns: ['report_id', 'edition'])]
#[ORM\UniqueConstraint(name: 'report_edition_address', columns: ['address'])]
class ReportEdition
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    private function __construct(
        #[ORM\Column(name: 'report_id', length: 40)]
        public readonly string $report,
        #[ORM\Column]
        public readonly int $edition,
        /** Under which a stranger asks whether it still stands; nobody guesses it. */
        #[ORM\Column(length: 40)]
        public readonly string $address,
        /** @var array<string, mixed> what was said at the signature, and why it follows an edition before */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        /** @var resource|string packed */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $content,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }

    /**
     * @param array{string, int, string} $which the report, the number of the edition, its address
     * @param array<string, mixed>       $record
     */
    public static function of(array $which, array $record, string $content, string $by, \DateTimeImmutable $at): self
    {
        return new self(...$which, ...[
            'record' => $record,
            'digest' => hash('sha256', $content),
            'content' => Cells::packed($content),
            'by' => $by,
            'recordedAt' => $at,
        ]);
    }
}
