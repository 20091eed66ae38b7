<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\FlowLine;

/** How a sample was drawn. */
final readonly class Drawn
{
    /**
     * @param FlowLine|null  $line        of its flow along the bracket; null where no check shows one
     * @param list<Span>     $stretches   in which the pump ran
     * @param GaugeCurve|null $curve      by which a gauge's readings are flows
     * @param Figure|null    $largestEver the most this pump's flow has ever changed
     */
    public function __construct(
        public ?FlowLine $line,
        public array $stretches,
        public ?GaugeCurve $curve,
        public ?Figure $largestEver,
    ) {
    }
}
