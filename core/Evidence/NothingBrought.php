<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A run of which only person, place and times are of interest. */
final readonly class NothingBrought implements RunContent
{
}
