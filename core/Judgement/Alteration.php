<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Quantity\Span;

/** Something removed, filled in or assumed: what, why, and by whom. */
final readonly class Alteration
{
    /**
     * @param string    $what in words, with its times: "a tone of 114.0 dB from 12:00:00 for 60 s"
     * @param string    $why  the rule, or a person's reason
     * @param string    $by   the rule's identifier, or the person
     * @param Span|null $span that it covers, where it is a stretch of time
     */
    public function __construct(
        public AlterationKind $kind,
        public string $what,
        public string $why,
        public string $by,
        public ?Span $span = null,
    ) {
    }
}
