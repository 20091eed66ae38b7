<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\CertifiedValue;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/**
 * F-4: a float in a tapered tube. Its scale is not trusted: the certificate's table says which flow a mark was at the
 * conditions of its calibration, in between by straight lines.
 */
final readonly class Rotameter implements FlowStandard
{
    public function __construct(private string $reference, private Certificate $certificate, private Unit $scale, private Air $calibrated)
    {
    }

    public function columns(): array
    {
        return [Entry::decimal('value', 'Scale mark', '0', '1000000', required: true)];
    }

    public function flow(FlowRow $row, Air $air, Origin $origin): Figure
    {
        if ($row->value === null) {
            throw new UnreadableFlow('no mark was read');
        }
        [$low, $high] = $this->around($row->value->value);
        $flow = $this->scale->convert(self::between($row->value->value, $low, $high), CommonUnit::LitrePerMinute);
        $own = new Origin('certificate', $this->certificate->number, 'its table');
        $told = static fn (string $symbol, string $meaning, Decimal $value, Unit $unit): Figure => Figure::read(
            $symbol,
            $meaning,
            $value->value,
            $unit,
            $own,
            $value->decimals(),
        );
        $mark = Figure::read('mark', 'scale mark', $row->value->value, CommonUnit::None, $origin, $row->value->decimals());
        $indicated = Figure::derived(
            'Q_ind',
            'flow of that mark by the certificate\'s table',
            $flow,
            CommonUnit::LitrePerMinute,
            StandardEquation::ScaleTable,
            [
                'm' => $mark,
                'm_low' => $told('m', 'mark of the table below', $low->nominal, CommonUnit::None),
                'm_high' => $told('m', 'mark of the table above', $high->nominal, CommonUnit::None),
                'Q_low' => $told('Q', 'flow at the mark below', $low->certified, $this->scale),
                'Q_high' => $told('Q', 'flow at the mark above', $high->certified, $this->scale),
            ],
            Digits::significant($flow, 4),
        );
        $actual = $flow->toFloat() * sqrt(
            $this->calibrated->kilopascal()->dividedBy($air->kilopascal())->times(
                $air->kelvin()->dividedBy($this->calibrated->kelvin()),
            )->toFloat(),
        );
        $calibrated = new Origin('reference', $this->reference, 'conditions of its calibration');

        return Figure::derived(
            'Q',
            'actual flow',
            $actual,
            CommonUnit::LitrePerMinute,
            StandardEquation::VariableArea,
            ['Q_ind' => $indicated, ...$this->calibrated->inputs($calibrated, '_cal'), ...$air->inputs($origin)],
            Digits::significant($actual, 4),
        );
    }

    public function basis(): string
    {
        return 'by its table';
    }

    /**
     * The rows of the table that a mark lies between.
     *
     * @return array{CertifiedValue, CertifiedValue}
     *
     * @throws UnreadableFlow outside the table
     */
    private function around(Exact $mark): array
    {
        $rows = $this->certificate->values;
        usort($rows, static fn (CertifiedValue $a, CertifiedValue $b): int => $a->nominal->value->compareTo($b->nominal->value));
        for ($i = 1; $i < \count($rows); ++$i) {
            $low = $rows[$i - 1];
            $high = $rows[$i];
            if ($mark->compareTo($low->nominal->value) >= 0
                && $mark->compareTo($high->nominal->value) <= 0
                && $low->nominal->value->compareTo($high->nominal->value) < 0) {
                return [$low, $high];
            }
        }

        throw new UnreadableFlow(
            \sprintf(
                'the mark %s is outside of its table, %s to %s',
                (string) $mark,
                $rows === [] ? '?' : $rows[0]->nominal->written,
                $rows === [] ? '?' : $rows[\count($rows) - 1]->nominal->written,
            ),
        );
    }

    private static function between(Exact $mark, CertifiedValue $low, CertifiedValue $high): Exact
    {
        return $low->certified->value->plus(
            $high->certified->value->minus($low->certified->value)
                ->times($mark->minus($low->nominal->value))
                ->dividedBy($high->nominal->value->minus($low->nominal->value)),
        );
    }
}
