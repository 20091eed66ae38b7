<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Quantity\Decimal;

/** How a sensor behaves: what it shows is not what truly is. Every parameter is data, each with where it is from. */
final readonly class Sensor
{
    /**
     * @param string    $resolution   the step of its display, as written: "0.1"
     * @param Parameter $noise        standard deviation of a reading, in its unit
     * @param Parameter $t90          seconds to nine tenths of a step
     * @param WarmUp    $warmUp       what it is off by while it settles
     * @param Parameter $driftPerHour what it moves by in an hour, in its unit
     * @param Parameter $perDegree    what it moves by for each degree above 20 °C, in its unit
     */
    public function __construct(
        public string $resolution,
        public Parameter $noise,
        public Parameter $t90,
        public WarmUp $warmUp,
        public Parameter $driftPerHour,
        public Parameter $perDegree,
    ) {
    }

    /** One that settles at once and keeps still, but for its noise. */
    public static function steady(string $resolution, float $noise): self
    {
        $nothing = Parameter::own(0);

        return new self($resolution, Parameter::own($noise), $nothing, WarmUp::none(), $nothing, $nothing);
    }

    /**
     * What its display shows, in steps of its resolution.
     *
     * @param float $when        s after it was switched on
     * @param float $temperature of the air, °C
     * @param Scale $scale       how its display is made of what it senses
     */
    public function shows(
        float $when,
        Course $course,
        float $temperature,
        Chance $chance,
        string $channel,
        Scale $scale = new Scale(new Course(1), new Course(0)),
    ): string {
        $value = $scale->of($course->followed($when, $this->t90->value), $when)
            + $this->warmUp->at($when)
            + $this->driftPerHour->value * $when / 3600
            + $this->perDegree->value * ($temperature - 20)
            + $this->noise->value * $chance->normal($channel, (int) floor($when * 10));

        return $this->displayed($value);
    }

    private function displayed(float $value): string
    {
        $step = (float) $this->resolution;
        $shown = \sprintf('%.'.Decimal::parse($this->resolution)->decimals().'f', round($value / $step) * $step);

        // No display shows a zero below zero.
        return (float) $shown === 0.0 ? ltrim($shown, '-') : $shown;
    }
}
