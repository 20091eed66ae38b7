<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** Where the clean air of a zero comes from. No source is clean for every cell. */
enum ZeroSource: string
{
    case Outdoors = 'outdoor air';
    case ZeroAir = 'zero-air bottle';
    case Charcoal = 'charcoal filter';
    case Indoors = 'indoor air';
    case Compressed = 'compressed air';

    /** Why it cannot zero such a channel; null where it can. */
    public function whyUnfit(GasKind $kind): ?string
    {
        return match (true) {
            $kind === GasKind::CarbonDioxide && $this === self::Outdoors => 'outdoor air holds some 420 ppm of carbon dioxide',
            $kind === GasKind::CarbonDioxide && $this === self::Compressed => 'compressed air contains carbon dioxide',
            $kind === GasKind::CarbonDioxide && $this === self::Indoors => 'indoor air holds the carbon dioxide of the people in it',
            $kind === GasKind::Photoionisation
                && $this === self::Indoors => 'there is always some vapour indoors, and the zero is set too high',
            $this === self::Charcoal
                && !\in_array(
                    $kind,
                    [GasKind::Photoionisation, GasKind::Oxygen],
                    true,
                ) => 'charcoal cleans air of vapours only; the gas of this cell passes it',
            default => null,
        };
    }

    /** @return array<string, string> value to words */
    public static function choices(): array
    {
        return array_combine(
            array_map(static fn (self $one): string => $one->value, self::cases()),
            array_map(static fn (self $one): string => $one->value, self::cases()),
        );
    }
}
