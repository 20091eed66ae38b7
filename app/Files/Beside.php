<?php

declare(strict_types=1);

namespace Footnote\App\Files;

/** What is taken out of a picture, in the words that stand in the record. */
final class Beside
{
    public const DIRECTORY = 'place, time and device';
    public const COLOURS = 'the colour profile of the device';
    public const OTHER = 'what the device or a program wrote beside the picture';
    public const BEHIND = 'what stood after the end of the picture';
}
