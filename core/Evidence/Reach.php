<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The latest moment of a unit's evidence that was asked for: what comes later changes nothing of what was worked out. */
final class Reach
{
    private ?\DateTimeImmutable $until = null;

    private bool $isEndless = false;

    public function note(\DateTimeImmutable $moment): void
    {
        if ($this->until === null || $moment > $this->until) {
            $this->until = $moment;
        }
    }

    /** Everything that there was, and whatever comes, was asked for. */
    public function noteEnd(): void
    {
        $this->isEndless = true;
    }

    /** Null: it has no end, or nothing was asked for yet. */
    public function until(): ?\DateTimeImmutable
    {
        return $this->isEndless ? null : $this->until;
    }
}
