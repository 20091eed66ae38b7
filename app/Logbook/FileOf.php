<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** What a photo or a document may be of. */
enum FileOf: string
{
    /** A check that is half done: what it becomes names its files. */
    case Draft = 'draft';
    case Check = 'check';
    case Run = 'run';
    case Reference = 'reference';
    case Instrument = 'instrument';

    /** The table in which it stands. */
    public function table(): string
    {
        return match ($this) {
            self::Draft => 'check_draft',
            self::Check => 'check_record',
            self::Run => 'run',
            self::Reference => 'reference',
            self::Instrument => 'instrument',
        };
    }
}
