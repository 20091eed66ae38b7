<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;

/** What is written down when a flow standard is at a pump or a sampler. */
final readonly class FlowCheck implements CheckContent
{
    /**
     * @param string        $procedure which of FlowProcedures was walked
     * @param string        $setting   the throat, where the standard has several
     * @param Air           $air       at the standard
     * @param list<string>  $others    thermometer and barometer
     * @param string|null   $medium    "in line", "empty" or "not applicable"
     * @param Measured|null $target    the flow it is set for
     * @param string|null   $floatRead the part of a float that was read
     * @param array{left: Decimal|null, right: Decimal|null, gravity: Decimal|null} $gauge how the manometer rested, and its fluid
     * @param list<FlowRow> $asFound
     * @param list<FlowRow> $asLeft
     * @param list<FlowRow> $points    of a multi-point calibration
     * @param Standstill|null $standstill why nothing flowed as found; null where something did, or nobody said
     * @param Measured|null $unitTemperature what the sampler itself shows, as found
     */
    public function __construct(
        public string $procedure,
        public string $setting,
        public Air $air,
        public array $others,
        public ?string $medium,
        public ?Measured $target,
        public ?LeakTest $leak,
        public ?string $floatRead,
        public array $gauge,
        public array $asFound,
        public array $asLeft,
        public bool $adjusted,
        public array $points = [],
        public ?Measured $unitTemperature = null,
        public ?Measured $unitPressure = null,
        public ?Measured $unitTemperatureLeft = null,
        public ?Measured $unitPressureLeft = null,
        public ?Standstill $standstill = null,
    ) {
    }

    public function procedure(): string
    {
        return $this->procedure;
    }

    public function leansOn(): array
    {
        return $this->others;
    }

    public function wasAdjusted(): bool
    {
        return $this->adjusted;
    }

    public function hasAsFound(): bool
    {
        return self::counting($this->asFound) !== [] || self::counting($this->points) !== [];
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->adjusted || self::counting($this->asLeft) !== [] || self::counting($this->points) !== [];
    }

    /**
     * Rows that were not struck out.
     *
     * @param list<FlowRow> $rows
     *
     * @return list<FlowRow>
     */
    public static function counting(array $rows): array
    {
        return array_values(array_filter($rows, static fn (FlowRow $row): bool => $row->counts()));
    }
}
