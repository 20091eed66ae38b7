<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** The levels of the ten seconds on one side of a stretch, thousandths of a dB. */
final readonly class Neighbours
{
    /** @param bool $partFilled whether the one next to the stretch is louder than all the others */
    private function __construct(public int $lowest, public bool $partFilled)
    {
    }

    /**
     * Null where there is nothing on that side.
     *
     * @param array<int, int> $levels by place
     * @param int             $next   place of the one next to the stretch
     */
    public static function of(array $levels, int $next): ?self
    {
        $others = array_diff_key($levels, [$next => true]);

        return $levels === [] ? null : new self(min($levels), isset($levels[$next]) && $others !== [] && $levels[$next] > max($others));
    }
}
