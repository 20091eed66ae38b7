<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** What a channel senses, and with it what may zero it and what gas spans it. */
enum GasKind: string
{
    case Oxygen = 'oxygen';
    case Flammable = 'flammable gas';
    case CarbonMonoxide = 'carbon monoxide';
    case HydrogenSulphide = 'hydrogen sulphide';
    case CarbonDioxide = 'carbon dioxide';
    case Photoionisation = 'photoionisation';
    case Other = 'other';

    /** Oxygen of clean air, % vol. */
    public const AIR = '20.9';

    public function unit(): Unit
    {
        return match ($this) {
            self::Oxygen => CommonUnit::PercentVolume,
            self::Flammable => GasUnit::PercentExplosive,
            default => CommonUnit::PartsPerMillion,
        };
    }

    /** What the channel should read in a zero source: clean air holds oxygen and nothing else that matters. */
    public function inCleanAir(): Exact
    {
        return $this === self::Oxygen ? Exact::of(self::AIR) : Exact::zero();
    }

    /** Name of the limit that a policy may set for it in its own unit; null where only a share of the span counts. */
    public function limit(): ?string
    {
        return match ($this) {
            self::Oxygen => 'oxygen',
            self::Flammable => 'flammable',
            self::CarbonMonoxide => 'carbon-monoxide',
            self::HydrogenSulphide => 'hydrogen-sulphide',
            default => null,
        };
    }

    /** The code of what it measures in the library of substances; null where the name of the channel must do. */
    public function substance(): ?string
    {
        return match ($this) {
            self::CarbonMonoxide => 'carbon-monoxide',
            self::HydrogenSulphide => 'hydrogen-sulphide',
            self::CarbonDioxide => 'carbon-dioxide',
            default => null,
        };
    }

    /** @return array<string, string> value to words */
    public static function choices(): array
    {
        return [
            self::Oxygen->value => 'oxygen',
            self::Flammable->value => 'flammable gas',
            self::CarbonMonoxide->value => 'carbon monoxide',
            self::HydrogenSulphide->value => 'hydrogen sulphide',
            self::CarbonDioxide->value => 'carbon dioxide',
            self::Photoionisation->value => 'vapours by photoionisation',
            self::Other->value => 'another gas, by name',
        ];
    }
}
