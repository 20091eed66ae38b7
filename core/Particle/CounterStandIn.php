<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scale;
use Footnote\Core\StandIn\Scene;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;

/**
 * A counter: its flow on a standard, then counts under its zero filter, summed as it counts, then the spheres that were put before it. A
 * dust monitor shows its zero instead.
 */
final readonly class CounterStandIn implements StandIn
{
    public const LEAKING = 'leaking-filter';
    public const SLOW = 'slow';
    public const LOSES = 'spheres-lost';

    private const SIZES = ['0.3', '0.5', '5.0'];
    /** Counts in ten minutes of clean air, by size, the smallest first; of a filter that leaks. */
    private const CLEAN = [1, 0, 0];
    private const LEAKS = [900, 240, 3];
    private const FLOW = 2.83;
    /** Of the spheres that were put in, per cm³, in the exercise. */
    private const SPHERES = 1347.0;

    public function id(): string
    {
        return 'counter-check';
    }

    public function title(): string
    {
        return 'A particle counter under its zero filter';
    }

    public function faults(): array
    {
        return [
            new Fault(self::LEAKING, 'the zero filter leaks, or the cell is dirty: it counts in clean air', 'particle.background'),
            new Fault(self::SLOW, 'its pump draws a tenth too little', 'particle.flow'),
            new Fault(self::LOSES, 'a third of the spheres sticks to the jug and is never counted', 'particle.recovery'),
        ];
    }

    public function exercise(\DateTimeImmutable $from, int $seed, ?string $fault): Printing
    {
        return new Printing('PC-90', [
            self::flow(self::FLOW * $this->draws($fault), null),
            ...self::counts(self::SIZES, $fault, 0.0),
            self::spheres(self::SPHERES, 0.0, $fault),
        ], $from, $seed);
    }

    public function atTheBench(Scene $scene, int $seed, ?string $fault): array
    {
        $nominal = $scene->unit->traits->measured('nominalFlow')?->in(CommonUnit::LitrePerMinute)->toFloat() ?? self::FLOW;
        $flow = self::flow(
            $nominal * $this->draws($fault) * (1 + 0.005 * (new Chance($seed))->normal('unit', 0)),
            $scene->adjustedAt('flow-adjust', 'flowAdjusted'),
            $nominal,
        );
        if ($scene->unit->traits->text('kind') === ParticleUnit::PHOTOMETER) {
            $zero = Scale::off($fault === self::LEAKING ? 0.02 : 0.001)->adjusted($scene->adjustedAt('zero-adjust', 'zeroAdjusted'));

            return [$flow, new StandInChannel(
                ParticleFeeds::SHOWS,
                CommonUnit::MilligramPerCubicMetre->value,
                Sensor::steady('0.001', 0.0004),
                new Course(0),
                $zero,
            )];
        }
        // The filter goes on once its flow is done with.
        $since = $scene->settledAt(ParticleProcedures::FLOW_LEFT)
            ?? $scene->settledAt('flow-adjust')
            ?? $scene->settledAt(ParticleProcedures::FLOW_FOUND);

        $clean = $scene->settledAt(ParticleProcedures::BLANK);
        $put = $this->put($scene);

        return [
            $flow,
            ...($since === null ? [] : self::counts(ParticleUnit::sizes($scene->unit), $fault, $since)),
            ...($clean === null || $put === null ? [] : [self::spheres($put, $clean, $fault)]),
        ];
    }

    /** How many spheres were put before it, per cm³, by what was said of the lot and the mixture; null where that is not said. */
    private function put(Scene $scene): ?float
    {
        $spike = $scene->said->measured('spike');
        $jug = $scene->said->measured('jug');
        foreach ($scene->others as $reference) {
            if ($reference->id === $scene->said->text('lot') && $spike !== null && $jug !== null) {
                return (new Spheres($reference))->diluted($spike, $jug, $scene->began)?->toFloat();
            }
        }

        return null;
    }

    /** Nearly all of them, each time a little otherwise. */
    private static function spheres(float $put, float $since, ?string $fault): StandInChannel
    {
        $counted = $put * ($fault === self::LOSES ? 0.64 : 0.98);

        return StandInChannel::of(
            ParticleFeeds::SPHERES,
            CountUnit::PerCubicCentimetre->value,
            Sensor::steady('1', 0.01 * $counted),
            (new Course(0))->then($since, $counted),
        );
    }

    private static function flow(float $flow, ?float $adjusted, float $to = self::FLOW): StandInChannel
    {
        $course = $adjusted === null ? new Course($flow) : (new Course($flow))->then($adjusted, $to);

        return StandInChannel::of(ParticleFeeds::FLOW, CommonUnit::LitrePerMinute->value, Sensor::steady('0.01', 0.005), $course);
    }

    /**
     * Each shows the sum so far: a step for each particle, and the minutes that it counts beside them.
     *
     * @param list<string> $sizes
     *
     * @return list<StandInChannel>
     */
    private static function counts(array $sizes, ?string $fault, float $since): array
    {
        $minutes = new Course(0);
        for ($tenth = 1; $tenth <= 600; ++$tenth) {
            $minutes = $minutes->then($since + 6 * $tenth, $tenth / 10);
        }
        $channels = [StandInChannel::of(ParticleFeeds::MINUTES, CommonUnit::Minute->value, Sensor::steady('0.1', 0), $minutes)];
        $all = $fault === self::LEAKING ? self::LEAKS : self::CLEAN;
        foreach ($sizes as $place => $size) {
            $inTenMinutes = $all[$place] ?? 0;
            $course = new Course(0);
            for ($particle = 1; $particle <= $inTenMinutes; ++$particle) {
                $course = $course->then($since + 600 * ($particle - 0.5) / $inTenMinutes, $particle);
            }
            $channels[] = StandInChannel::of($size, ParticleFeeds::COUNTS, Sensor::steady('1', 0), $course);
        }

        return $channels;
    }

    /** The share of its flow that it draws. */
    private function draws(?string $fault): float
    {
        return match ($fault) {
            null, self::LEAKING, self::LOSES => 1.0,
            self::SLOW => 0.9,
            default => throw NoSuchFault::of($this, $fault),
        };
    }
}
