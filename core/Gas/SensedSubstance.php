<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** What a channel senses: its code, its name and its molar mass. */
final readonly class SensedSubstance
{
    /** Molar mass, g/mol. */
    private const ISOBUTYLENE = '56.11';

    /** @param Air $air in which it was sensed */
    public function __construct(public Channel $channel, public ChannelRecord $set, public Air $air)
    {
    }

    public function isToxic(): bool
    {
        return !\in_array($this->channel->kind, [GasKind::Oxygen, GasKind::Flammable], true);
    }

    public function code(): string
    {
        return match ($this->channel->kind) {
            GasKind::Oxygen => 'oxygen',
            GasKind::Flammable => 'flammable',
            GasKind::Photoionisation => $this->set->substance ?? Substances::ISOBUTYLENE,
            default => $this->set->substance ?? $this->channel->kind->substance() ?? $this->channel->name,
        };
    }

    public function name(): string
    {
        return match ($this->channel->kind) {
            GasKind::Oxygen => 'oxygen',
            GasKind::Flammable => 'flammable gas',
            GasKind::Photoionisation => $this->set->known?->text('name') ?? 'vapours in isobutylene units',
            GasKind::Other => $this->set->known?->text('name') ?? $this->channel->gas ?? $this->channel->name,
            default => $this->set->known?->text('name') ?? $this->channel->kind->value,
        };
    }

    public function molarMass(): ?Figure
    {
        $known = $this->set->known;
        $code = $this->code();
        if ($known?->decimal('molarMass') === null && $this->channel->kind !== GasKind::Photoionisation) {
            $code = $this->channel->kind->substance() ?? $code;
            $known = Substances::shelf()->shipped()[$code] ?? null;
        }
        $molar = $known?->decimal('molarMass');

        return $molar === null ? null : self::molar($molar, $code, $this->name(), $known->text('source') ?? 'library of substances');
    }

    /**
     * FC-G9: what the unit was set to in mg/m³: the vapour where its factor was set in the unit, else its span gas. One ppm of it
     * is M/V_m mg/m³ at 25 °C.
     */
    public function molarMassOfSetting(): Figure
    {
        $isSet = $this->channel->kind === GasKind::Photoionisation
            && $this->set->setting->unitFactor !== null
            && $this->set->setting->unitFactor->value->compareTo(Exact::of(1)) !== 0;
        $molar = $isSet || $this->channel->kind !== GasKind::Photoionisation ? $this->molarMass() : null;

        return $molar ?? self::molar(Decimal::parse(self::ISOBUTYLENE), Substances::ISOBUTYLENE, 'isobutylene', 'library of substances');
    }

    private static function molar(Decimal $molar, string $code, string $name, string $source): Figure
    {
        return Figure::read(
            'M',
            'molar mass of '.$name,
            $molar->value,
            CommonUnit::GramPerMole,
            new Origin('library', $code, $source),
            $molar->decimals(),
        );
    }

    public function shown(): Unit
    {
        return $this->set->setting->milligram ? CommonUnit::MilligramPerCubicMetre : $this->channel->unit;
    }
}
