<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Traits;

/** What is written down at a particle counter or a dust monitor: flow, clean air, spheres, cell and laser. */
final readonly class ParticleCheck implements CheckContent
{
    /** @param Traits $written what its entries hold, as declared by ParticleFormat */
    public function __construct(public Traits $written)
    {
    }

    public function procedure(): string
    {
        return $this->written->text('procedure') ?? '';
    }

    /**
     * Rows of a list that count: what was struck out does not.
     *
     * @return list<Traits>
     */
    public function rows(string $list): array
    {
        return array_values(array_filter($this->written->rows($list), static fn (Traits $row): bool => $row->text('struck') === null));
    }

    public function leansOn(): array
    {
        $lot = $this->written->text('lot');

        return $lot === null ? [] : [$lot];
    }

    public function wasAdjusted(): bool
    {
        return $this->flowAdjusted() || $this->written->flag('zeroAdjusted') || $this->written->flag('cellAdjusted');
    }

    public function flowAdjusted(): bool
    {
        return $this->written->flag('flowAdjusted');
    }

    public function hasAsFound(): bool
    {
        return $this->rows('flowFound') !== [] || $this->rows('zeroFound') !== [];
    }

    public function asLeftIsKnown(): bool
    {
        return (!$this->flowAdjusted() || $this->rows('flowLeft') !== [])
            && (!$this->written->flag('zeroAdjusted') || $this->rows('zeroLeft') !== []);
    }
}
