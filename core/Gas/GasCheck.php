<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Quantity\Measured;

/** What is written down while gases are applied to a monitor: all its channels in one walk. */
final readonly class GasCheck implements CheckContent
{
    /**
     * @param Measured|null               $bottlePressure of the check's own reference
     * @param Measured|null               $temperature    of the air at the check
     * @param array<string, list<GasRow>> $rows           by list: "zeroFound", "mixLeft"
     * @param list<string>                $adjusted       stages at which the unit was adjusted
     */
    public function __construct(
        private string $procedure,
        public CleanAir $zero,
        public OtherBottle $isobutylene,
        public ?Measured $bottlePressure,
        public ?Measured $temperature,
        public array $rows,
        public array $adjusted,
    ) {
    }

    public function procedure(): string
    {
        return $this->procedure;
    }

    public function isBump(): bool
    {
        return $this->procedure === GasProcedures::BUMP;
    }

    public function wasAdjustedAt(GasStage $stage): bool
    {
        return \in_array($stage->value, $this->adjusted, true);
    }

    /** @return list<GasRow> readings of a channel in a list, the ones struck out left out */
    public function of(string $list, string $channel): array
    {
        return array_values(
            array_filter($this->rows[$list] ?? [], static fn (GasRow $row): bool => $row->channel === $channel && $row->struck === null),
        );
    }

    public function leansOn(): array
    {
        return array_values(array_filter([$this->zero->bottle, $this->isobutylene->reference], \is_string(...)));
    }

    public function wasAdjusted(): bool
    {
        return $this->adjusted !== [];
    }

    public function hasAsFound(): bool
    {
        foreach (GasStage::cases() as $stage) {
            if (($this->rows[$stage->found()] ?? []) !== []) {
                return true;
            }
        }

        return false;
    }

    public function asLeftIsKnown(): bool
    {
        foreach (GasStage::cases() as $stage) {
            if ($this->wasAdjustedAt($stage) && ($this->rows[$stage->left()] ?? []) === []) {
                return false;
            }
        }

        return true;
    }
}
