<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What may be reported of any unit. */
enum CommonRemark: string implements RemarkKind
{
    case Knocked = 'knocked';
    case Fell = 'fell';
    case RainedOn = 'rained on';
    case StoppedByItself = 'stopped by itself';
    case WornByAnother = 'worn by another';
    case Other = 'other';

    public function id(): string
    {
        return $this->value;
    }

    public function spoils(): bool
    {
        return $this === self::WornByAnother;
    }
}
