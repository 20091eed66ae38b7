<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Reasons that every family has, and that the finder itself must tell apart. */
final class UnusableBecause
{
    public const AS_FOUND_MISSING = 'adjusted before the value as found was noted';
    public const BROKEN_OFF = 'broken off midway';
    public const SET_ASIDE = 'set aside';

    /** @return list<string> what makes a check of any family show nothing */
    public static function usual(Check $check): array
    {
        return [
            ...($check->notes->setAside === null ? [] : [self::SET_ASIDE.': '.$check->notes->setAside->reason]),
            ...($check->walk->brokenOff ? [self::BROKEN_OFF] : []),
        ];
    }
}
