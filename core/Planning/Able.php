<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** Whether a unit can measure what is demanded of it. */
final readonly class Able
{
    /**
     * @param list<string> $against why it cannot, in sentences
     * @param list<string> $unknown what of it is not on record, so that nobody can say here, in sentences
     */
    public function __construct(public array $against = [], public array $unknown = [])
    {
    }

    public static function lacking(string $against): self
    {
        return new self([$against]);
    }

    public static function unknown(string $unknown): self
    {
        return new self(unknown: [$unknown]);
    }

    public function and(self $other): self
    {
        return new self([...$this->against, ...$other->against], [...$this->unknown, ...$other->unknown]);
    }
}
