<?php

declare(strict_types=1);

namespace Footnote\App\Access;

/** What a person may do. A person may hold several; the server enforces them. */
enum Role: string
{
    case Reader = 'reader';
    case Technician = 'technician';
    case Hygienist = 'hygienist';
    case Steward = 'steward';

    public function security(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }

    /** What one may by it, as the rest of "may …". */
    public function may(): string
    {
        return match ($this) {
            self::Reader => 'read everything and change nothing',
            self::Technician => 'record checks, runs, logs and what laboratories said, and register instruments',
            self::Hygienist => 'record, say what is left out of a log, judge results and sign them',
            self::Steward => 'record, and keep policies, limits, references, recalls, intervals, sources and people',
        };
    }
}
