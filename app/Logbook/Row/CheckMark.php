<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** What the checks of a unit came to up to one of them. No evidence: it goes when evidence comes before it. */
#[ORM\Entity]
#[ORM\Table(name: 'check_mark')]
#[ORM\Index(name: 'check_mark_at', columns: ['instrument_id', 'kind', 'marked_at'])]
#[ORM\Index(name: 'check_mark_since', columns: ['instrument_id', 'marked_at'])]
class CheckMark
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'check_id', length: 40)]
        public readonly string $check,
        /** What it is of: the fold, the channel, the taking of recalls. */
        #[ORM\Id, ORM\Column(length: 100)]
        public readonly string $kind,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'marked_at', length: 26)]
        public readonly string $at,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public readonly array $tally,
    ) {
    }
}
