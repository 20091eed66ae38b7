<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** How far a task is planned, backwards. */
final readonly class Stand
{
    /**
     * @param ActivityKind|null $done  what was planned of it last; null: nothing yet
     * @param int|null          $soaks the minute from which it must be on
     */
    public function __construct(public ?ActivityKind $done = null, public ?int $soaks = null)
    {
    }

    /** What comes before it; null where it is planned whole. */
    public function next(): ?ActivityKind
    {
        return match ($this->done) {
            null => ActivityKind::Fit,
            ActivityKind::Fit => ActivityKind::PreCheck,
            ActivityKind::PreCheck => ActivityKind::SwitchOn,
            default => null,
        };
    }
}
