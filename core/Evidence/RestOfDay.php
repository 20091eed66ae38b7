<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A person's word on the part of the working day that was not sampled, with the reason. */
final readonly class RestOfDay
{
    /** @param bool $asSampled true: it was like what was sampled; false: there was no exposure */
    public function __construct(public bool $asSampled, public string $reason, public string $by)
    {
    }

    public function words(): string
    {
        return \sprintf(
            '%s says that the rest of the day was %s: %s',
            $this->by,
            $this->asSampled ? 'like what was sampled' : 'without exposure',
            $this->reason,
        );
    }
}
