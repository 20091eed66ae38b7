<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Reasons that the finder itself must tell apart. */
final class UnusableBecause
{
    public const AS_FOUND_MISSING = 'adjusted before the value as found was noted';
    public const BROKEN_OFF = 'broken off midway';
    public const SET_ASIDE = 'set aside';
}
