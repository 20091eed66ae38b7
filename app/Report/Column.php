<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/** A column of a table that leaves the house: what it is called for good, what it holds, and what that means. */
final readonly class Column
{
    public const TEXT = 'string';
    public const NUMBER = 'number';
    public const MOMENT = 'datetime';

    public function __construct(public string $name, public string $type, public string $meaning)
    {
    }
}
