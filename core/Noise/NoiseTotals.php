<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Reading;

/** What was read off the display when there is no log. */
final readonly class NoiseTotals
{
    /**
     * @param Reading|null           $equivalentLevel L_Aeq, dB(A)
     * @param Reading|null           $peak            L_Cpeak, dB(C)
     * @param Reading|null           $slowMaximum     L_ASmax, dB(A)
     * @param array<string, Reading> $doses           dose in % by criterion
     */
    public function __construct(
        public ?Reading $equivalentLevel,
        public ?Reading $peak = null,
        public ?Reading $slowMaximum = null,
        public array $doses = [],
    ) {
    }
}
