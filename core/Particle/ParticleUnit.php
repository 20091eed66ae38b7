<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;

/** What a unit of the family is registered as. */
final class ParticleUnit
{
    public const AIRBORNE = 'airborne counter';
    public const LIQUID = 'liquid counter';
    public const PHOTOMETER = 'photometer';

    /** @return non-empty-array<string, string> words by kind */
    public static function kinds(): array
    {
        return [
            self::AIRBORNE => 'counter of airborne particles',
            self::LIQUID => 'counter of particles in liquids',
            self::PHOTOMETER => 'photometric dust monitor',
        ];
    }

    /** @return list<string> sizes in µm as written, smallest first */
    public static function sizes(Instrument $unit): array
    {
        return array_map(static fn (Traits $row): string => $row->decimal('size')->written ?? '', $unit->traits->rows('sizes'));
    }
}
