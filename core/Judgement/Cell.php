<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One cell of a breakdown: what is printed, and the figure that its note opens. */
final readonly class Cell
{
    /** @param bool $isNoted whether its note stands beside the table; else another cell of the row leads to it */
    private function __construct(public string $shown, public ?Figure $figure, public bool $isNoted = false)
    {
    }

    public static function text(?string $text): self
    {
        return new self($text ?? '', null);
    }

    /** Printed without a note of its own: another cell of the row derives from it. */
    public static function plain(?Figure $figure): self
    {
        return new self($figure?->shown() ?? '', $figure);
    }

    public static function noted(?Figure $figure): self
    {
        return new self($figure?->shown() ?? '', $figure, true);
    }

    /** With its sign, as a margin is told. */
    public static function signed(?Figure $figure): self
    {
        return new self($figure?->signed() ?? '', $figure, true);
    }
}
