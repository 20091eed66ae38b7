<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** Why nothing flowed at a check, as a person saw it. */
enum Standstill: string
{
    case Open = 'train open and powered';
    case Closed = 'train shut or blocked';
    case Power = 'no power';

    /** @return non-empty-array<string, string> */
    public static function choices(): array
    {
        return [
            self::Open->value => 'nothing flowed, the train open and the pump powered',
            self::Closed->value => 'nothing flowed: the train was shut or blocked',
            self::Power->value => 'nothing flowed: the pump had no power',
        ];
    }
}
