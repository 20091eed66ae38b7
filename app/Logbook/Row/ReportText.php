<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A text of the house for reports, with its placeholders. The newest of a name counts; none is ever changed. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'report_text')]
class ReportText
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(length: 20)]
        public readonly string $name,
        #[ORM\Column(type: 'text')]
        public readonly string $text,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
