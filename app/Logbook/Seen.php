<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Logbook\Row\RunState;

/** The versions of what an assessment was worked out of. */
final readonly class Seen
{
    /**
     * @param int                $run      of the run
     * @param int                $campaign of its campaign
     * @param string             $settled  until when it was settled by then, as kept
     * @param array<string, int> $units    of the units whose evidence was read, by = and their identifier
     */
    public function __construct(public int $run, public int $campaign, public string $settled, public array $units)
    {
    }

    /**
     * Whether what was worked out of it still holds.
     *
     * @param string $until how far the evidence was asked
     */
    public function holds(?self $now, string $until): bool
    {
        if ($now === null || $now->run !== $this->run || $now->campaign !== $this->campaign) {
            return false;
        }

        // Evidence later than what was settled touches no run; whoever asked further must look at the unit itself.
        return $now->units === $this->units
            || (\count($this->units) === 1 && $until <= $this->settled && $this->settled !== RunState::UNKNOWN);
    }
}
