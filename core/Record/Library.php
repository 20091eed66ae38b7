<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/** What runs look things up in while they are read: sampler types, methods, substances, set-ups. */
interface Library
{
    /** The entry of a library by its code; null where there is none. */
    public function find(string $shelf, string $code): ?Traits;
}
