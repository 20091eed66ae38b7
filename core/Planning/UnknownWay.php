<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** Nobody has said how long it takes from one place to another. */
final class UnknownWay extends \DomainException
{
    public function __construct(public readonly string $one, public readonly string $other)
    {
        parent::__construct(\sprintf('how long it takes from %s to %s is not said.', $one, $other));
    }
}
