<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Steadiness;

/** What a flow standard, a thermometer and a barometer print, and where it goes. */
final class FlowFeeds
{
    public const FLOW = 'flow';
    public const VOLUME = 'volume';
    public const SECONDS = 'seconds';
    public const LEFT = 'left leg';
    public const RIGHT = 'right leg';
    public const TEMPERATURE = 'temperature';
    public const PRESSURE = 'pressure';

    /** Channels by the columns that they go to. */
    private const CHANNELS = [
        'value' => self::FLOW,
        'volume' => self::VOLUME,
        'seconds' => self::SECONDS,
        'left' => self::LEFT,
        'right' => self::RIGHT,
    ];
    /** A flow stands still within so many percent of it (own). */
    private const STEADY = '1';

    /**
     * @param list<Entry> $columns of the rows of the step
     *
     * @return list<Feed>
     */
    public static function at(Step $step, array $columns): array
    {
        if (\in_array($step->id, [FlowProcedures::CONDITIONS, FlowProcedures::UNIT_TEMPERATURE, FlowProcedures::UNIT_PRESSURE], true)) {
            return [
                ...($step->id === FlowProcedures::UNIT_PRESSURE ? [] : [
                    new Feed(self::TEMPERATURE, 'temperature', self::symbols(Air::TEMPERATURES), steady: self::air('0.3'), measured: true),
                ]),
                ...($step->id === FlowProcedures::UNIT_TEMPERATURE ? [] : [
                    new Feed(self::PRESSURE, 'pressure', self::symbols(Air::PRESSURES), steady: self::air('0.1'), measured: true),
                ]),
            ];
        }
        $feeds = [];
        foreach ($columns as $column) {
            $channel = self::CHANNELS[$column->name] ?? null;
            if ($channel === null) {
                continue;
            }
            // A film is timed, not watched: each is a reading of its own.
            $steady = \in_array($channel, [self::VOLUME, self::SECONDS], true) ? null : new Steadiness(null, Exact::of(self::STEADY));
            $legs = [CommonUnit::InchWater->value, 'in'];
            $in = \in_array($channel, [self::LEFT, self::RIGHT], true) ? $legs : self::symbols($column->scale->units);
            $feeds[] = new Feed($channel, $column->name, $in === [] ? [''] : $in, steady: $steady);
        }

        return $feeds;
    }

    /** Within so much, in whichever unit it is printed: of a larger one that is less, and waits longer. */
    private static function air(string $within): Steadiness
    {
        return Steadiness::within($within);
    }

    /**
     * @param list<Unit> $units
     *
     * @return ($units is non-empty-list ? non-empty-list<string> : list<string>)
     */
    private static function symbols(array $units): array
    {
        return array_map(static fn (Unit $unit): string => $unit->value, $units);
    }
}
