<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Decimal;

/** One reading as it was read from a line that an instrument printed. */
final readonly class Sample
{
    /**
     * @param int                $line      of the stretch, from 1
     * @param \DateTimeImmutable $at        when it came; where nobody saw it come, what the line says
     * @param string             $unit      the name that the line gives its instrument; empty: none
     * @param Decimal            $value     as it stands on the line
     * @param string             $in        the unit of measure that the line or its profile says
     * @param bool               $simulated whether the line itself says that a stand-in printed it
     */
    public function __construct(
        public int $line,
        public \DateTimeImmutable $at,
        public string $unit,
        public string $channel,
        public Decimal $value,
        public string $in,
        public bool $simulated = false,
    ) {
    }
}
