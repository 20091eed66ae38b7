<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Converting;
use Footnote\Core\Quantity\Unit;

/** The units of levels, with the weighting they were measured in where it is told. */
enum LevelUnit: string implements Unit
{
    use Converting;

    case Decibel = 'dB';
    case DecibelA = 'dB(A)';
    case DecibelC = 'dB(C)';

    public function isLevel(): bool
    {
        return true;
    }
}
