<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Moments;

/**
 * Where a run stands, as its facts have it: what other runs, pages and readers find it by. It is made of evidence and can be made
 * again of it; evidence itself is only ever added.
 */
#[ORM\Entity]
#[ORM\Table(name: 'run_state')]
#[ORM\Index(name: 'run_state_settled', columns: ['instrument_id', 'settled_until'])]
#[ORM\Index(name: 'run_state_started', columns: ['instrument_id', 'started_at'])]
#[ORM\Index(name: 'run_state_stopped', columns: ['instrument_id', 'stopped_at'])]
#[ORM\Index(name: 'run_state_shift', columns: ['shift_key', 'started_at'])]
#[ORM\Index(name: 'run_state_medium', columns: ['medium'])]
#[ORM\Index(name: 'run_state_version', columns: ['version'])]
class RunState
{
    /** Nobody judged it since evidence came. */
    public const UNKNOWN = '~';

    /** Days around a run in which every run lies that can share its shift. */
    public const SHIFT = 7;

    /** The true time of its stop; null while it runs. */
    #[ORM\Column(name: 'stopped_at', length: 26, nullable: true)]
    private ?string $stoppedAt = null;

    /** The number of the medium, where the run draws air through one. */
    #[ORM\Column(length: 60, nullable: true)]
    private ?string $medium = null;

    /** The latest moment of its unit's evidence that its assessments asked for: what comes later changes nothing. */
    #[ORM\Column(name: 'settled_until', length: 26, options: ['default' => self::UNKNOWN])]
    private string $settledUntil = self::UNKNOWN;

    /** The journal's sequence of the change that touched it last. */
    #[ORM\Column(options: ['default' => 0])]
    private int $version = 0;

    public function __construct(
        #[ORM\Id, ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'campaign_id', length: 40)]
        public readonly string $campaign,
        #[ORM\Column(name: 'started_at', length: 26)]
        public readonly string $startedAt,
        /** What runs of one person in one campaign share. */
        #[ORM\Column(name: 'shift_key', length: 40, options: ['default' => ''])]
        public readonly string $shift = '',
    ) {
    }

    public static function of(RecordedRun $run, \DateTimeImmutable $start, string $person): self
    {
        return new self($run->id, $run->instrument, $run->campaign, Moments::text($start), self::shiftOf($person, $run->campaign));
    }

    /** What all runs of one person in one campaign share; which of them are one shift is judged by their times. */
    public static function shiftOf(string $person, string $campaign): string
    {
        return substr(hash('sha256', implode("\0", [$campaign, $person])), 0, 40);
    }

    public function version(): int
    {
        return $this->version;
    }

    public function settledUntil(): string
    {
        return $this->settledUntil;
    }

    public function stoppedAt(): ?string
    {
        return $this->stoppedAt;
    }

    public function medium(): ?string
    {
        return $this->medium;
    }

    /**
     * As the newest fact has it.
     *
     * @param array<string, mixed> $record of the run with its facts folded in
     */
    public function learn(?\DateTimeImmutable $stop, array $record): void
    {
        $this->stoppedAt = $stop === null ? null : Moments::text($stop);
        $medium = $record['medium'] ?? null;
        $this->medium = \is_string($medium) && $medium !== '' ? mb_substr($medium, 0, 60) : null;
    }
}
