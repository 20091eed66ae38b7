<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Quantity\Measured;

/** What is written down when a flow standard is at a pump or a sampler. */
final readonly class FlowCheck implements CheckContent
{
    /**
     * @param string        $procedure which of FlowProcedures was walked
     * @param string|null   $medium    "in line", "empty" or "not applicable"
     * @param Measured|null $target    the flow it is set for
     */
    public function __construct(
        public string $procedure,
        public AtStandard $standard,
        public ?string $medium,
        public ?Measured $target,
        public ?LeakTest $leak,
        public FlowReadings $readings,
        public UnitShows $shows,
    ) {
    }

    public function procedure(): string
    {
        return $this->procedure;
    }

    public function leansOn(): array
    {
        return $this->standard->others;
    }

    public function wasAdjusted(): bool
    {
        return $this->readings->adjusted;
    }

    public function hasAsFound(): bool
    {
        return self::counting($this->readings->asFound) !== [] || self::counting($this->readings->points) !== [];
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->readings->adjusted
            || self::counting($this->readings->asLeft) !== []
            || self::counting($this->readings->points) !== [];
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
