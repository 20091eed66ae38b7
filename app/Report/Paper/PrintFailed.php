<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Errands\TellsWhy;

/** A report could not be printed; its message says why, for whoever looks after the machine. */
final class PrintFailed extends \RuntimeException implements TellsWhy
{
}
