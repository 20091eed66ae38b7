<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Judgement\Breakdown;
use Footnote\Core\Judgement\Cell;
use Footnote\Core\Noise\OctaveBand;

/** A room band by band: what was measured, what is permissible, and by how much it lies above or below. */
final readonly class BandComparison implements Breakdown
{
    /** Of the result that says by how much the worst band of a room lies above its permissible level. */
    public const KEY = 'room';

    /** @param list<ComparedBand> $bands that have a permissible level, lowest first */
    public function __construct(public PermissibleLevels $permissible, public array $bands)
    {
    }

    public function title(): string
    {
        return 'Band by band against '.$this->permissible->name();
    }

    public function columns(): array
    {
        return ['Band', 'Measured, dB', 'Permissible, dB', 'Above it by, dB', 'by every check, dB', 'Verdict of the band'];
    }

    public function rows(): array
    {
        return array_map(static fn (ComparedBand $one): array => [
            Cell::text($one->band->words()),
            $one->level === null ? Cell::text('not measured') : Cell::plain($one->level),
            Cell::plain($one->permissible),
            Cell::signed($one->over),
            Cell::text($one->interval()),
            Cell::text($one->verdict()),
        ], $this->bands);
    }

    /** Null where the band has no permissible level. */
    public function of(OctaveBand $band): ?ComparedBand
    {
        foreach ($this->bands as $one) {
            if ($one->band === $band) {
                return $one;
            }
        }

        return null;
    }

    /** @return list<OctaveBand> that have a permissible level and were not measured */
    public function missing(): array
    {
        return array_values(
            array_map(
                static fn (ComparedBand $one): OctaveBand => $one->band,
                array_filter($this->bands, static fn (ComparedBand $one): bool => $one->level === null),
            ),
        );
    }

    /** @return list<ComparedBand> */
    public function failing(): array
    {
        return array_values(array_filter($this->bands, static fn (ComparedBand $one): bool => $one->fails()));
    }
}
