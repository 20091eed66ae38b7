<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

use Footnote\Core\Quantity\Unit;

/** What a number may be. */
final readonly class Scale
{
    /**
     * @param list<Unit> $units that may be chosen; the first is usual. For a plain decimal: the one it is in
     */
    public function __construct(
        public array $units = [],
        public string $least = '-1000000',
        public string $most = '1000000',
    ) {
    }
}
