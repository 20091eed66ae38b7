<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Families;
use Footnote\Core\Flow\Mass;
use Footnote\Core\Flow\SamplingPlan;
use Footnote\Core\Flow\UnplannableSample;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\Fields;
use PHPUnit\Framework\TestCase;

/** How much air a usable answer takes; worked by hand from C-1 and F-8. */
final class SamplingPlanTest extends TestCase
{
    private static function entry(string $shelf, string $code): Traits
    {
        $library = (new AirScene())->record['library'];
        \assert(\is_array($library) && \is_array($library[$shelf]));
        foreach ($library[$shelf] as $entry) {
            if (\is_array($entry) && $entry['code'] === $code) {
                return Families::formats()->shelves()[$shelf]->read(Fields::of($entry));
            }
        }
        throw new \OutOfBoundsException($code);
    }

    /**
     * @param array{
     *   limit?: array{string, Unit}, share?: string, loq?: string, flow?: string, shift?: string,
     *   method?: ?string, substance?: ?string, drift?: ?string,
     * } $asked
     */
    private static function plan(array $asked): SamplingPlan
    {
        $asked += [
            'limit' => ['1', CommonUnit::MilligramPerCubicMetre],
            'share' => '0.1',
            'loq' => '50',
            'flow' => '2.0',
            'shift' => '480',
            'method' => 'dust',
            'substance' => null,
            'drift' => null,
        ];

        return SamplingPlan::of(
            new Measured(Decimal::parse($asked['limit'][0]), $asked['limit'][1]),
            Decimal::parse($asked['share']),
            new Mass(Decimal::parse($asked['loq']), CommonUnit::Microgram, false),
            new Measured(Decimal::parse($asked['flow']), CommonUnit::LitrePerMinute),
            Decimal::parse($asked['shift']),
            $asked['method'] === null ? null : self::entry('methods', $asked['method']),
            $asked['substance'] === null ? null : self::entry('substances', $asked['substance']),
            $asked['drift'] === null
                ? null
                : Figure::read('ΔQ_max', 'most', Exact::of($asked['drift']), CommonUnit::Percent, new Origin('check', 'k', ''), 2),
        );
    }

    /** 50 µg at a tenth of 1 mg/m³ is 500 L, 250 min at 2 L/min; the shift draws 960 L and reaches 0.052 mg/m³. */
    public function testDustOnOneFilter(): void
    {
        $plan = self::plan([]);
        self::assertSame(
            ['500', '250', 1, '960'],
            [$plan->leastVolume->full(), $plan->leastMinutes->full(), $plan->media, $plan->volumeEach->full()],
        );
        self::assertSame('0.0521', $plan->reach->shown());
        self::assertTrue($plan->conclusion->usable);
    }

    /** 0.05 L/min over 480 min is 24 L, and the method takes 10: three tubes of 8 L. */
    public function testVapourOnTubesInARow(): void
    {
        $plan = self::plan([
            'limit' => ['50', CommonUnit::PartsPerMillion],
            'loq' => '5',
            'flow' => '0.05',
            'method' => 'vapour',
            'substance' => 'toluene',
        ]);
        self::assertSame([3, '8'], [$plan->media, $plan->volumeEach->full()]);
        // 50 ppm toluene are 50·92.14/24.45 = 188.4 mg/m³; a tenth takes 5/18.84 = 0.265 L.
        self::assertEqualsWithDelta(5 / (0.1 * 50 * 92.14 / 24.45), $plan->leastVolume->toFloat(), 1e-9);
        self::assertStringContainsString('3 media one after the other, each for 160 min', implode(' ', $plan->conclusion->words));
    }

    public function testWhatCannotBeReachedSaysSo(): void
    {
        $plan = self::plan(['limit' => ['0.05', CommonUnit::MilligramPerCubicMetre]]);
        self::assertFalse($plan->conclusion->usable);
        self::assertStringContainsString('cannot be quantified so', $plan->conclusion->words[0]);
        self::assertTrue(self::plan(['share' => '1', 'shift' => '100'])->conclusion->usable, 'exactly 200 L keep the method');
        self::assertFalse(self::plan(['share' => '1', 'shift' => '99'])->conclusion->usable, 'less than the method wants');
        self::assertFalse(
            self::plan(['flow' => '0.21', 'method' => 'vapour', 'loq' => '0.01'])->conclusion->usable,
            'faster than the method allows',
        );
    }

    public function testPastDriftLeavesABandUndecided(): void
    {
        $plan = self::plan(['drift' => '-4.2']);
        self::assertSame('4.2', $plan->undecided?->shown());
        self::assertStringContainsString('a result within 4.2 % of the limit is undecided', implode(' ', $plan->conclusion->words));
    }

    public function testWhatMakesNoPlanNamesItsField(): void
    {
        foreach ([
            [['limit' => ['0', CommonUnit::MilligramPerCubicMetre]], 'limit'],
            [['share' => '0'], 'share'],
            [['loq' => '0'], 'quantitation'],
            [['flow' => '-1'], 'flow'],
            [['shift' => '0'], 'shiftMinutes'],
            [['limit' => ['50', CommonUnit::PartsPerMillion]], 'limit'],
            [['limit' => ['50', CommonUnit::PartsPerMillion], 'substance' => 'wood'], 'limit'],
        ] as [$asked, $field]) {
            try {
                self::plan($asked);
                self::fail('a plan was made');
            } catch (UnplannableSample $problem) {
                self::assertSame($field, $problem->field);
            }
        }
    }
}
