<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Planning\Able;
use Footnote\Core\Planning\DemandsOfUnits;
use Footnote\Core\Procedure\Entry;

/** What may be demanded of a pump or a sampler: a flow that lies in its range. */
final readonly class FlowDemands implements DemandsOfUnits
{
    public function entries(): array
    {
        return [Entry::measured('flow', 'Flow', FlowRow::FLOWS, help: 'That it is to draw')];
    }

    public function able(Instrument $unit, Traits $demanded): Able
    {
        $flow = $demanded->measured('flow');
        if ($flow === null) {
            return new Able();
        }
        $low = $unit->traits->measured('rangeLow');
        $high = $unit->traits->measured('rangeHigh');
        $beyond = ($low !== null && $low->in($flow->unit)->compareTo($flow->value->value) > 0)
            || ($high !== null && $high->in($flow->unit)->compareTo($flow->value->value) < 0);

        return match (true) {
            $beyond => Able::lacking(\sprintf(
                'It draws from %s to %s, and %s are wanted.',
                $low?->words() ?? 'what is not on record',
                $high?->words() ?? 'what is not on record',
                $flow->words(),
            )),
            $low === null || $high === null => Able::unknown(
                \sprintf('Its range is not on record, and %s are wanted.', $flow->words()),
            ),
            default => new Able(),
        };
    }
}
