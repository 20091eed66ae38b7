<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Policies;
use Footnote\Core\Judgement\Policy;

/** By which policy the kit is shown: that of the newest campaign. */
final readonly class KitPolicy
{
    public function __construct(private Campaigns $campaigns, private Policies $policies)
    {
    }

    /** Empty where no campaign says by which. */
    public function key(): string
    {
        return $this->campaigns->newest()['policy'] ?? '';
    }

    public function policy(): ?Policy
    {
        $key = $this->key();

        return $key === '' ? null : $this->policies->get($key);
    }
}
