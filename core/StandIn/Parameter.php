<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Derivation\SourceMark;

/** One number of a stand-in, and where it is from. */
final readonly class Parameter
{
    public function __construct(public float $value, public string $source, public SourceMark $mark)
    {
    }

    /** A number of our own, made up within what is usual. */
    public static function own(float $value): self
    {
        return new self($value, 'made up, within what is usual', SourceMark::Own);
    }
}
