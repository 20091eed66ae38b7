<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** Who says how much a sample must draw, of each family whose measurements draw one. */
final readonly class Samplers
{
    /** @param list<array{string, SizesSamples}> $samplers family, and who says it */
    public function __construct(private array $samplers)
    {
    }

    /** @return list<string> */
    public function families(): array
    {
        return array_column($this->samplers, 0);
    }

    /** Of a family; null where its measurements draw nothing. */
    public function of(string $family): ?SizesSamples
    {
        foreach ($this->samplers as $one) {
            if ($one[0] === $family) {
                return $one[1];
            }
        }

        return null;
    }

    /** Of any family; null where none draws anything. */
    public function any(): ?SizesSamples
    {
        return $this->samplers[0][1] ?? null;
    }
}
