<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Procedure\Step;

/** What a unit is waited for, whether or not a check has begun. */
enum TimedWait: string
{
    case Charging = 'charging';
    case WarmUp = 'warm-up';
    case Soak = 'soak';

    /** While it runs. */
    public function words(): string
    {
        return match ($this) {
            self::Charging => 'charging',
            self::WarmUp => 'warming up',
            self::Soak => 'coming to the temperature of the room',
        };
    }

    /** The step of a check that waits for the same. */
    public function step(): ?string
    {
        return $this === self::WarmUp ? Step::WARM_UP : null;
    }
}
