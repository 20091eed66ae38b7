<?php

declare(strict_types=1);

namespace Footnote\App\Access;

/** What a person may do. The server enforces it. */
enum Role: string
{
    /** Reads everything, changes nothing. */
    case Reader = 'reader';
    /** Records checks and runs. */
    case Technician = 'technician';
    /** Records, judges and signs. */
    case Hygienist = 'hygienist';
    /** Records, and keeps policies, references and recalls. */
    case Steward = 'steward';

    public function security(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }
}
