<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** Something that a unit is waited for: no evidence by itself; a check that waits for the same takes its beginning over. */
#[ORM\Entity]
#[ORM\Table(name: 'unit_timer')]
#[ORM\Index(name: 'unit_timer_running', columns: ['ended_at', 'instrument_id'])]
class UnitTimer
{
    #[ORM\Column(name: 'ended_at', type: 'datetime_immutable', nullable: true)]
    private ?\DateTimeImmutable $endedAt = null;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(length: 20)]
        public readonly string $what,
        #[ORM\Column()]
        public readonly int $seconds,
        #[ORM\Column(name: 'started_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'started_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $startedAt,
    ) {
    }

    public function end(\DateTimeImmutable $at): void
    {
        $this->endedAt = $at;
    }

    public function isEnded(): bool
    {
        return $this->endedAt !== null;
    }
}
