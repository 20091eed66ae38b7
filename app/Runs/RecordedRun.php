<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\Mapping as ORM;

/** A run as it was started; what is learned later stands in its facts. */
#[ORM\Entity]
#[ORM\Table(name: 'run')]
#[ORM\Index(name: 'run_instrument', columns: ['instrument_id', 'started_at'])]
#[ORM\Index(name: 'run_campaign', columns: ['campaign_id', 'started_at', 'id'])]
#[ORM\Index(name: 'run_started', columns: ['started_at', 'id'])]
class RecordedRun
{
    /** The true time of its stop; null while it runs. Set once by the fact that stops it. */
    #[ORM\Column(name: 'stopped_at', type: 'datetime_immutable', nullable: true)]
    private ?\DateTimeImmutable $stoppedAt = null;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        #[ORM\Column(name: 'started_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $startedAt,
        /** @var array<string, mixed> as written, in the record format */
        #[ORM\Column(type: 'json')]
        public readonly array $record,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }

    public function stoppedAt(): ?\DateTimeImmutable
    {
        return $this->stoppedAt;
    }

    /** The stop as the newest fact has it. */
    public function stop(\DateTimeImmutable $at): void
    {
        $this->stoppedAt = $at->setTimezone(new \DateTimeZone('UTC'));
    }
}
