<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\Span;

/** What happens around a stand-in while somebody walks a check with it: what it sits on, and when each thing was done. */
final readonly class Scene
{
    /**
     * @param \DateTimeImmutable $began  when the stand-in was switched on
     * @param Reference|null     $chosen the reference that the check names
     * @param list<Reference>    $others that its answers name as well
     * @param Traits             $said   what was answered so far
     */
    public function __construct(
        public \DateTimeImmutable $began,
        public Instrument $unit,
        public ?Reference $chosen,
        public array $others,
        private Doings $doings,
        public Traits $said,
    ) {
    }

    /** When something was switched on at a step, s: its clock was started, or the step was left without one. */
    public function on(string $step): ?float
    {
        return $this->seconds($this->doings->clocks[$step] ?? $this->doings->settled[$step] ?? null);
    }

    public function settledAt(string $step): ?float
    {
        return $this->seconds($this->doings->settled[$step] ?? null);
    }

    /** @return list<float> when each reading of a step was taken, s, in the order of time */
    public function takenAt(string $step): array
    {
        $seconds = array_map(fn (\DateTimeImmutable $at): float => $this->seconds($at), $this->doings->taken[$step] ?? []);
        sort($seconds);

        return $seconds;
    }

    /** Whether somebody is at a step, or was. */
    public function cameTo(string $step): bool
    {
        return $this->doings->at === $step || isset($this->doings->settled[$step]) || isset($this->doings->taken[$step]);
    }

    /** When it was adjusted at a step, s; null where it was not. */
    public function adjustedAt(string $step, string $answer): ?float
    {
        return $this->said->flag($answer) ? $this->settledAt($step) : null;
    }

    /** @return ($at is null ? null : float) */
    private function seconds(?\DateTimeImmutable $at): ?float
    {
        return $at === null ? null : max(0.0, Span::secondsBetween($this->began, $at));
    }
}
