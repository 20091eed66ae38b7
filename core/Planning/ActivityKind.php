<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What is done with a unit on a day, in this order. */
enum ActivityKind: string
{
    case SwitchOn = 'switch on';
    case PreCheck = 'pre-check';
    case Fit = 'fit';
    case TakeOff = 'take off';
    case PostCheck = 'post-check';

    /** Whether it is done before what is measured begins: then it is done as late as it can be, else as soon. */
    public function isBefore(): bool
    {
        return $this === self::SwitchOn || $this === self::PreCheck || $this === self::Fit;
    }
}
