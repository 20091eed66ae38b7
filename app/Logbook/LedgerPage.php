<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/**
 * A page of the ledger, all of it of one moment.
 *
 * @phpstan-import-type LedgerRow from Ledger
 */
final readonly class LedgerPage
{
    /**
     * @param list<LedgerRow> $rows
     * @param int             $total   of all pages
     * @param int             $waiting runs that were not worked out yet, where a verdict is wanted: any of them may have it
     */
    public function __construct(public array $rows, public int $total, public int $waiting)
    {
    }
}
