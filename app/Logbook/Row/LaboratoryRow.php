<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** One line of a laboratory's report: one substance on one medium. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'laboratory_row')]
#[ORM\Index(name: 'laboratory_row_medium', columns: ['medium', 'analyte'])]
#[ORM\Index(name: 'laboratory_row_report', columns: ['report_id'])]
class LaboratoryRow
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'report_id', length: 40)]
        public readonly string $report,
        #[ORM\Column(length: 60)]
        public readonly string $medium,
        #[ORM\Column(length: 60)]
        public readonly string $analyte,
        /** @var array<string, mixed> as written, in the record format */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
    ) {
    }
}
