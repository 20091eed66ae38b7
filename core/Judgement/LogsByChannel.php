<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Log\ChannelSeries;

/** Results over a log of several channels or sizes, each of which can be looked at for itself. */
interface LogsByChannel
{
    /** @return list<array{channel: string, words: string}> the channels or sizes that a log has, and how each is called */
    public function logged(): array;

    /** Null where there is no log, or it has no such channel. */
    public function series(string $channel, Run $run): ?ChannelSeries;

    /**
     * The results that stand for a channel, with their limits in its unit.
     *
     * @return list<Result>
     */
    public function resultsOf(string $channel): array;
}
