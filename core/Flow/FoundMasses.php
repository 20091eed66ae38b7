<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What a laboratory found, and what it could have. */
final readonly class FoundMasses
{
    /**
     * @param Mass|null $back         of the back section; null where there is none
     * @param Mass|null $quantitation limit of quantitation
     * @param Mass|null $detection    limit of detection
     */
    public function __construct(
        public Mass $front,
        public ?Mass $back,
        public ?Mass $quantitation,
        public ?Mass $detection,
    ) {
    }
}
