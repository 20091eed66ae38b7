<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A run as it was started; what is learned later stands in its facts. */
#[ORM\Entity]
#[ORM\Table(name: 'run')]
#[ORM\Index(name: 'run_instrument', columns: ['instrument_id', 'started_at'])]
#[ORM\Index(name: 'run_campaign', columns: ['campaign_id', 'started_at', 'id'])]
#[ORM\Index(name: 'run_started', columns: ['started_at', 'id'])]
#[ORM\Index(name: 'run_shift', columns: ['shift_key'])]
#[ORM\Index(name: 'run_medium', columns: ['medium'])]
class RecordedRun
{
    /** The true time of its stop; null while it runs. Set once by the fact that stops it. */
    #[ORM\Column(name: 'stopped_at', type: 'datetime_immutable', nullable: true)]
    private ?\DateTimeImmutable $stoppedAt = null;

    /** The number of the medium, where the run draws air through one. */
    #[ORM\Column(length: 60, nullable: true)]
    private ?string $medium;

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
        /** What runs of one person in one campaign share. */
        #[ORM\Column(name: 'shift_key', length: 40, options: ['default' => ''])]
        public readonly string $shift = '',
    ) {
        $this->medium = self::mediumOf($record);
    }

    /** What all runs of one person in one campaign share; which of them are one shift is judged by their times. */
    public static function shiftOf(string $person, string $campaign): string
    {
        return substr(hash('sha256', implode("\0", [$campaign, $person])), 0, 40);
    }

    public function medium(): ?string
    {
        return $this->medium;
    }

    /**
     * The medium as the newest fact has it.
     *
     * @param array<string, mixed> $record
     */
    public function sampleOn(array $record): void
    {
        $this->medium = self::mediumOf($record);
    }

    /** @param array<string, mixed> $record */
    private static function mediumOf(array $record): ?string
    {
        return \is_string($record['medium'] ?? null) && $record['medium'] !== '' ? mb_substr($record['medium'], 0, 60) : null;
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
