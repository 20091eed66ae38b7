<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** What a channel was, and what was made of what it read. */
final readonly class Sensed
{
    /** @param string|null $lelDoubt why no limit in % LEL can be held against it */
    public function __construct(
        public Channel $channel,
        public ChannelRecord $record,
        public GasRecord $run,
        public Factor $factor,
        public ?string $lelDoubt,
    ) {
    }
}
