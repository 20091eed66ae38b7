<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;

/**
 * What is known of one instrument, reference or library entry beyond its name, as its kind asks for it. The values were
 * read by the entries that the kind declares (Procedure\Entry), so a name is either of its declared sort or absent.
 */
final readonly class Traits
{
    /** @param array<string, string|bool|Decimal|Measured|self|list<string>|list<self>|array<array-key, Decimal>> $values by name */
    public function __construct(private array $values = [])
    {
    }

    /** With one more value. */
    public function with(string $name, Decimal $value): self
    {
        return new self([...$this->values, $name => $value]);
    }

    public function isEmpty(): bool
    {
        return $this->values === [];
    }

    public function text(string $name): ?string
    {
        $value = $this->values[$name] ?? null;

        return \is_string($value) ? $value : null;
    }

    public function flag(string $name): bool
    {
        return ($this->values[$name] ?? false) === true;
    }

    public function decimal(string $name): ?Decimal
    {
        $value = $this->values[$name] ?? null;

        return $value instanceof Decimal ? $value : null;
    }

    public function measured(string $name): ?Measured
    {
        $value = $this->values[$name] ?? null;

        return $value instanceof Measured ? $value : null;
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        $value = $this->values[$name] ?? [];

        return \is_array($value) ? array_values(array_filter($value, \is_string(...))) : [];
    }

    /** Several entries under one name; empty where they are not there. */
    public function group(string $name): self
    {
        $value = $this->values[$name] ?? null;

        return $value instanceof self ? $value : new self();
    }

    /** @return list<self> */
    public function rows(string $name): array
    {
        $value = $this->values[$name] ?? [];

        return \is_array($value) ? array_values(array_filter($value, static fn (mixed $row): bool => $row instanceof self)) : [];
    }

    /** @return array<array-key, Decimal> one number for each name that has one */
    public function each(string $name): array
    {
        $each = [];
        foreach (\is_array($this->values[$name] ?? null) ? $this->values[$name] : [] as $of => $value) {
            if ($value instanceof Decimal) {
                $each[$of] = $value;
            }
        }

        return $each;
    }

    /** A value in words for the page; null where it is not given. */
    public function shown(string $name): ?string
    {
        $value = $this->values[$name] ?? null;

        return match (true) {
            $value === null, $value === [], $value === '' => null,
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_array($value) => implode('; ', array_map(static fn (string|int $of, string|self|Decimal $one): string => match (true) {
                \is_string($one) => $one,
                $one instanceof Decimal => $of.': '.$one->written,
                default => $one->line(),
            }, array_keys($value), $value)),
            $value instanceof Measured => $value->words(),
            $value instanceof self => $value->line(),
            default => (string) $value,
        };
    }

    private function line(): string
    {
        return implode(' ', array_filter(array_map($this->shown(...), array_keys($this->values)), \is_string(...)));
    }
}
