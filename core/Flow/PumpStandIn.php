<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scale;
use Footnote\Core\StandIn\Scene;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/**
 * A pump or a sampler on a flow standard, with the thermometer and the barometer beside it. A rotameter is read by eye: it prints
 * nothing.
 */
final readonly class PumpStandIn implements StandIn
{
    public const WEAK = 'weak';
    public const WANDERS = 'wanders';

    /** Of the pump of the exercise, and of one that nobody said a flow of, L/min. */
    private const FLOW = 2.0;
    /** The air around it, °C and kPa. */
    private const CELSIUS = 20.0;
    private const KILOPASCAL = 100.0;
    /** Volumes of burettes, mL; the largest that is passed within the time is used. */
    private const BURETTES = [10.0, 100.0, 500.0, 1000.0];
    private const BUBBLE_SECONDS = 15.0;
    /** The step of a calibration at several flows, and at how many. */
    private const WALKED = 'points';
    private const POINTS = 5;

    public function id(): string
    {
        return 'flow-check';
    }

    public function title(): string
    {
        return 'A pump on a flow standard';
    }

    public function faults(): array
    {
        return [
            new Fault(self::WEAK, 'the filter is loaded or the line leaks: an eighth of the flow is gone', 'flow.change'),
            new Fault(self::WANDERS, 'its flow wanders from one reading to the next', 'flow.replicates'),
        ];
    }

    public function exercise(\DateTimeImmutable $from, int $seed, ?string $fault): Printing
    {
        $flow = (new Course(0))->then(2, self::FLOW * $this->left($fault));

        return new Printing('PM-90', [
            StandInChannel::of(FlowChannel::FLOW, CommonUnit::LitrePerMinute->value, $this->sensor('0.001', 1.0, $fault), $flow),
            ...self::air(),
        ], $from, $seed);
    }

    public function atTheBench(Scene $scene, int $seed, ?string $fault): array
    {
        $wanted = $this->wanted($scene);
        // As found it is off by some percent, as it stands after its last use; adjusted, it is set for what is wanted.
        $found = $wanted * (1 + 0.01 * (new Chance($seed))->normal('unit', 0)) * $this->left($fault);
        $adjusted = $scene->adjustedAt('adjust', 'adjusted');
        $actual = $adjusted === null ? new Course($found) : (new Course($found))->then($adjusted, $wanted);
        if ($scene->cameTo(self::WALKED)) {
            $actual = self::walkedDown($scene, $wanted * $this->left($fault));
        }

        return [...$this->shown($actual, $found, $scene->chosen, $fault), ...self::air()];
    }

    /** The valve is closed a little further as soon as a point was taken: five of them, over what the unit can. */
    private static function walkedDown(Scene $scene, float $wanted): Course
    {
        $high = self::litres($scene->unit->traits, 'rangeHigh') ?? 1.2 * $wanted;
        $low = self::litres($scene->unit->traits, 'rangeLow') ?? 0.8 * $wanted;
        $actual = new Course($high);
        foreach ($scene->takenAt(self::WALKED) as $taken => $at) {
            $actual = $actual->then($at, $high - ($high - $low) * min(1, ($taken + 1) / (self::POINTS - 1)));
        }

        return $actual;
    }

    /** @return list<StandInChannel> what the standard prints of an actual flow, L/min */
    private function shown(Course $actual, float $found, ?Reference $standard, ?string $fault): array
    {
        $unit = CommonUnit::from($standard?->traits->text('scale') ?? CommonUnit::LitrePerMinute->value);
        $scale = 1 / $unit->convert(Exact::of(1), CommonUnit::LitrePerMinute)->toFloat();

        return match ($standard?->kind) {
            FlowStandards::SOAP_FILM => $this->bubbles($found, $actual, $fault),
            FlowStandards::ORIFICE => self::legs($standard, $actual),
            FlowStandards::ROTAMETER => [],
            default => [new StandInChannel(
                FlowChannel::FLOW,
                $unit->value,
                $this->sensor(self::step($found * $scale), $found * $scale / self::FLOW, $fault),
                $actual,
                Scale::gives($scale * self::asStandard($standard)),
            )],
        };
    }

    /**
     * A film through a burette: its volume, and how long it took.
     *
     * @return list<StandInChannel>
     */
    private function bubbles(float $found, Course $actual, ?string $fault): array
    {
        $volume = self::BURETTES[0];
        foreach (self::BURETTES as $burette) {
            $volume = $burette * 0.06 / max($found, 0.001) <= self::BUBBLE_SECONDS ? $burette : $volume;
        }
        $seconds = $actual->map(static fn (float $flow): float => $volume * 0.06 / max($flow, 0.001));
        $every = ceil($volume * 0.06 / max($found, 0.001)) + 4;
        $timed = Sensor::steady('0.01', ($fault === self::WANDERS ? 0.1 : 0.0015) * $seconds->at(0));

        return [
            new StandInChannel(
                FlowChannel::VOLUME,
                CommonUnit::Millilitre->value,
                Sensor::steady('1', 0),
                new Course($volume),
                Scale::true(),
                $every,
            ),
            new StandInChannel(FlowChannel::SECONDS, CommonUnit::Second->value, $timed, $seconds, Scale::true(), $every),
        ];
    }

    /**
     * Both legs of the manometer of an orifice, inches of its fluid: what its certificate says of such a flow.
     *
     * @return list<StandInChannel>
     */
    private static function legs(Reference $orifice, Course $actual): array
    {
        $constants = $orifice->certificates === [] ? null : $orifice->certificates[\count($orifice->certificates) - 1]->constants;
        $slope = $constants?->decimal('slope')?->value->toFloat() ?? 1.0;
        $intercept = $constants?->decimal('intercept')?->value->toFloat() ?? 0.0;
        $unit = CommonUnit::from($constants?->text('flowUnit') ?? CommonUnit::CubicMetrePerMinute->value);
        $litres = $unit->convert(Exact::of(1), CommonUnit::LitrePerMinute)->toFloat();
        $gravity = $orifice->traits->decimal('gravity')?->value->toFloat() ?? 1.0;
        $air = self::KILOPASCAL / 101.325 * 298 / (273.15 + self::CELSIUS);
        $half = $actual->map(static fn (float $flow): float => (($slope * $flow * $air / $litres + $intercept) ** 2) / $air / $gravity / 2);

        return [
            StandInChannel::of(FlowChannel::LEFT, CommonUnit::InchWater->value, Sensor::steady('0.05', 0.02), $half),
            StandInChannel::of(
                FlowChannel::RIGHT,
                CommonUnit::InchWater->value,
                Sensor::steady('0.05', 0.02),
                $half->map(static fn (float $leg): float => -$leg),
            ),
        ];
    }

    /** A mass-flow meter shows the flow at conditions of its own. */
    private static function asStandard(?Reference $standard): float
    {
        $kelvin = $standard?->traits->measured('statedTemperature')?->in(CommonUnit::Kelvin)->toFloat();
        $kilopascal = $standard?->traits->measured('statedPressure')?->in(CommonUnit::Kilopascal)->toFloat();

        return $standard?->kind !== FlowStandards::MASS_FLOW || $kelvin === null || $kilopascal === null
            ? 1.0
            : self::KILOPASCAL / $kilopascal * $kelvin / (273.15 + self::CELSIUS);
    }

    /** @return list<StandInChannel> */
    private static function air(): array
    {
        $thermometer = Sensor::steady('0.1', 0.03);
        $barometer = Sensor::steady('0.1', 0.01);

        return [
            StandInChannel::of(FlowChannel::TEMPERATURE, CommonUnit::Celsius->value, $thermometer, new Course(self::CELSIUS)),
            StandInChannel::of(FlowChannel::PRESSURE, CommonUnit::Kilopascal->value, $barometer, new Course(self::KILOPASCAL)),
        ];
    }

    /** What the flow is to be, L/min: as it was said, else in the middle of what the unit can. */
    private function wanted(Scene $scene): float
    {
        $low = self::litres($scene->unit->traits, 'rangeLow');
        $high = self::litres($scene->unit->traits, 'rangeHigh');

        return self::litres($scene->said, 'target') ?? ($low === null || $high === null ? self::FLOW : ($low + $high) / 2);
    }

    private static function litres(Traits $of, string $name): ?float
    {
        return $of->measured($name)?->in(CommonUnit::LitrePerMinute)->toFloat();
    }

    /** Four digits of what is shown. */
    private static function step(float $shown): string
    {
        $decimals = max(0, min(4, 3 - (int) floor(log10(max($shown, 1e-4)))));

        return $decimals === 0 ? '1' : '0.'.str_repeat('0', $decimals - 1).'1';
    }

    /** A cold pump runs slow and settles within minutes. */
    private function sensor(string $resolution, float $scale, ?string $fault): Sensor
    {
        return new Sensor(
            $resolution,
            Parameter::own(($fault === self::WANDERS ? 0.2 : 0.003) * $scale),
            Parameter::own(4),
            new WarmUp(Parameter::own(-0.06 * $scale), Parameter::own(200)),
            Parameter::own(-0.004 * $scale),
            Parameter::own(0),
        );
    }

    /** The share of its flow that is left. */
    private function left(?string $fault): float
    {
        return match ($fault) {
            null, self::WANDERS => 1.0,
            self::WEAK => 7 / 8,
            default => throw NoSuchFault::of($this, $fault),
        };
    }
}
