<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\LedgerChoice;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** The runs that a package tells of, and those that lie in it as evidence. */
#[Exclude]
final readonly class PackedRuns
{
    /**
     * @param LedgerChoice      $choice   the runs that it tells of, as the ledger knows them
     * @param list<string>      $runs     the same by name
     * @param list<string>|null $evidence the runs of the record; null: all of the campaign
     */
    public function __construct(public LedgerChoice $choice, public array $runs, public ?array $evidence)
    {
    }
}
