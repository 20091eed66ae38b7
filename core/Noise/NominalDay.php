<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;

/** T_0, the eight hours that a daily noise exposure level is told over (published: ISO 9612). */
final class NominalDay
{
    public const HOURS = 8;

    public static function figure(): Figure
    {
        return Figure::read(
            'T_0',
            'nominal day',
            Exact::of(self::HOURS),
            CommonUnit::Hour,
            new Origin('constant', 'ISO 9612', 'ISO 9612, published'),
            0,
        );
    }
}
