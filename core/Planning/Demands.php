<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What may be demanded of units, of each family whose units differ in what they can measure. */
final readonly class Demands
{
    /** @param list<array{string, DemandsOfUnits}> $demands family, and what may be demanded of its units */
    public function __construct(private array $demands)
    {
    }

    /** @return list<string> */
    public function families(): array
    {
        return array_column($this->demands, 0);
    }

    /** Of a family; null where nothing may be demanded of its units. */
    public function of(string $family): ?DemandsOfUnits
    {
        foreach ($this->demands as [$of, $demands]) {
            if ($of === $family) {
                return $demands;
            }
        }

        return null;
    }
}
