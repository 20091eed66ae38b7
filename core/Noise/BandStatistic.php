<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** What a level of a band stands for over the measurement. */
enum BandStatistic: string
{
    case Maximum = 'maximum';
    case Average = 'average';
}
