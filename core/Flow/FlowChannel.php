<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What the channels are called that flow standards, thermometers and barometers print. */
final class FlowChannel
{
    public const FLOW = 'flow';
    public const VOLUME = 'volume';
    public const SECONDS = 'seconds';
    public const LEFT = 'left leg';
    public const RIGHT = 'right leg';
    public const TEMPERATURE = 'temperature';
    public const PRESSURE = 'pressure';
}
