<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;

/**
 * F-1: a film timed through a burette. The gas behind the film is wet; where the room's humidity was written down, the
 * water that the film added is taken out again.
 */
final readonly class SoapFilm implements FlowStandard
{
    public function __construct(private Range $range)
    {
    }

    public function columns(): array
    {
        return [
            Entry::decimal('volume', 'Volume', '0', '100000', CommonUnit::Millilitre, true),
            Entry::decimal('seconds', 'Time', '0', '3600', CommonUnit::Second, true),
        ];
    }

    public function flow(FlowRow $row, Air $air, Origin $origin): Figure
    {
        if ($row->timed->volume === null || $row->timed->seconds === null) {
            throw new UnreadableFlow('volume and time are both needed');
        }
        if ($row->timed->seconds->value->compareTo(Exact::zero()) <= 0) {
            throw new UnreadableFlow('a time of zero is no time');
        }
        $inputs = [
            'V' => Figure::read(
                'V',
                'volume the film passed',
                $row->timed->volume->value,
                CommonUnit::Millilitre,
                $origin,
                $row->timed->volume->decimals(),
            ),
            't' => Figure::read(
                't',
                'its time',
                $row->timed->seconds->value,
                CommonUnit::Second,
                $origin,
                $row->timed->seconds->decimals(),
            ),
        ];
        $flow = $row->timed->volume->value->times(60)->dividedBy(1000)->dividedBy($row->timed->seconds->value);
        $this->range->holds($flow);
        if ($air->humidity === null) {
            return Figure::derived(
                'Q',
                'actual flow',
                $flow,
                CommonUnit::LitrePerMinute,
                SharedEquation::TimedVolume,
                $inputs,
                Digits::significant($flow, 4),
            );
        }
        $celsius = $air->kelvin()->toFloat() - 273.15;
        $water = Air::saturated($celsius);
        $pressure = $air->kilopascal()->toFloat();
        $humidity = $air->humidity->value->toFloat() / 100;
        $ambient = $flow->toFloat() * ($pressure - $water) / ($pressure - $humidity * $water);
        $figures = $air->inputs($origin);
        $vapour = Figure::derived(
            'P_w',
            'saturated water vapour',
            $water,
            CommonUnit::Kilopascal,
            StandardEquation::WaterVapour,
            ['T' => $figures['T']],
            3,
        );

        return Figure::derived(
            'Q',
            'actual flow, without the water of the film',
            $ambient,
            CommonUnit::LitrePerMinute,
            StandardEquation::WetVolume,
            [
                ...$inputs,
                'P_w' => $vapour,
                'P' => $figures['P'],
                'φ' => Figure::read(
                    'φ',
                    'relative humidity',
                    $air->humidity->value,
                    CommonUnit::Percent,
                    $origin,
                    $air->humidity->decimals(),
                ),
            ],
            Digits::significant($ambient, 4),
        );
    }

    public function basis(): string
    {
        return 'actual';
    }
}
