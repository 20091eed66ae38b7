<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** What the checks showed of a channel. */
final readonly class ChannelFindings
{
    /**
     * @param list<GasDrift>     $drifts
     * @param list<Intervention> $rezeroed
     * @param LinearKnot|null    $unsaved     the response that holds if the adjustment before the run was lost
     * @param Figure|null        $largestEver the most this channel has ever drifted
     * @param list<LeftOff>      $left        where it was left off its label, or off clean air
     */
    public function __construct(
        public ?LinearLine $line,
        public array $drifts,
        public array $rezeroed,
        public ?LinearKnot $unsaved,
        public ?Figure $largestEver,
        public array $left,
    ) {
    }
}
