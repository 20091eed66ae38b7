<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

use Footnote\Core\Record\Formats;

/** The simulated instruments that the families bring. */
final class StandIns
{
    /** @return list<StandIn> each once: families may share one */
    public static function of(Formats $families): array
    {
        $standIns = [];
        foreach ($families->all() as $format) {
            foreach ($format instanceof BringsStandIns ? $format->standIns() : [] as $standIn) {
                $standIns['='.$standIn->id()] ??= $standIn;
            }
        }

        return array_values($standIns);
    }
}
