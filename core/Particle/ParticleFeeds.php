<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Steadiness;

/** What a counter, a dust monitor and a flow standard print, and where it goes. */
final class ParticleFeeds
{
    public const FLOW = 'flow';
    public const SHOWS = 'reads';
    public const MINUTES = 'minutes';
    public const COUNTS = 'counts';
    public const SPHERES = 'spheres';

    /** A flow stands still within so many percent of it (own). */
    private const STEADY = '1';

    /** @return list<Feed> */
    public static function at(Step $step, Instrument $unit): array
    {
        $still = Steadiness::withinPercent(self::STEADY);

        return match ($step->id) {
            ParticleProcedures::FLOW_FOUND, ParticleProcedures::FLOW_LEFT => [
                new Feed(self::FLOW, 'value', [
                    CommonUnit::LitrePerMinute->value,
                    CommonUnit::MillilitrePerMinute->value,
                    CommonUnit::CubicFootPerMinute->value,
                ], steady: $still, measured: true),
            ],
            // Counts are summed as long as somebody lets it count: nothing there stands still.
            ParticleProcedures::BLANK => [
                ...array_map(
                    static fn (string $size): Feed => new Feed($size, 'value', [self::COUNTS], ['size' => $size]),
                    ParticleUnit::sizes($unit),
                ),
                new Feed(self::MINUTES, 'blankMinutes', [CommonUnit::Minute->value]),
            ],
            // What was mixed and where half are counted is a person's to write; how many it counted it says itself.
            ParticleProcedures::SPHERES => [new Feed(self::SPHERES, 'observed', [CountUnit::PerCubicCentimetre->value, '/mL'])],
            ParticleProcedures::ZERO_FOUND, ParticleProcedures::ZERO_LEFT => [
                new Feed(self::SHOWS, 'value', [CommonUnit::MilligramPerCubicMetre->value], steady: $still),
            ],
            default => [],
        };
    }
}
