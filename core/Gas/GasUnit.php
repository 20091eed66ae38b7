<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Converting;
use Footnote\Core\Quantity\Unit;

/** What only gas monitors show. */
enum GasUnit: string implements Unit
{
    use Converting;

    /** Of the lower explosive limit, which depends on the gas: it converts to nothing. */
    case PercentExplosive = '% LEL';

    /** A unit of channels and cylinders by its symbol. */
    public static function named(string $symbol): ?Unit
    {
        return self::tryFrom($symbol) ?? CommonUnit::tryFrom($symbol);
    }
}
