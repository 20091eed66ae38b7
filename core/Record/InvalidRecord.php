<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A record does not hold together. Names the place as a JSON pointer. */
final class InvalidRecord extends \InvalidArgumentException
{
    /** @param list<self> $others what else is wrong beside it */
    public function __construct(public readonly string $path, public readonly string $problem, public readonly array $others = [])
    {
        parent::__construct(implode(' ', [
            ($path === '' ? '/' : $path).': '.$problem,
            ...array_map(static fn (self $other): string => $other->getMessage(), $others),
        ]));
    }

    /** @param list<self> $others */
    public function with(array $others): self
    {
        return $others === [] ? $this : new self($this->path, $this->problem, $others);
    }

    /** @return non-empty-list<array{field: string, problem: string}> of all that is wrong, its own first */
    public function fields(): array
    {
        return array_map(static fn (self $one): array => ['field' => $one->path, 'problem' => $one->problem], [$this, ...$this->others]);
    }
}
