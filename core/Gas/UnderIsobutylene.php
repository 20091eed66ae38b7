<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** What isobutylene did to a channel whose span it is not. */
final readonly class UnderIsobutylene
{
    /**
     * @param list<GasRow> $readings what the channel showed while it flowed
     * @param bool         $before   whether the channel was spanned after it had flowed over it
     */
    public function __construct(
        public array $readings,
        public bool $before,
    ) {
    }
}
