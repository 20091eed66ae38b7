<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What brings a log home from a run, where it has one. */
interface Logged
{
    public function log(): ?StoredSeries;
}
