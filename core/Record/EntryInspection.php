<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/** What a shelf wants of an entry beyond each field by itself. */
interface EntryInspection
{
    /**
     * @param Fields $item  as written, for the places of faults
     * @param Traits $entry as read
     *
     * @throws InvalidRecord naming the field
     */
    public function inspect(Fields $item, Traits $entry): void;
}
