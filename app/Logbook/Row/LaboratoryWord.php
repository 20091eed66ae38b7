<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** What a laboratory said later about a report of its own: whether it had corrected its numbers. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'laboratory_word')]
#[ORM\Index(name: 'laboratory_word_report', columns: ['report_id', 'id'])]
class LaboratoryWord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'report_id', length: 40)]
        public readonly string $report,
        /** @var array<string, mixed> what takes the place of what the report says */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(type: 'text')]
        public readonly string $reason,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
