<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A family's word on whether a check shows how the instrument responds. */
interface Usability
{
    /** @return list<string> why it does not; empty where it does */
    public function whyUnusable(Check $check, Timeline $timeline): array;
}
