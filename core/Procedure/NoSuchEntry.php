<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** A step asks for what its section of the record does not hold. */
final class NoSuchEntry extends \LogicException
{
    public static function named(string $name): self
    {
        return new self(\sprintf('The section of the record holds no "%s".', $name));
    }
}
