<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\Core\Evidence\UnitName;

/** What a record's kit brings that the logbook did not have. */
final readonly class NewKit
{
    /**
     * @param list<UnitName> $units     that logs already here may name
     * @param bool           $standsOver whether an entry of a library came that stands over one that came with Footnote
     */
    public function __construct(public array $units, public bool $standsOver)
    {
    }
}
