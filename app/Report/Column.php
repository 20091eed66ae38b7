<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/** A column of a table that leaves the house: what it is called for good, what it holds, and what that means. */
final readonly class Column
{
    public const TEXT = 'string';
    public const NUMBER = 'number';
    public const MOMENT = 'datetime';
    public const DAY = 'date';

    private function __construct(public string $name, public string $type, public string $meaning)
    {
    }

    public static function text(string $name, string $meaning): self
    {
        return new self($name, self::TEXT, $meaning);
    }

    public static function number(string $name, string $meaning): self
    {
        return new self($name, self::NUMBER, $meaning);
    }

    /** ISO 8601 with its offset. */
    public static function moment(string $name, string $meaning): self
    {
        return new self($name, self::MOMENT, $meaning);
    }

    /** Y-m-d */
    public static function day(string $name, string $meaning): self
    {
        return new self($name, self::DAY, $meaning);
    }
}
