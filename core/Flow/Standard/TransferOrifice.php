<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** F-10: a certified orifice with a manometer. Slope and intercept are in the unit of flow of their certificate. */
final readonly class TransferOrifice implements FlowStandard
{
    /** The certificate's own conditions: 298 K and 760 mmHg. */
    public const KELVIN = 298;

    public function __construct(
        private Range $range,
        private Decimal $slope,
        private Decimal $intercept,
        private Unit $unit,
        private Manometer $manometer,
        private string $certificate,
    ) {
    }

    public function columns(): array
    {
        return [
            Entry::decimal(
                'left',
                'One leg, from zero',
                '-1000',
                '1000',
                required: true,
                help: 'Inches of the fluid; below zero is negative',
            ),
            Entry::decimal('right', 'Other leg, from zero', '-1000', '1000', help: 'Empty where only one leg was read'),
        ];
    }

    public function flow(FlowRow $row, Air $air, Origin $origin): Figure
    {
        $standard = $this->standard($row, $air, $origin);
        $mercury = $air->pressure?->in(CommonUnit::MillimetreMercury)
            ?? throw new ConditionsMissing('The pressure is not known.');
        $actual = $standard->toFloat() * (760.0 / $mercury->toFloat()) * ($air->kelvin()->toFloat() / self::KELVIN);

        return Figure::derived(
            'Q',
            'actual flow',
            $actual,
            CommonUnit::LitrePerMinute,
            StandardEquation::ActualFlow,
            ['Q_std' => $standard, ...$air->inputs($origin), ...self::conditions()],
            Digits::significant($actual, 4),
        );
    }

    /** The flow at 298 K and 760 mmHg, L/min. */
    public function standard(FlowRow $row, Air $air, Origin $origin): Figure
    {
        if ($this->slope->value->isZero()) {
            throw new UnreadableFlow('the slope of the orifice is zero');
        }
        $height = $this->manometer->inchesOfWater($row, $origin);
        $mercury = $air->pressure?->in(CommonUnit::MillimetreMercury)
            ?? throw new ConditionsMissing('The pressure is not known.');
        $root = sqrt($height->toFloat() * $mercury->toFloat() / 760.0 * self::KELVIN / $air->kelvin()->toFloat());
        $flow = ($root - $this->intercept->value->toFloat()) / $this->slope->value->toFloat();
        $litres = $flow * $this->unit->convert(Exact::of(1), CommonUnit::LitrePerMinute)->toFloat();
        $this->range->holds(Exact::of(number_format($litres, 9, '.', '')));
        $own = new Origin('certificate', $this->certificate, 'of the orifice, flow in '.$this->unit->value);

        return Figure::derived(
            'Q_std',
            'flow at 298 K and 760 mmHg',
            $litres,
            CommonUnit::LitrePerMinute,
            StandardEquation::TransferOrifice,
            [
                'ΔH' => $height,
                'm' => Figure::read('m', 'slope', $this->slope->value, CommonUnit::None, $own, $this->slope->decimals()),
                'b' => Figure::read('b', 'intercept', $this->intercept->value, CommonUnit::None, $own, $this->intercept->decimals()),
                'k' => Figure::read(
                    'k',
                    'L/min that one '.$this->unit->value.' is',
                    $this->unit->convert(Exact::of(1), CommonUnit::LitrePerMinute),
                    CommonUnit::LitrePerMinute,
                    new Origin('constant', $this->unit->value, 'NIST SP 811, Appendix B, published'),
                    3,
                ),
                ...$air->inputs($origin),
            ],
            Digits::significant($litres, 4),
        );
    }

    /**
     * What the flow of an orifice is stated at, as inputs.
     *
     * @return array<string, Figure>
     */
    private static function conditions(): array
    {
        $own = new Origin('constant', '40 CFR 50 App. B', '40 CFR 50 App. B, published');

        return [
            'T_ref' => Figure::read('T_ref', 'reference temperature', Exact::of(self::KELVIN), CommonUnit::Kelvin, $own, 0),
            'P_ref' => Figure::read('P_ref', 'reference pressure', Exact::of(760), CommonUnit::MillimetreMercury, $own, 0),
        ];
    }

    public function basis(): string
    {
        return 'standard, 298 K and 760 mmHg';
    }
}
