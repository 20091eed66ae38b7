<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/**
 * A standard that shows the flow itself: a dry piston, a venturi, a mass-flow meter. The last shows a standard flow, at
 * conditions of its own, which F-3 turns back into the actual one.
 */
final readonly class DirectReading implements FlowStandard
{
    /**
     * @param Unit     $scale in which it shows
     * @param Air|null $at    conditions that its flow is stated at; null: the actual flow
     */
    public function __construct(
        private string $reference,
        private Range $range,
        private Unit $scale,
        private ?Air $at = null,
    ) {
    }

    public function columns(): array
    {
        return [Entry::decimal('value', $this->at === null ? 'Reading' : 'Reading, standard flow', '0', '1000000', $this->scale, true)];
    }

    public function flow(FlowRow $row, Air $air, Origin $origin): Figure
    {
        if ($row->value === null) {
            throw new UnreadableFlow('no flow was read');
        }
        $shown = $this->scale->convert($row->value->value, CommonUnit::LitrePerMinute);
        $this->range->holds($shown);
        if ($this->at === null) {
            return Figure::measured(
                'Q',
                'actual flow read',
                new Measured($row->value, $this->scale),
                CommonUnit::LitrePerMinute,
                $origin,
                max(Digits::significant($shown, 4), 3),
            );
        }
        $read = Figure::measured(
            'Q_std',
            'standard flow read',
            new Measured($row->value, $this->scale),
            CommonUnit::LitrePerMinute,
            $origin,
            max(Digits::significant($shown, 4), 3),
        );
        $own = new Origin('reference', $this->reference, 'conditions that the meter states its flow at');
        $actual = Real::times(
            $shown,
            $this->at->kilopascal()->dividedBy($air->kilopascal())->times($air->kelvin()->dividedBy($this->at->kelvin())),
        );

        return Figure::derived(
            'Q',
            'actual flow',
            $actual,
            CommonUnit::LitrePerMinute,
            StandardEquation::ActualFlow,
            ['Q_std' => $read, ...$this->at->inputs($own, '_ref'), ...$air->inputs($origin)],
            Digits::significant($actual, 4),
        );
    }

    public function basis(): string
    {
        return $this->at === null
            ? 'actual'
            : \sprintf('standard, %s and %s', $this->at->temperature?->words() ?? '?', $this->at->pressure?->words() ?? '?');
    }
}
