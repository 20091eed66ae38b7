<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A record does not hold together. Names the place as a JSON pointer. */
final class InvalidRecord extends \InvalidArgumentException
{
    public function __construct(public readonly string $path, public readonly string $problem)
    {
        parent::__construct(($path === '' ? '/' : $path).': '.$problem);
    }
}
