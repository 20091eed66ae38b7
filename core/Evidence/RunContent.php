<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What one family brings home from a run: a log, totals, counts. */
interface RunContent
{
}
