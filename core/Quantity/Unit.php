<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** The units of figures and readings, by the symbol that is printed. */
enum Unit: string
{
    case None = '';
    case Decibel = 'dB';
    case DecibelA = 'dB(A)';
    case DecibelC = 'dB(C)';
    case Percent = '%';
    case Hertz = 'Hz';
    case Second = 's';
    case Minute = 'min';
    case Hour = 'h';
}
