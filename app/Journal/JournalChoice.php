<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** Which entries are asked for. */
#[Exclude]
final readonly class JournalChoice
{
    /**
     * @param int|null                $before a sequence
     * @param \DateTimeImmutable|null $from   the first moment
     * @param \DateTimeImmutable|null $to     the moment after the last
     * @param string                  $actor  a code; empty: anybody
     * @param string                  $about  a unit, reference, check, run or sample; empty: anything
     */
    public function __construct(
        public ?int $before = null,
        public ?\DateTimeImmutable $from = null,
        public ?\DateTimeImmutable $to = null,
        public string $actor = '',
        public string $about = '',
    ) {
    }
}
