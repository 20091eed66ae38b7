<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

/** A line does not say what its profile says that lines do. */
final class UnreadableLine extends \InvalidArgumentException
{
    public static function because(string $why): self
    {
        return new self($why);
    }
}
