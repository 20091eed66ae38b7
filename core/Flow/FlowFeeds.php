<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Steadiness;

/** What a flow standard, a thermometer and a barometer print, and where it goes. */
final class FlowFeeds
{
    /** Channels by the columns that they go to. */
    private const CHANNELS = [
        'value' => FlowChannel::FLOW,
        'volume' => FlowChannel::VOLUME,
        'seconds' => FlowChannel::SECONDS,
        'left' => FlowChannel::LEFT,
        'right' => FlowChannel::RIGHT,
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
                    self::air(FlowChannel::TEMPERATURE, Air::TEMPERATURES, '0.3'),
                ]),
                ...($step->id === FlowProcedures::UNIT_TEMPERATURE ? [] : [
                    self::air(FlowChannel::PRESSURE, Air::PRESSURES, '0.1'),
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
            $isTimed = \in_array($channel, [FlowChannel::VOLUME, FlowChannel::SECONDS], true);
            $steady = $isTimed ? null : Steadiness::withinPercent(self::STEADY);
            $legs = [CommonUnit::InchWater->value, 'in'];
            $in = \in_array($channel, [FlowChannel::LEFT, FlowChannel::RIGHT], true) ? $legs : self::symbols($column->scale->units);
            $feeds[] = new Feed($channel, $column->name, $in === [] ? [''] : $in, steady: $steady);
        }

        return $feeds;
    }

    /**
     * Each stands in the field of its own name, still within so much in whichever unit it is printed: of a larger one that is more.
     *
     * @param non-empty-list<Unit> $units
     */
    private static function air(string $channel, array $units, string $within): Feed
    {
        return new Feed($channel, $channel, self::symbols($units), steady: Steadiness::within($within), measured: true);
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
