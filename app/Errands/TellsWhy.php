<?php

declare(strict_types=1);

namespace Footnote\App\Errands;

/** A problem whose message says something to whoever asked for the errand. */
interface TellsWhy extends \Throwable
{
}
