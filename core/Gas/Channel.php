<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Unit;

/** One channel of a monitor, as it is registered. */
final readonly class Channel
{
    /**
     * @param string|null  $gas    name of what another kind of cell senses
     * @param Decimal|null $lamp   eV, of a photoionisation detector
     * @param Decimal|null $range  the most it can show, in its unit
     * @param string|null  $fitted day on which the sensor was fitted, as written
     * @param Decimal|null $life   months that its sensor is expected to last
     * @param Decimal|null $warmUp s
     */
    private function __construct(
        public string $name,
        public GasKind $kind,
        public Unit $unit,
        public ?string $gas,
        public ?Decimal $lamp,
        public ?Decimal $range,
        public ?Decimal $resolution,
        public ?string $serial,
        public ?string $fitted,
        public ?Decimal $life,
        public ?Decimal $warmUp,
    ) {
    }

    /** @return non-empty-list<Entry> what is asked of a channel */
    public static function entries(): array
    {
        return [
            Entry::text('name', 'Channel', true, 'As the unit and its log name it, such as CO'),
            Entry::choice('kind', 'Senses', GasKind::choices(), true),
            Entry::text('gas', 'Name of another gas'),
            Entry::choice('unit', 'Shown in', [Unit::PartsPerMillion->value => 'ppm', Unit::PercentVolume->value => '% vol', Unit::PercentExplosive->value => '% LEL', Unit::MilligramPerCubicMetre->value => 'mg/m³'], help: 'Empty: as usual for its kind'),
            Entry::decimal('lamp', 'Lamp', '5', '15', Unit::Electronvolt, help: 'Of a photoionisation detector'),
            Entry::decimal('range', 'Range to', '0', '1000000'),
            Entry::decimal('resolution', 'Resolution', '0', '1000'),
            Entry::text('serial', 'Serial of the sensor'),
            Entry::text('fitted', 'Fitted on', help: 'Such as 2026-03-01'),
            Entry::decimal('life', 'Expected life, months', '1', '240'),
            Entry::decimal('warmUp', 'Warm-up', '0', '7200', Unit::Second),
        ];
    }

    /** @return list<self> */
    public static function of(Instrument $unit): array
    {
        return array_map(self::read(...), $unit->traits->rows('channels'));
    }

    public static function named(Instrument $unit, string $name): ?self
    {
        foreach ($unit->traits->rows('channels') as $row) {
            if ($row->text('name') === $name) {
                return self::read($row);
            }
        }

        return null;
    }

    private static function read(Traits $row): self
    {
        $kind = GasKind::from($row->text('kind') ?? '');

        return new self(
            $row->text('name') ?? '',
            $kind,
            $row->text('unit') === null ? $kind->unit() : Unit::from($row->text('unit')),
            $row->text('gas'),
            $row->decimal('lamp'),
            $row->decimal('range'),
            $row->decimal('resolution'),
            $row->text('serial'),
            $row->text('fitted'),
            $row->decimal('life'),
            $row->decimal('warmUp'),
        );
    }

    /** What stands on the label of a bottle that spans it. */
    public function spanGas(): string
    {
        return match ($this->kind) {
            GasKind::Photoionisation => 'isobutylene',
            GasKind::Other => $this->gas ?? $this->name,
            default => $this->kind->value,
        };
    }

    /**
     * When the sensor that it had on a day was fitted: registered, or exchanged since; null where nobody said.
     *
     * @param list<Intervention> $interventions what was done to the channel
     */
    public function fittedBy(\DateTimeImmutable $day, array $interventions): ?\DateTimeImmutable
    {
        $fitted = $this->fitted === null ? null : new \DateTimeImmutable($this->fitted);
        foreach ($interventions as $event) {
            if ($event->kind === InterventionKind::SensorExchanged && $event->at <= $day && ($fitted === null || $event->at > $fitted)) {
                $fitted = $event->at;
            }
        }

        return $fitted;
    }

    /** Whether a sensor fitted on one day had passed its expected life on another; null where that cannot be told. */
    public function isAged(?\DateTimeImmutable $fitted, \DateTimeImmutable $day): ?bool
    {
        return $fitted === null || $this->life === null ? null : $day > $fitted->modify(\sprintf('+%d days', (int) round($this->life->value->toFloat() * 30.4375)));
    }
}
