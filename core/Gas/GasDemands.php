<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Planning\Able;
use Footnote\Core\Planning\DemandsOfUnits;
use Footnote\Core\Procedure\Entry;

/** What may be demanded of a monitor: a channel for each gas, and that it goes as far as is expected. */
final readonly class GasDemands implements DemandsOfUnits
{
    public function entries(): array
    {
        return [
            Entry::rows('gases', 'Must measure', [
                Entry::choice('kind', 'What', GasKind::choices(), true),
                Entry::text('gas', 'Name of another gas'),
                Entry::decimal('upTo', 'Up to', '0', '1000000', help: 'What is expected there at most, in what the instrument shows'),
            ]),
        ];
    }

    public function able(Instrument $unit, Traits $demanded): Able
    {
        $able = new Able();
        foreach ($demanded->rows('gases') as $row) {
            $able = $able->and(self::channel($unit, $row));
        }

        return $able;
    }

    private static function channel(Instrument $unit, Traits $row): Able
    {
        $kind = GasKind::from($row->text('kind') ?? '');
        $name = $kind === GasKind::Other ? $row->text('gas') ?? 'another gas' : GasKind::choices()[$kind->value];
        $channels = array_values(array_filter(
            Channel::of($unit),
            static fn (Channel $one): bool => $one->kind === $kind
                && ($kind !== GasKind::Other || strcasecmp($one->gas ?? $one->name, $name) === 0),
        ));
        if ($channels === []) {
            return Able::lacking(\sprintf('It has no channel for %s.', $name));
        }
        $highest = $row->decimal('upTo');
        if ($highest === null) {
            return new Able();
        }
        $able = null;
        foreach ($channels as $channel) {
            $range = $channel->display->range;
            $told = match (true) {
                $range === null => Able::unknown(
                    \sprintf('How far %s goes is not on record, and %s are expected.', $channel->name, $highest->written),
                ),
                $range->value->compareTo($highest->value) < 0 => Able::lacking(\sprintf(
                    '%s goes up to %s %s, and %s are expected.',
                    $channel->name,
                    $range->written,
                    $channel->unit->value,
                    $highest->written,
                )),
                default => new Able(),
            };
            // One channel that goes as far is enough.
            $able = $able === null || $told->against === [] ? $told : $able;
        }

        return $able;
    }
}
