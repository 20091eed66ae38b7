<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Provenance;

/** Where in a table a written value stands. */
final readonly class TableRow
{
    /**
     * @param string          $table what the table is called
     * @param string          $row   what tells its row from the others: the channel, the size, "1 of 2"; empty where there is one
     * @param bool            $names whether the value itself is what the row is called by
     * @param Provenance|null $how   how the reading of the row came, where that is asked
     */
    public function __construct(public string $table, public string $row, public bool $names, public ?Provenance $how)
    {
    }
}
