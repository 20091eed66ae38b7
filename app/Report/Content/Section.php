<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** The sections that results of a report stand in. */
enum Section: string
{
    case Standing = 'stands';
    case Void = 'void';
    case NotSigned = 'not signed';

    public function title(): string
    {
        return match ($this) {
            self::Standing => Labels::STANDING,
            self::Void => Labels::VOID,
            self::NotSigned => Labels::NOT_SIGNED,
        };
    }
}
