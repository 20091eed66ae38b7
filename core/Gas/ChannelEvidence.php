<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** What is known of a channel's response to a run. */
final readonly class ChannelEvidence
{
    /**
     * @param Bracket         $bracket  that stands
     * @param Span            $window   the part of the run that stands
     * @param LinearKnot|null $unsaved  the response as found, where the adjustment before the run may not have been saved
     * @param list<LeftOff>   $left     where it was left off its label, or off clean air
     * @param bool            $setRight whether the unit was told to expect another value than the label's: what it shows is then
     *                                  set right by rule
     * @param list<GasDrift>  $drifts
     */
    public function __construct(
        public Bracket $bracket,
        public Span $window,
        public ?LinearLine $line,
        public ?LinearKnot $unsaved,
        public array $left,
        public bool $setRight,
        public array $drifts,
    ) {
    }
}
