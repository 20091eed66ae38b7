<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;

/** One channel of a monitor, as it is registered. */
final readonly class Channel
{
    /** Seconds to 90 % of most cells, where nobody said (common practice). */
    private const RESPONSE = 30.0;

    /**
     * @param string|null $gas name of what another kind of cell senses
     */
    private function __construct(
        public string $name,
        public GasKind $kind,
        public Unit $unit,
        public ?string $gas,
        public Sensor $sensor,
        public ChannelDisplay $display,
        public SensorTiming $timing,
    ) {
    }

    /** @return non-empty-list<Entry> what is asked of a channel */
    public static function entries(): array
    {
        return [
            Entry::text('name', 'Channel', true, 'As the instrument and its log name it, such as CO'),
            Entry::choice('kind', 'Senses', GasKind::choices(), true),
            Entry::text('gas', 'Name of another gas'),
            Entry::choice(
                'unit',
                'Shown in',
                [
                    CommonUnit::PartsPerMillion->value => 'ppm',
                    CommonUnit::PercentVolume->value => '% vol',
                    GasUnit::PercentExplosive->value => '% LEL',
                    CommonUnit::MilligramPerCubicMetre->value => 'mg/m³',
                ],
                help: 'Empty: as usual for its kind',
            ),
            Entry::decimal('lamp', 'Lamp', '5', '15', CommonUnit::Electronvolt, help: 'Of a photoionisation detector'),
            Entry::decimal('range', 'Range to', '0', '1000000'),
            Entry::decimal('resolution', 'Resolution', '0', '1000'),
            Entry::text('serial', 'Serial of the sensor'),
            Entry::text('fitted', 'Fitted on', help: 'Such as 2026-03-01'),
            Entry::decimal('life', 'Expected life, months', '1', '240'),
            Entry::decimal('warmUp', 'Warm-up', '0', '7200', CommonUnit::Second),
            Entry::decimal('responseTime', 'Response time (T90)', '0.1', '3600', CommonUnit::Second, help: 'By its manual; empty: 30 s'),
            Entry::decimal('alarm', 'Lowest alarm set at', '0', '1000000'),
            Entry::flag('stopsAtZero', 'It shows nothing below zero'),
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
            $row->text('unit') === null ? $kind->unit() : (GasUnit::named($row->text('unit')) ?? $kind->unit()),
            $row->text('gas'),
            new Sensor($row->decimal('lamp'), $row->text('serial'), $row->text('fitted'), $row->decimal('life')),
            new ChannelDisplay(
                $row->decimal('range'),
                $row->decimal('resolution'),
                $row->decimal('alarm'),
                $row->flag('stopsAtZero'),
            ),
            new SensorTiming($row->decimal('warmUp'), $row->decimal('responseTime')),
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

    /** The molar mass of its span gas; null where it is not known. */
    public function molarMass(): ?Figure
    {
        $code = $this->kind === GasKind::Photoionisation ? Substances::ISOBUTYLENE : $this->kind->substance();
        $known = $code === null ? null : (Substances::shelf()->shipped()[$code] ?? null);
        $molar = $known?->decimal('molarMass');

        return $code === null || $molar === null
            ? null
            : Figure::read(
                'M',
                'molar mass of '.$this->spanGas(),
                $molar->value,
                CommonUnit::GramPerMole,
                new Origin('library', $code, $known->text('source') ?? 'library of substances'),
                $molar->decimals(),
            );
    }

    /** Whether a label lies beyond its alarm's set point, seen from clean air: an alarm below that is one for too little. */
    public function isBeyondAlarm(Exact $label): bool
    {
        $clean = $this->kind->inCleanAir();

        return $this->display->alarm !== null
            && ($this->display->alarm->value->compareTo($clean) < 0
                ? $label->compareTo($this->display->alarm->value) < 0
                : $label->compareTo($this->display->alarm->value) > 0);
    }

    /** Whether its readings tell what was there at any moment, by the interval of its log. */
    public function follows(float $step): bool
    {
        return $step <= ($this->timing->response?->value->toFloat() ?? self::RESPONSE);
    }

    /**
     * When the sensor that it had on a day was fitted: registered, or exchanged since; null where nobody said.
     *
     * @param Timeline $timeline of the channel
     */
    public function fittedBy(\DateTimeImmutable $day, Timeline $timeline): ?\DateTimeImmutable
    {
        $fitted = $this->sensor->fitted === null ? null : new \DateTimeImmutable($this->sensor->fitted);
        foreach ($timeline->interventionsFrom($fitted ?? new \DateTimeImmutable(Timeline::BEGINNING), $day) as $event) {
            if ($event->kind === GasIntervention::SensorExchanged && ($fitted === null || $event->at > $fitted)) {
                $fitted = $event->at;
            }
        }

        return $fitted;
    }

    /** Whether a sensor fitted on one day had passed its expected life on another; null where that cannot be told. */
    public function isAged(?\DateTimeImmutable $fitted, \DateTimeImmutable $day): ?bool
    {
        return $fitted === null || $this->sensor->life === null
            ? null
            : $day > Span::shift($fitted, 86400 * round($this->sensor->life->value->toFloat() * 30.4375));
    }
}
