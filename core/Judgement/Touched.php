<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** What a finding touches: a whole unit, one channel of it, or some results only. */
final readonly class Touched
{
    /**
     * @param string|null  $channel the one channel it touches; null for the whole unit
     * @param list<string> $results keys of the only results it touches; none: all of the channel or unit
     * @param list<Figure> $figures that it speaks of
     */
    public function __construct(public ?string $channel = null, public array $results = [], public array $figures = [])
    {
    }
}
