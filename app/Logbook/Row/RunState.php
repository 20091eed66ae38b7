<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Run;

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
#[ORM\Index(name: 'run_state_begun', columns: ['started_at', 'run_id'])]
#[ORM\Index(name: 'run_state_campaign', columns: ['campaign_id', 'started_at', 'run_id'])]
#[ORM\Index(name: 'run_state_medium', columns: ['medium'])]
#[ORM\Index(name: 'run_state_version', columns: ['version'])]
#[ORM\Index(name: 'run_state_person', columns: ['person', 'campaign_id'])]
#[ORM\Index(name: 'run_state_task', columns: ['task', 'campaign_id'])]
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

    /** Empty: it was withdrawn, and is of no unit. */
    #[ORM\Column(name: 'instrument_id', length: 40)]
    private string $instrument = '';

    /** Empty: it was withdrawn, and counts in none. */
    #[ORM\Column(name: 'campaign_id', length: 40)]
    private string $campaign = '';

    #[ORM\Column(name: 'started_at', length: 26)]
    private string $startedAt = '';

    /** What runs of one person in one campaign share. */
    #[ORM\Column(name: 'shift_key', length: 40, options: ['default' => ''])]
    private string $shift = '';

    #[ORM\Column(length: 500, options: ['default' => ''])]
    private string $person = '';

    #[ORM\Column(length: 500, options: ['default' => ''])]
    private string $task = '';

    #[ORM\Column(length: 500, options: ['default' => ''])]
    private string $place = '';

    private function __construct(
        #[ORM\Id, ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
    ) {
    }

    /** @param array<string, mixed> $record of the run with its facts folded in */
    public static function of(Run $run, string $campaign, array $record): self
    {
        $state = new self($run->id);
        $state->learn($run, $campaign, $record);

        return $state;
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

    public function instrument(): string
    {
        return $this->instrument;
    }

    public function startedAt(): string
    {
        return $this->startedAt;
    }

    /**
     * As the newest fact has it. A run that was withdrawn is of no unit, campaign, shift or medium: nothing finds it there.
     *
     * @param array<string, mixed> $record of the run with its facts folded in
     */
    public function learn(Run $run, string $campaign, array $record): void
    {
        $counts = $run->notes->withdrawn === null;
        $medium = $counts ? $record['medium'] ?? null : null;
        $this->instrument = $counts ? $run->deployment->instrument : '';
        $this->campaign = $counts ? $campaign : '';
        $this->startedAt = Moments::text($run->timing->start);
        $this->stoppedAt = $run->timing->stop === null ? null : Moments::text($run->timing->stop);
        $this->shift = $counts ? self::shiftOf($run->deployment->person, $campaign) : '';
        $this->medium = \is_string($medium) && $medium !== '' ? mb_substr($medium, 0, 60) : null;
        $this->person = mb_substr($run->deployment->person, 0, 500);
        $this->task = mb_substr($run->deployment->task, 0, 500);
        $this->place = mb_substr($run->deployment->place, 0, 500);
    }

    /** @return array<string, string|null> as it stands in the database, but for what was worked out of it */
    public function columns(): array
    {
        return [
            'instrument_id' => $this->instrument,
            'campaign_id' => $this->campaign,
            'started_at' => $this->startedAt,
            'stopped_at' => $this->stoppedAt,
            'medium' => $this->medium,
            'shift_key' => $this->shift,
            'person' => $this->person,
            'task' => $this->task,
            'place' => $this->place,
        ];
    }
}
