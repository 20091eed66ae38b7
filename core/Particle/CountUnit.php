<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Quantity\Converting;
use Footnote\Core\Quantity\Unit;

/** What only particle counters show, and the density of what they count. */
enum CountUnit: string implements Unit
{
    use Converting;

    case PerCubicCentimetre = '/cm³';
    case PerMinute = '/min';
    case GramPerCubicCentimetre = 'g/cm³';
}
