<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** Whether a laboratory has already taken something out of its numbers. It is asked, never assumed. */
enum Corrected: string
{
    case Yes = 'yes';
    case No = 'no';
    case Unknown = 'unknown';
}
