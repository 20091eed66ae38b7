<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What people report about a run when the unit comes back. */
enum RemarkKind: string
{
    case Knocked = 'knocked';
    case Fell = 'fell';
    case RainedOn = 'rained on';
    case StoppedByItself = 'stopped by itself';
    case WornByAnother = 'worn by another';
    case MicrophoneCovered = 'microphone covered';
    case Other = 'other';
}
