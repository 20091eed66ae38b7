<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** A measurement that cannot be done as it is wanted, why, and the nearest that can. */
final readonly class Shortfall
{
    /**
     * @param list<string> $why     in sentences
     * @param string       $nearest in a sentence
     * @param Wanted|null  $instead what to want in its place, so that it is done; null where nothing is won, or it is done already
     */
    public function __construct(
        public Wanted $wanted,
        public array $why,
        public string $nearest,
        public NearestKind $kind,
        public ?Wanted $instead = null,
    ) {
    }
}
