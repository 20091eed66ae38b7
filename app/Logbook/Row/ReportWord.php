<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** What somebody says of a report: that it is asked otherwise, a remark on a paragraph, that a remark is settled. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'report_word')]
#[ORM\Index(name: 'report_word_report', columns: ['report_id'])]
class ReportWord
{
    public const ASKED = 'asked';
    public const REMARK = 'remark';
    public const SETTLED = 'settled';

    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'report_id', length: 40)]
        public readonly string $report,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
