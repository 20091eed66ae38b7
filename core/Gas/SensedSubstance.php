<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Air\Substances;
use Footnote\Core\Quantity\CommonUnit;
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

    public function molarMass(): ?Exact
    {
        $known = $this->set->known?->decimal('molarMass')?->value;
        if ($known !== null || $this->channel->kind === GasKind::Photoionisation) {
            return $known;
        }
        $code = $this->channel->kind->substance();

        return $code === null ? null : (Substances::shelf()->shipped()[$code] ?? null)?->decimal('molarMass')?->value;
    }

    /**
     * FC-G9: how many mg/m³ one ppm of what the unit was set to is, at 25 °C: the vapour's where its factor was set in the
     * unit, else its span gas's.
     */
    public function milligramPerPart(): Exact
    {
        $volume = ReferenceConditions::at('25', '101.325')->molarVolume($this->air);
        $isSet = $this->channel->kind === GasKind::Photoionisation
            && $this->set->setting->unitFactor !== null
            && $this->set->setting->unitFactor->value->compareTo(Exact::of(1)) !== 0;
        $molar = $isSet || $this->channel->kind !== GasKind::Photoionisation ? $this->molarMass() : null;

        return ($molar ?? Exact::of(self::ISOBUTYLENE))->dividedBy($volume);
    }

    public function shown(): Unit
    {
        return $this->set->setting->milligram ? CommonUnit::MilligramPerCubicMetre : $this->channel->unit;
    }
}
