<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** An expression does not read as one. */
final class UnreadableExpression extends \LogicException
{
    public static function at(string $written, string $rest): self
    {
        return new self(\sprintf('"%s" does not read as an expression from "%s" on.', $written, $rest));
    }
}
